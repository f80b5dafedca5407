'use client'
import styled from 'styled-components'
import { HOLES, TOLD_APART } from '@/core/joints/schema'
import type { EngineLayout } from '@/core/geometry/crank'
import type { Joint, UnitSystem } from '@/core/document'
import type { RunRefusal } from '@/core/joints'
import { UNITS } from '@/core/units'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'
import { ChoiceRow } from '@/ui/fields'
import { Table } from '@/ui/Table'
import { HOLE_WORDS, RETIREMENT_WORDS, TOLD_APART_WORDS } from '@/wording'
import type { ChangeJoint } from './planEdit'
import { turnsOf } from '@/core/joints/turns'

const Fold = styled.details`
  summary {
    cursor: pointer;
    min-height: 40px;
    font-weight: 500;
  }
  select {
    min-height: 40px;
    padding: 0 8px;
    background: var(--raised);
    border: 1px solid var(--edge);
    border-radius: 3px;
  }
`

interface HoleProps {
  readonly joint: Joint
  readonly system: UnitSystem
  readonly layout: EngineLayout
  readonly change: ChangeJoint
  /** Bolts of the joint that the ledger says are done with. */
  readonly retired: readonly Extract<RunRefusal, { code: 'retired' }>[]
}

type Fastener = Joint['fasteners'][number]

/** Hole by hole, in the order they are torqued: which type goes there, where the hole leads, how far its stud stands out. */
export function HoleTable({ joint, system, layout, change, retired }: HoleProps) {
  const turns = turnsOf(joint)
  const inOrder = joint.groups.flatMap(({ order }) => order)
  const hasMarks = joint.toldApartBy === 'mark' || joint.toldApartBy === 'serial'
  // Nuts of rods, and of what turns with the crank, are reached at some angles only.
  const hasStops = CRANKED.has(joint.kind)
  const isAsked = retired.length > 0 || joint.fasteners.some(({ usedAgain }) => usedAgain !== undefined)
  const put = (number: number, words: string, next: Partial<Fastener>) =>
    change(`${turns[number - 1]}: ${words}`, (now) => ({
      ...now,
      fasteners: now.fasteners.map((one, index) => (index === number - 1 ? { ...one, ...next } : one)),
    }))
  return (
    <Fold>
      <summary>Hole by hole: type, where it leads, how far its stud stands out, what it is known by</summary>
      <ChoiceRow
        label="How are they told apart?"
        value={joint.toldApartBy ?? 'notSaid'}
        onChange={(told) => change('told apart', (now) => ({ ...now, toldApartBy: TOLD_APART.find((one) => one === told) }))}
        options={[
          { value: 'notSaid', label: 'Not said' },
          ...TOLD_APART.map((told) => ({ value: told as string, label: TOLD_APART_WORDS[told] })),
        ]}
        hint="Then the ledger counts how often each was torqued and how much it grew. By its place a bolt has no history beyond this build."
      />
      <Table>
        <thead>
          <tr>
            <th scope="col">Turn</th>
            <th scope="col">Type</th>
            <th scope="col">Leads into</th>
            {hasStops && <th scope="col">Crank at, ° after 1’s top</th>}
            {joint.kind === 'camCaps' && <th scope="col">Under a spring</th>}
            {hasMarks && <th scope="col">Mark</th>}
            {isAsked && <th scope="col">Used again, because</th>}
            <th scope="col">Stands out, {UNITS[system === 'metric' ? 'mm' : 'in'].symbol}</th>
          </tr>
        </thead>
        <tbody>
          {inOrder.map((number) => (
            <HoleRow
              key={number}
              turn={turns[number - 1]!}
              fastener={joint.fasteners[number - 1]!}
              letters={joint.types.map(({ letter }) => letter)}
              isCap={joint.kind === 'camCaps'}
              hasStop={hasStops}
              hasMark={hasMarks}
              isAsked={isAsked}
              done={retired.find(({ fastener }) => fastener === number)}
              system={system}
              isDry={layout.cooling === 'air'}
              put={(words, next) => put(number, words, next)}
            />
          ))}
        </tbody>
      </Table>
    </Fold>
  )
}

const CRANKED: ReadonlySet<Joint['kind']> = new Set(['rods', 'flywheel', 'damper', 'mains'])

interface HoleRowProps {
  readonly turn: string
  readonly fastener: Fastener
  readonly letters: readonly string[]
  readonly isCap: boolean
  readonly hasStop: boolean
  readonly hasMark: boolean
  /** Somewhere in the joint a bolt is done with: a reason may be given. */
  readonly isAsked: boolean
  readonly done: HoleProps['retired'][number] | undefined
  readonly system: UnitSystem
  /** Cooled by air: no hole leads into coolant. */
  readonly isDry: boolean
  readonly put: (words: string, next: Partial<Fastener>) => void
}

function HoleRow({ turn, fastener, letters, isCap, hasStop, hasMark, isAsked, done, system, isDry, put }: HoleRowProps) {
  const unit = system === 'metric' ? 'mm' : 'in'
  return (
    <tr>
      <td data-figure>{turn}</td>
      <td>
        <select aria-label={`Fastener ${turn}: type`} value={fastener.type} onChange={({ target }) => put('type', { type: target.value })}>
          {letters.map((letter) => (
            <option key={letter}>{letter}</option>
          ))}
        </select>
      </td>
      <td>
        <LeadsInto turn={turn} fastener={fastener} isDry={isDry} put={put} />
      </td>
      {hasStop && (
        <td data-figure>
          <QuantityInput
            quiet
            label={`Fastener ${turn}: crank at, degrees`}
            value={fastener.crankDeg}
            kind="angle"
            unit="deg"
            range={{ low: 0, high: 720 }}
            onCommit={(crankDeg) => put('crank stop', { crankDeg })}
          />
        </td>
      )}
      {isCap && (
        <td>
          <input
            type="checkbox"
            aria-label={`Fastener ${turn}: a spring pushes against its cap`}
            checked={fastener.loaded === true}
            onChange={({ target }) => put(target.checked ? 'under load' : 'not under load', { loaded: target.checked ? true : undefined })}
          />
        </td>
      )}
      <MarkCells turn={turn} fastener={fastener} hasMark={hasMark} isAsked={isAsked} done={done} put={put} />
      <td data-figure>
        <QuantityInput
          quiet
          label={`Fastener ${turn}: stands out, ${UNITS[unit].symbol}`}
          value={fastener.stickOutMm}
          kind="length"
          unit={unit}
          range={{ low: 0, high: 1000 }}
          onCommit={(stickOutMm) => put('stick-out', { stickOutMm })}
        />
      </td>
    </tr>
  )
}

/** What a fastener is known by, and why one that is done with is used again. */
function MarkCells({
  turn,
  fastener,
  hasMark,
  isAsked,
  done,
  put,
}: Omit<HoleRowProps, 'letters' | 'isCap' | 'hasStop' | 'system' | 'isDry'>) {
  return (
    <>
      {hasMark && (
        <td>
          <Words
            quiet
            label={`Fastener ${turn}: mark`}
            value={fastener.mark ?? ''}
            onCommit={(mark) => put('mark', { mark: mark || undefined })}
          />
        </td>
      )}
      {isAsked && (
        <td>
          {(done || fastener.usedAgain !== undefined) && (
            <Words
              quiet
              label={`Fastener ${turn}: used again, because`}
              value={fastener.usedAgain ?? ''}
              onCommit={(usedAgain) => put('used again', { usedAgain: usedAgain || undefined })}
            />
          )}
          {done && (
            <small role="note">
              {RETIREMENT_WORDS[done.why]}, {done.build}
            </small>
          )}
        </td>
      )}
    </>
  )
}

function LeadsInto({ turn, fastener, isDry, put }: Pick<HoleRowProps, 'turn' | 'fastener' | 'isDry' | 'put'>) {
  const holes = HOLES.filter((hole) => !isDry || hole !== 'water' || fastener.hole?.opensTo === 'water')
  return (
    <select
      aria-label={`Fastener ${turn}: its hole leads into`}
      value={fastener.hole?.opensTo ?? ''}
      onChange={({ target }) => put('hole', { hole: { ...fastener.hole, opensTo: HOLES.find((hole) => hole === target.value) } })}
    >
      <option value="">not said</option>
      {holes.map((hole) => (
        <option key={hole} value={hole}>
          {HOLE_WORDS[hole]}
        </option>
      ))}
    </select>
  )
}
