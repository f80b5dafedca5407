'use client'
import styled from 'styled-components'
import type { UnitSystem } from '@/core/document'
import { UNITS } from '@/core/units'
import type { LimitId } from '@/core/bench/bench'
import { SEARCHED, shownAs, type KnobHere } from '@/core/whatIf'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import { WISHES, type AskedBounds, type AskedRange, type AskedSearch } from './askedSearch'

const Group = styled.fieldset`
  border: 0;
  padding: 0;
  legend {
    padding: 0 0 4px;
    font-weight: 600;
  }
  label {
    display: flex;
    gap: 8px;
    align-items: center;
    min-height: 32px;
  }
  p {
    font-size: 13px;
    color: var(--quiet);
  }
`
const Wishes = styled(Group)`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
`
const Knobs = styled(Group)`
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
  ${PHONE} {
    grid-template-columns: 1fr;
  }
`
/** A knob that is picked takes the whole width, with its ends and its step. */
const Line = styled.div`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 76px 76px 64px 36px;
  gap: 6px;
  align-items: center;
  min-height: 34px;
  &[data-picked] {
    grid-column: 1 / -1;
  }
  &:not([data-picked]) {
    grid-template-columns: 1fr;
  }
  > :nth-child(2):last-child {
    grid-column: 2 / -1;
  }
  ${PHONE} {
    &[data-picked] {
      grid-template-columns: 1fr 1fr 1fr 36px;
      > :first-child {
        grid-column: 1 / -1;
      }
      > :nth-child(2):last-child {
        grid-column: 1 / -1;
      }
    }
  }
  input:not([type='checkbox']) {
    ${numerals}
    width: 100%;
    min-height: 30px;
    padding: 2px 6px;
    border: 1px solid var(--edge);
    border-radius: 3px;
    background: var(--raised);
    &[aria-invalid='true'] {
      border-color: var(--out);
    }
  }
  small {
    color: var(--quiet);
  }
`
const Bounds = styled(Line)`
  &:not([data-picked]) {
    grid-template-columns: minmax(0, 1fr) 76px 76px 36px;
  }
`

interface NumberProps {
  readonly name: string
  readonly value: string
  readonly isWrong: boolean
  readonly onType: (text: string) => void
}

function NumberCell({ name, value, isWrong, onType }: NumberProps) {
  return (
    <input aria-label={name} aria-invalid={isWrong} inputMode="decimal" value={value} onChange={({ target }) => onType(target.value)} />
  )
}

/** Knobs that may be turned, each between two ends by steps of its own. */
export function SearchKnobs({
  there,
  asked,
  unread,
  system,
  onPick,
  onRange,
}: {
  there: readonly KnobHere[]
  asked: AskedSearch
  unread: ReadonlySet<string>
  system: UnitSystem
  onPick: (id: string) => void
  onRange: (id: string, range: AskedRange) => void
}) {
  return (
    <Knobs>
      <legend>Knobs that may be turned: from, to, by</legend>
      {there.map(({ knob: { id, label, units } }) => {
        const range = asked.ranges[id]
        const cell = (part: keyof AskedRange) => (
          <NumberCell
            name={`${label}, ${part}`}
            value={range![part]}
            isWrong={unread.has(id)}
            onType={(text) => onRange(id, { ...range!, [part]: text })}
          />
        )
        return (
          <Line key={id} data-picked={asked.picked.has(id) || undefined}>
            <label>
              <input type="checkbox" checked={asked.picked.has(id)} onChange={() => onPick(id)} />
              {label}
            </label>
            {asked.picked.has(id) && !range && <small>every one there is</small>}
            {asked.picked.has(id) && range && (
              <>
                {cell('from')}
                {cell('to')}
                {cell('by')}
                <small>{UNITS[units[system]].symbol}</small>
              </>
            )}
          </Line>
        )
      })}
    </Knobs>
  )
}

/** What is wanted of a variant beside its ratio: of several, what no other beats in all. */
export function SearchWishes({ wishes, onWish }: { wishes: ReadonlySet<LimitId>; onWish: (wish: LimitId) => void }) {
  return (
    <Wishes>
      <legend>And beside it</legend>
      {WISHES.map(({ limit, label }) => (
        <label key={limit}>
          <input type="checkbox" checked={wishes.has(limit)} onChange={() => onWish(limit)} />
          {label}
        </label>
      ))}
    </Wishes>
  )
}

/** Between what every variant has to stay: the engine's limits, until others are typed for this search. */
export function SearchBounds({
  asked,
  unread,
  system,
  onBounds,
}: {
  asked: AskedSearch
  unread: ReadonlySet<string>
  system: UnitSystem
  onBounds: (figure: LimitId, bounds: AskedBounds) => void
}) {
  return (
    <Group>
      <legend>Within: at least, at most</legend>
      <p>As the engine’s limits stand; what is typed here is for this search alone. Empty: no bound.</p>
      {SEARCHED.map(({ limit: figure }) => {
        const bounds = asked.bounds[figure]!
        const { label, units } = shownAs(figure)
        const cell = (end: keyof AskedBounds, words: string) => (
          <NumberCell
            name={`${label}, ${words}`}
            value={bounds[end]}
            isWrong={unread.has(figure)}
            onType={(text) => onBounds(figure, { ...bounds, [end]: text })}
          />
        )
        return (
          <Bounds key={figure}>
            <span>{label}</span>
            {cell('least', 'at least')}
            {cell('most', 'at most')}
            <small>{UNITS[units[system]].symbol}</small>
          </Bounds>
        )
      })}
    </Group>
  )
}
