'use client'
import Link from 'next/link'
import { useState } from 'react'
import styled from 'styled-components'
import { uncertaintyBudget } from '@/core/bench/uncertaintyBudget'
import type { BenchDefinition, Output } from '@/core/bench/bench'
import type { Build, UnitSystem } from '@/core/document'
import { formatExact, joinUnit } from '@/core/units'
import { standardUncertainty, type Figure, type Term } from '@/core/metrology'
import { numerals } from '@/ui/GlobalStyle'
import { figureOfKindWords, percent } from '@/wording'

const List = styled.ul`
  display: grid;
  border-left: 1px solid var(--hairline);
  margin-left: 6px;
`
const Formula = styled.p`
  font-size: 13px;
  color: var(--quiet);
  padding: 2px 0 6px 14px;
  code {
    ${numerals} color: var(--ink);
    font-size: 13px;
  }
`
const Line = styled.li`
  padding: 4px 0 4px 14px;
  font-size: 14px;
  > div {
    display: flex;
    gap: 10px;
    align-items: baseline;
    flex-wrap: wrap;
  }
  [data-value] {
    ${numerals} margin-left: auto;
    white-space: nowrap;
  }
  small {
    color: var(--quiet);
    font-size: 12.5px;
    flex-basis: 100%;
  }
`
const Opener = styled.button`
  padding: 0;
  border: 0;
  background: none;
  font-weight: 500;
  text-align: left;
  cursor: pointer;
  text-decoration: underline dotted;
  text-underline-offset: 3px;
`

/** A derivation, opened step by step down to the readings. */
export function SumTree({
  figure,
  build,
  system,
  onStation,
  depth = 0,
}: {
  figure: Figure
  build?: Build
  system: UnitSystem
  onStation?: (stationId: string) => void
  depth?: number
}) {
  if (figure.origin.from !== 'sum') return null
  const { formula, terms } = figure.origin.sum
  const total = terms.reduce((sum, term) => sum + term.effectU ** 2, 0)
  return (
    <div>
      <Formula>
        <code>{formula.expression}</code>
        <br />
        {formula.source}
      </Formula>
      <List>
        {terms.map((term) => (
          <TermLine
            key={term.name}
            term={term}
            share={total === 0 ? undefined : term.effectU ** 2 / total}
            build={build}
            system={system}
            onStation={onStation}
            startsOpen={depth === 0 && terms.length === 1}
            depth={depth}
          />
        ))}
      </List>
    </div>
  )
}

function TermLine({
  term,
  share,
  build,
  system,
  onStation,
  startsOpen,
  depth,
}: {
  term: Term
  share: number | undefined
  build?: Build
  system: UnitSystem
  onStation?: (stationId: string) => void
  startsOpen: boolean
  depth: number
}) {
  const [open, setOpen] = useState(startsOpen)
  const { figure } = term
  const opens = figure.origin.from === 'sum'
  return (
    <Line>
      <div>
        {opens ? (
          <Opener type="button" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? '▾' : '▸'} {term.label}
          </Opener>
        ) : (
          <span>{term.label}</span>
        )}
        <span data-value>{figureOfKindWords(figure, term.kind, system)}</span>
        <small>
          <OriginWords figure={figure} build={build} onStation={onStation} />
          {share !== undefined && share > 0.005 && `${opens ? '' : ' · '}${percent(share)} of the uncertainty`}
        </small>
      </div>
      {opens && open && <SumTree figure={figure} build={build} system={system} onStation={onStation} depth={depth + 1} />}
    </Line>
  )
}

/** A finding that is a reading itself: what the gauge showed, what it reads too much, and who read it. */
export function DirectSum({
  figure,
  build,
  system,
  output,
  onStation,
}: {
  figure: Figure
  build: Build
  system: UnitSystem
  output: Output
  onStation?: (stationId: string) => void
}) {
  const { origin } = figure
  if (origin.from !== 'reading') return null
  const reading = build.readings.byId.get(origin.readingId)
  const bias = reading ? (build.gauges.get(reading.gauge)?.bias ?? 0) : 0
  const unit = output.units[system]
  const words = (value: number) => joinUnit(formatExact(Number(value.toPrecision(8)), unit), unit)
  return (
    <List>
      <Line>
        <div>
          <span>As read</span>
          <span data-value>{reading ? words(reading.value) : 'being typed'}</span>
          <small>
            <OriginWords figure={figure} build={build} onStation={onStation} />
          </small>
        </div>
      </Line>
      {bias !== 0 && reading && (
        <Line>
          <div>
            <span>Gauge reads too much</span>
            <span data-value>{words(bias)}</span>
            <small>
              {words(figure.value.value)} from {words(reading.value)}
            </small>
          </div>
        </Line>
      )}
    </List>
  )
}

/** A number on paper leads to its own line there. */
function PaperWords({ name, source, exact, buildId }: { name: string; source: string; exact: boolean; buildId: string | undefined }) {
  const words = `paper: ${source}${exact ? '; no tolerance given, taken as exact' : ''}`
  if (buildId === undefined) return words
  return (
    <Link href={`/builds/${buildId}/paper#paper.${name}`} style={{ color: 'inherit' }}>
      {words}
    </Link>
  )
}

/** Where a number came from, in words; a reading leads to its place. */
function OriginWords({ figure, build, onStation }: { figure: Figure; build?: Build; onStation?: (stationId: string) => void }) {
  const { origin } = figure
  switch (origin.from) {
    case 'reading': {
      const reading = build?.readings.byId.get(origin.readingId)
      const words = reading
        ? `“${reading.asTyped}”, ${build?.gauges.get(reading.gauge)?.name}, ${reading.by}, ${reading.at.slice(0, 16).replace('T', ' ')}`
        : 'being typed'
      return onStation ? (
        <Opener type="button" style={{ fontWeight: 400 }} onClick={() => onStation(origin.stationId)}>
          {words}
        </Opener>
      ) : (
        words
      )
    }
    case 'paper':
      return <PaperWords name={origin.key} source={origin.source} exact={origin.exact} buildId={build?.id} />
    case 'stock':
      return `stock: ${origin.name}, ${origin.source}`
    case 'typed':
      return origin.name
    case 'assumed':
      return `assumed: ${origin.source}`
    case 'leftOut':
      return 'left out'
    case 'sum':
      return null
  }
}

const Budget = styled.dl`
  display: grid;
  grid-template-columns: minmax(120px, auto) 1fr auto;
  gap: 6px 12px;
  align-items: center;
  font-size: 13px;
  dd[data-bar] {
    height: 10px;
    background: var(--dye-wash);
    > span {
      display: block;
      height: 100%;
      background: var(--dye);
    }
  }
  dd[data-share] {
    ${numerals} text-align: right;
  }
`

/** Where the uncertainty comes from, as bars: where a better gauge would help and where it would not. */
export function UncertaintyBudget({ figure, build, paper }: { figure: Figure; build: Build; paper: BenchDefinition['paper'] }) {
  if (standardUncertainty(figure.value) === 0) return <p>No uncertainty: everything here is exact on paper.</p>
  const shares = uncertaintyBudget(build, paper, figure.value)
  return (
    <Budget>
      {shares.map(({ label, share }) => (
        <div key={label} style={{ display: 'contents' }}>
          <dt>{label}</dt>
          <dd data-bar>
            <span style={{ width: `${share * 100}%` }} />
          </dd>
          <dd data-share>{percent(share)}</dd>
        </div>
      ))}
    </Budget>
  )
}
