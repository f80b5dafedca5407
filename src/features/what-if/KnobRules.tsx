'use client'
import { memo } from 'react'
import styled from 'styled-components'
import type { UnitSystem } from '@/core/document'
import { PARTS, type KnobHere, type Part } from '@/core/whatIf'
import { numerals } from '@/ui/GlobalStyle'
import { KNOB_HINTS, PART_WORDS, settingWords } from '@/wording/whatIf'
import { stepsAbout } from './stepsAbout'
import type { WhatIf } from './useWhatIf'

const Knob = styled.div`
  padding: 8px 16px 6px;
  border-bottom: 1px solid var(--hairline);
  label {
    display: flex;
    align-items: baseline;
    gap: 8px;
    font-weight: 600;
    font-size: 14px;
  }
  label span {
    ${numerals} margin-left: auto;
    font-size: 14px;
    white-space: nowrap;
  }
  small {
    color: var(--quiet);
    font-weight: 400;
  }
  &[data-turned] label b {
    color: var(--scribe);
  }
  input {
    appearance: none;
    width: 100%;
    height: 22px;
    margin: 0;
    background: none;
    cursor: pointer;
    --pointer: var(--dye);
  }
  &[data-turned] input {
    --pointer: var(--scribe);
  }
  input::-webkit-slider-thumb {
    appearance: none;
    width: 18px;
    height: 16px;
    background: var(--pointer);
    clip-path: polygon(50% 100%, 100% 0, 0 0);
  }
  input::-moz-range-thumb {
    width: 18px;
    height: 16px;
    border: 0;
    border-radius: 0;
    background: var(--pointer);
    clip-path: polygon(50% 100%, 100% 0, 0 0);
  }
  &[data-held] {
    opacity: 0.55;
  }
`
/** A steel rule under the slider, with today's mark in dye. */
const Rule = styled.svg`
  display: block;
  width: 100%;
  height: 8px;
  /* The pointer's middle never reaches the ends of its track. */
  padding: 0 9px;
  line {
    stroke: var(--edge);
    stroke-width: 0.4;
  }
  .today {
    stroke: var(--dye);
    stroke-width: 1;
  }
  .moved {
    stroke: var(--scribe);
    stroke-width: 1.5;
  }
`
const Locks = styled.fieldset`
  border: 0;
  padding: 10px 16px;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  border-bottom: 1px solid var(--hairline);
  legend {
    font-size: 12px;
    color: var(--quiet);
    padding: 0;
  }
  label {
    display: flex;
    gap: 6px;
    align-items: center;
    min-height: 28px;
    font-size: 13px;
  }
`

/** Which parts must stay as they are: their knobs are held at today. */
export function PartLocks({ what }: { what: WhatIf }) {
  const there = PARTS.filter((part) => what.knobs.some(({ parts }) => parts.includes(part)))
  return (
    <Locks>
      <legend>Must stay as it is</legend>
      {there.map((part) => (
        <label key={part}>
          <input type="checkbox" checked={what.locked.has(part)} onChange={() => what.lock(part)} />
          {PART_WORDS[part]}
        </label>
      ))}
    </Locks>
  )
}

export function KnobRules({ what, system }: { what: WhatIf; system: UnitSystem }) {
  return (
    <>
      {what.knobs.map((here) => (
        <KnobRule
          key={here.knob.id}
          here={here}
          value={what.settings[here.knob.id] ?? here.today}
          choices={here.knob.choices?.(what.build)}
          isHeld={isHeld(here, what.locked)}
          system={system}
          onTurn={what.turn}
        />
      ))}
    </>
  )
}

export function isHeld({ parts }: KnobHere, locked: ReadonlySet<Part>): boolean {
  return parts.some((part) => locked.has(part))
}

interface RuleProps {
  readonly here: KnobHere
  readonly value: number
  readonly choices: readonly number[] | undefined
  readonly isHeld: boolean
  readonly system: UnitSystem
  readonly onTurn: (knob: string, value: number) => void
}

const MARKS = 21
const WIDE = 100

/** A knob as a rule: today's value marked on it, the one it is turned to in scribe. */
const KnobRule = memo(({ here: { knob, today, low, high }, value, choices, isHeld: held, system, onTurn }: RuleProps) => {
  const step = knob.step[system]
  // Steps count from today, so that today can be gone back to.
  const scale = choices ?? stepsAbout(today, low, high, step)
  const at = nearestIndex(scale, value)
  const words = settingWords(knob, value, system)
  const isTurned = Math.abs(value - today) > 1e-9
  const todayAt = placeOf(scale, today)
  return (
    <Knob data-turned={isTurned || undefined} data-held={held || undefined}>
      <label>
        {knob.label}
        <span>
          <b>{words}</b> {isTurned && <small>was {settingWords(knob, today, system)}</small>}
        </span>
      </label>
      <input
        type="range"
        aria-label={knob.label}
        aria-valuetext={words}
        min={0}
        max={scale.length - 1}
        step={1}
        value={at}
        disabled={held}
        onChange={({ target }) => onTurn(knob.id, scale[Number(target.value)]!)}
      />
      <Rule viewBox={`-1 0 ${WIDE + 2} 8`} preserveAspectRatio="none" aria-hidden="true">
        {Array.from({ length: MARKS }, (_, index) => (
          <line key={index} x1={(index * WIDE) / (MARKS - 1)} x2={(index * WIDE) / (MARKS - 1)} y1={0} y2={index % 10 === 0 ? 6 : 3} />
        ))}
        {isTurned && <line className="moved" x1={todayAt} x2={placeOf(scale, value)} y1={1} y2={1} />}
        <line className="today" x1={todayAt} x2={todayAt} y1={0} y2={8} />
      </Rule>
      {isTurned && KNOB_HINTS[knob.id] && <small>{KNOB_HINTS[knob.id]}</small>}
    </Knob>
  )
})

function placeOf(scale: readonly number[], value: number): number {
  return scale.length > 1 ? (nearestIndex(scale, value) / (scale.length - 1)) * WIDE : 0
}

function nearestIndex(scale: readonly number[], value: number): number {
  let best = 0
  for (const [index, one] of scale.entries()) if (Math.abs(one - value) < Math.abs(scale[best]! - value)) best = index
  return best
}
