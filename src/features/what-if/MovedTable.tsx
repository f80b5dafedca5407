'use client'
import { useState } from 'react'
import styled from 'styled-components'
import type { UnitSystem } from '@/core/document'
import type { OutputId } from '@/core/bench/bench'
import type { Headline, Span } from '@/core/whatIf'
import { Button } from '@/ui/Button'
import { VerdictMark } from '@/ui/VerdictMark'
import { showFigure } from '@/wording'
import { Table } from '@/ui/Table'
import type { WhatIf } from './useWhatIf'

/** A finding by its bench and name: pressed, the search may be asked for it. */
const Watch = styled.button`
  all: unset;
  cursor: pointer;
  color: var(--ink);
  small {
    margin-right: 6px;
  }
  &:focus-visible {
    outline: 2px solid var(--scribe);
    outline-offset: 2px;
  }
`
const This = styled.b`
  white-space: nowrap;
`

/** What moves over all benches, today's beside it, what breaks first; and each variant that is kept. */
export function MovedTable({
  what,
  system,
  watched,
  onWatch,
}: {
  what: WhatIf
  system: UnitSystem
  watched: OutputId
  onWatch: (output: OutputId) => void
}) {
  const [isAll, setAll] = useState(false)
  const { variant, kept } = what
  const inKept = (output: OutputId) => kept.map(({ variant: { headlines } }) => headlines.find((one) => one.output === output))
  const moves = (one: Headline) => !one.isDetail && (one.hasMoved || inKept(one.output).some((other) => other?.hasMoved))
  const shown = variant.headlines.filter((one) => (isAll ? (one.today ?? one.next) : moves(one))).toSorted((a, b) => rank(a) - rank(b))
  const still = variant.headlines.filter((one) => (one.today ?? one.next) && !moves(one)).length
  return (
    <>
      <Table figures="right">
        <caption>
          What moves, over all benches: {variant.moved} of {variant.count} findings
        </caption>
        <Head names={kept.map(({ name }) => name)} />
        <tbody>
          {shown.map((one) => (
            <MovedRow
              key={one.output}
              one={one}
              beside={inKept(one.output)}
              system={system}
              isWatched={one.output === watched}
              onWatch={onWatch}
            />
          ))}
        </tbody>
      </Table>
      {variant.changes.length === 0 && kept.length === 0 && !isAll && (
        <p>Turn a knob: what it moves appears here, whichever bench it is of.</p>
      )}
      <p>
        {isAll ? '' : `${still} lines do not move. `}
        <Button size="small" kind="plain" onPress={() => setAll((now) => !now)}>
          {isAll ? 'Show what moves' : 'Show all'}
        </Button>
      </p>
    </>
  )
}

function Head({ names }: { names: readonly string[] }) {
  return (
    <thead>
      <tr>
        <th scope="col">Finding</th>
        <th scope="col" data-figure>
          today
        </th>
        <th scope="col" data-figure>
          <b>this</b>
        </th>
        {names.map((name) => (
          <th key={name} scope="col" data-figure>
            {name}
          </th>
        ))}
      </tr>
    </thead>
  )
}

interface RowProps {
  readonly one: Headline
  readonly beside: readonly (Headline | undefined)[]
  readonly system: UnitSystem
  readonly isWatched: boolean
  readonly onWatch: (output: OutputId) => void
}

function MovedRow({ one, beside, system, isWatched, onWatch }: RowProps) {
  return (
    <tr data-output={one.output} data-here={isWatched || undefined}>
      <th scope="row">
        <Watch type="button" onClick={() => onWatch(one.output)} aria-pressed={isWatched}>
          <small>{one.bench}</small>
          {one.shown.label}
        </Watch>
      </th>
      <td data-figure>{spanWords(one.today, one, system)}</td>
      <td data-figure>
        <This>
          <Cell span={one.next} of={one} system={system} />
        </This>
      </td>
      {beside.map((other, index) => (
        // Variants keep their order.
        // oxlint-disable-next-line react/no-array-index-key
        <td key={index} data-figure>
          {other && <Cell span={other.next} of={one} system={system} />}
        </td>
      ))}
    </tr>
  )
}

function rank({ breaks, hasMoved, next, today }: Headline): number {
  if (breaks.length > 0) return 0
  if (hasMoved && next?.verdict !== today?.verdict) return 1
  return hasMoved ? 2 : 3
}

function Cell({ span, of, system }: { span: Span | undefined; of: Headline; system: UnitSystem }) {
  const standing = span?.verdict ?? 'noLimit'
  return (
    <>
      {spanWords(span, of, system)} {span?.verdict && <VerdictMark standing={standing} size={10} />}
    </>
  )
}

function spanWords(span: Span | undefined, { shown }: Headline, system: UnitSystem): string {
  if (!span) return '–'
  const [low, high] = [span.low, span.high].map((value) => showFigure(value, shown, system).value)
  if (low === high) return low!
  return span.low.value < 0 ? `${low} to ${high}` : `${low}–${high}`
}
