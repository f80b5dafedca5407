'use client'
import { Fragment, useState } from 'react'
import type { Joint, UnitSystem } from '@/core/document'
import { fastenersAt, turnsAt } from '@/core/joints'
import { parseEntry, UNITS, type UnitId } from '@/core/units'
import { QuantityInput } from '@/ui/QuantityInput'
import { Words } from '@/ui/Words'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Section, SectionTitle } from '@/ui/Page'
import { entryIssueWords, torqueWords, wrenchUnit } from '@/wording'
import { isDay } from '@/features/fields/day'
import { Row } from '@/ui/Layout'
import { useForm, type ReadForm } from '@/ui/useForm'
import { Fields, From } from './GroupFields'
import type { ChangeJoint } from './planEdit'

interface HoldProps {
  readonly joint: Joint
  readonly system: UnitSystem
  readonly change: ChangeJoint
}

const STATES = [
  { value: 'final', label: 'Final' },
  { value: 'trial', label: 'Trial: may come apart, the gasket is not crushed' },
] as const

/** Trial or final, what sets meanwhile, and the wrenches at hand. */
export function HoldFields({ joint, system, change }: HoldProps) {
  return (
    <Section aria-label="State, sealer, wrenches">
      <SectionTitle>State, sealer, wrenches</SectionTitle>
      <ChoiceRow
        label="Put together"
        value={joint.state}
        onChange={(state) => change(state, (now) => ({ ...now, state }))}
        options={STATES}
      />
      <Sealer joint={joint} change={change} />
      <SealantFields joint={joint} change={change} />
      <Waits joint={joint} change={change} />
      <Wrenches joint={joint} system={system} change={change} />
    </Section>
  )
}

function Sealer({ joint: { sealer }, change }: Omit<HoldProps, 'system'>) {
  const put = (next: Joint['sealer']) => change('sealer', (now) => ({ ...now, sealer: next }))
  return (
    <Fields>
      <Words
        label="Sealer or locker that sets"
        value={sealer?.name ?? ''}
        onCommit={(name) => put(name === '' ? undefined : { from: { source: 'not said yet', fromMemory: true }, ...sealer, name })}
      />
      {sealer && (
        <>
          <QuantityInput
            label="Open for, minutes"
            hint="empty: not known, and not timed"
            value={sealer.openMinutes}
            kind="ratio"
            unit="one"
            range={{ low: 1, high: 1440 }}
            onCommit={(openMinutes) => put({ ...sealer, openMinutes })}
          />
          <From label="Open time from" value={sealer.from} onCommit={(from) => put({ ...sealer, from })} />
        </>
      )}
    </Fields>
  )
}

const SEALANT = { bead: 'Bead past fasteners, as 1 5 9 1', dabs: 'Dabs beside', pryNot: 'Nobody pries at' } as const

/** Where sealant goes, by the numbers on the fasteners; drawn on the joint above. */
function SealantFields({ joint, change }: Omit<HoldProps, 'system'>) {
  const [trouble, setTrouble] = useState<readonly number[]>([])
  const put = (name: keyof typeof SEALANT, text: string) => {
    const { fasteners, unknown } = fastenersAt(joint, text)
    setTrouble(unknown)
    if (unknown.length > 0) return
    change(SEALANT[name].toLowerCase(), (now) => ({
      ...now,
      sealant: { ...now.sealant, [name]: fasteners.length > 0 ? [...fasteners] : undefined },
    }))
  }
  return (
    <>
      <Fields>
        {(Object.keys(SEALANT) as (keyof typeof SEALANT)[]).map((name) => (
          <Words key={name} label={SEALANT[name]} value={turnsAt(joint, joint.sealant?.[name])} onCommit={(text) => put(name, text)} />
        ))}
      </Fields>
      {trouble.length > 0 && <p role="alert">No fastener has the number {trouble.join(', ')}. The map is as it was.</p>}
    </>
  )
}

const MINUTES_PER_HOUR = 60
const WAITS = {
  skin: { label: 'Skins or tacks before it is closed, minutes', minutes: 1, most: 1440 },
  cure: { label: 'Cures before it may get wet, hours', minutes: MINUTES_PER_HOUR, most: 336 },
  rest: { label: 'Rests before its re-torque, hours', minutes: MINUTES_PER_HOUR, most: 336 },
} as const

/** What a joint waits for after its last pull; the run starts these clocks by itself. */
function Waits({ joint, change }: Omit<HoldProps, 'system'>) {
  const shown = joint.sealer ? (['skin', 'cure', 'rest'] as const) : (['skin', 'rest'] as const)
  return (
    <Fields>
      {shown.map((name) => {
        const wait = joint[name]
        const { label, minutes, most } = WAITS[name]
        const put = (next: Joint['rest']) => change(label.toLowerCase(), (now) => ({ ...now, [name]: next }))
        return (
          <Fragment key={name}>
            <QuantityInput
              label={label}
              value={wait && wait.minutes / minutes}
              kind="ratio"
              unit="one"
              range={{ low: 0.1, high: most }}
              onCommit={(count) =>
                put(
                  count === undefined
                    ? undefined
                    : { from: { source: 'not said yet', fromMemory: true }, ...wait, minutes: count * minutes },
                )
              }
            />
            {wait && <From label={`${label}: from`} value={wait.from} onCommit={(from) => put({ ...wait, from })} />}
          </Fragment>
        )
      })}
    </Fields>
  )
}

type Wrench = NonNullable<Joint['wrenches']>[number]

function Wrenches({ joint: { wrenches = [] }, system, change }: HoldProps) {
  const put = (next: Wrench[]) => change('wrenches', (now) => ({ ...now, wrenches: next }))
  return (
    <>
      {wrenches.map((wrench) => (
        <Row key={wrench.name}>
          <span>
            Wrench <b>{wrench.name}</b>, {torqueWords(wrench.leastNm, system).value} to {torqueWords(wrench.mostNm, system).value}{' '}
            {UNITS[wrenchUnit(system)].symbol}
            {wrench.checkedOn ? `, checked ${wrench.checkedOn}` : ', no check on record'}
          </span>
          <Button size="small" kind="plain" onPress={() => put(wrenches.filter((one) => one !== wrench))}>
            Put it away
          </Button>
        </Row>
      ))}
      <NewWrench taken={wrenches.map(({ name }) => name)} system={system} onAdd={(wrench) => put([...wrenches, wrench])} />
    </>
  )
}

const NO_WRENCH = { name: '', least: '', most: '', checkedOn: '' }

/** A wrench as typed, or what is wrong with it. */
function wrenchFrom(typed: typeof NO_WRENCH, taken: readonly string[], unit: UnitId): ReadForm<Wrench> {
  const name = typed.name.trim()
  const [least, most] = [parseEntry(typed.least, { kind: 'torque', unit }), parseEntry(typed.most, { kind: 'torque', unit })]
  const isRange = least.ok && most.ok && least.value > 0 && most.value > least.value
  const wrong = {
    ...((name === '' || taken.includes(name)) && { name: 'A name of its own, such as what is written on it.' }),
    ...(!least.ok && { least: entryIssueWords(least.issue, unit) }),
    ...(!most.ok && { most: entryIssueWords(most.issue, unit) }),
    ...(least.ok && most.ok && !isRange && { most: 'More than what it reads at least, and that more than nothing.' }),
    ...(typed.checkedOn !== '' && !isDay(typed.checkedOn) && { checkedOn: 'A day as 2026-03-01, or nothing.' }),
  }
  if (!isRange || Object.keys(wrong).length > 0) return { ok: false, wrong }
  return {
    ok: true,
    meant: { name, leastNm: least.value, mostNm: most.value, ...(typed.checkedOn !== '' && { checkedOn: typed.checkedOn }) },
  }
}

function NewWrench({ taken, system, onAdd }: { taken: readonly string[]; system: UnitSystem; onAdd: (wrench: Wrench) => void }) {
  const unit = wrenchUnit(system)
  const { field, form } = useForm({ start: NO_WRENCH, read: (typed) => wrenchFrom(typed, taken, unit), send: onAdd, isEmptiedAfter: true })
  return (
    <form {...form}>
      <Fields>
        <TextField label="Another wrench" {...field('name')} />
        <TextField label={`reads from, ${UNITS[unit].symbol}`} {...field('least')} numeric />
        <TextField label={`to, ${UNITS[unit].symbol}`} {...field('most')} numeric />
        <TextField label="checked on" placeholder="2026-03-01" {...field('checkedOn')} />
        <Button type="submit">Lay it ready</Button>
      </Fields>
    </form>
  )
}
