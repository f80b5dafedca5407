'use client'
import { group } from 'd3-array'
import { useEffect, useMemo, useState } from 'react'
import styled from 'styled-components'
import { subjectOf } from '@/core/document/place'
import type { Broken, Finding, OutputId, Station } from '@/core/bench/bench'
import { BENCHES } from '@/core/benches'
import type { Build, UnitSystem } from '@/core/document'
import { toReadAgain, watchedOf, type Effect, type Headline, type Variant } from '@/core/whatIf'
import { differenceInUnit } from '@/core/units'
import { useAfterPause } from '@/features/benchFrame/useAfterPause'
import { documentOf } from '@/features/entries/documentOf'
import { numerals } from '@/ui/GlobalStyle'
import { SideSection } from '@/ui/SideSection'
import { brokenWords, capital, subjectWords } from '@/wording'
import { sensitivityInWorker } from '@/workers/whatIf'
import { Bad } from '@/ui/Layout'
import type { WhatIf } from './useWhatIf'

const Box = styled(SideSection)`
  p,
  dl {
    font-size: 13px;
    color: var(--quiet);
  }
  dl {
    display: grid;
    gap: 4px;
    margin-top: 4px;
  }
  dt {
    color: var(--ink);
    font-weight: 600;
  }
  summary {
    cursor: pointer;
    min-height: 28px;
    font-weight: 600;
  }
`

/** What goes out of its limits that is in them today, by name. */
export function Breaks({ variant, system }: { variant: Variant; system: UnitSystem }) {
  const broken = variant.headlines.flatMap((one) => one.breaks.map((finding) => brokenOf(finding, one)))
  return (
    <Box aria-label="What breaks" aria-live="polite">
      <h2>What breaks</h2>
      {broken.length === 0 ? <p>Nothing that is kept today.</p> : <Bad as="p">{capital(brokenWords(broken, system))}.</Bad>}
    </Box>
  )
}

export function brokenOf(finding: Finding, { output, shown }: Headline): Broken {
  return { output, shown, ...subjectOf(finding), verdict: finding.conformity!.verdict, excess: finding.conformity!.excess }
}

/** By bench, the lines of the ledger that are others than today: each was relied on as it is. */
export function WouldMove({ variant }: { variant: Variant }) {
  const moved = group(
    variant.headlines.filter(({ hasMoved }) => hasMoved),
    ({ bench }) => bench,
  )
  return (
    <Box aria-label="Would make stale">
      <h2>Would make stale</h2>
      {moved.size === 0 ? (
        <p>Nothing.</p>
      ) : (
        <>
          <p>Lines of the ledger that would be others, to be measured again or confirmed:</p>
          <dl>
            {[...moved].map(([bench, lines]) => (
              <div key={bench}>
                <dt>{bench}</dt>
                <dd>{lines.map(({ shown }) => shown.label).join(', ')}</dd>
              </div>
            ))}
          </dl>
        </>
      )}
    </Box>
  )
}

/** Reading by reading, what the plan makes stale: each is taken again once the work is done. */
export function ReadAgain({ build, variant }: { build: Build; variant: Variant }) {
  const labels = useMemo(() => labelsAgain(build, toReadAgain(build, variant.changes)), [build, variant.changes])
  if (labels.length === 0) return null
  const byRow = group(labels, ({ row }) => row)
  return (
    <Box as="details" aria-label="To be read again">
      <summary>
        To be read again once it is done: {labels.length} {labels.length === 1 ? 'reading' : 'readings'}
      </summary>
      <dl>
        {[...byRow].map(([row, all]) => (
          <div key={row}>
            <dt>{row}</dt>
            <dd>{all.map(({ label }) => label).join('; ')}</dd>
          </div>
        ))}
      </dl>
    </Box>
  )
}

function labelsAgain(build: Build, stations: readonly string[]): readonly Pick<Station, 'row' | 'label'>[] {
  const again = new Set(stations)
  return BENCHES.flatMap((bench) => bench.stations(build).filter(({ id }) => again.has(id)))
}

const WIDE = 200
const ROW = 26
const LABEL = 122
const Bars = styled.svg`
  width: 100%;
  font-size: 11.5px;
  text {
    fill: var(--ink);
  }
  .figure {
    ${numerals}
    fill: var(--quiet);
  }
  rect {
    fill: var(--dye);
  }
  rect[data-down] {
    fill: var(--scribe);
  }
  line {
    stroke: var(--quiet);
  }
`
const MOST_BARS = 7
const DECIMALS_MORE = 1

/** Which knob moves the watched figure, by what a step of it does: the longest bar first. */
export function Sensitivity({ what, watched, system }: { what: WhatIf; watched: OutputId; system: UnitSystem }) {
  const { build, today, knobs, settings } = what
  const finding = watchedOf(today.findings, watched)
  const question = useAfterPause(settings)
  const [effects, setEffects] = useState<readonly Effect[]>()
  const id = finding?.id
  useEffect(() => {
    if (!id) return
    const controller = new AbortController()
    sensitivityInWorker(documentOf(build), question, id, controller.signal).then(setEffects, () => undefined)
    return () => controller.abort()
  }, [build, question, id])
  const headline = what.variant.headlines.find(({ output }) => output === watched)
  if (!finding || !headline) return null
  const { label, units, digits } = headline.shown
  const unit = units[system]
  const shown = (effects ?? []).slice(0, MOST_BARS)
  const most = Math.max(...shown.map(({ by }) => Math.abs(by)), 1e-12)
  const name = [label, subjectWords(finding)].filter(Boolean).join(', ')
  const middle = LABEL + (WIDE - LABEL / 2) / 2
  return (
    <Box aria-label="What moves it, per step">
      <h2>What moves it, per step</h2>
      <p>{name}</p>
      {shown.length > 0 && (
        <Bars viewBox={`0 0 ${LABEL + WIDE} ${shown.length * ROW}`} role="img" aria-label={`What a step of each knob does to ${name}`}>
          {shown.map(({ knob, by }, index) => {
            const length = (Math.abs(by) / most) * (WIDE / 4)
            const y = index * ROW
            const figure = `${by > 0 ? '+' : '−'}${differenceInUnit(Math.abs(by), unit).toFixed(digits[system] + DECIMALS_MORE)}`
            return (
              <g key={knob}>
                <text x={0} y={y + 16}>
                  {knobs.find((one) => one.knob.id === knob)?.knob.label}
                </text>
                <rect data-down={by < 0 || undefined} x={by > 0 ? middle : middle - length} y={y + 5} width={length} height={14} />
                <text
                  className="figure"
                  x={by > 0 ? middle + length + 4 : middle - length - 4}
                  y={y + 16}
                  textAnchor={by > 0 ? 'start' : 'end'}
                >
                  {figure}
                </text>
              </g>
            )
          })}
          <line x1={middle} x2={middle} y1={0} y2={shown.length * ROW} />
        </Bars>
      )}
    </Box>
  )
}
