'use client'
import { useState } from 'react'
import { GAUGE_USES } from '@/core/benches/gauges'
import type { Gauge } from '@/core/document'
import { repeatabilityOfRange, TRIES } from '@/core/metrology'
import { UNITS, unitsOfKind, type UnitId } from '@/core/units'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { Notice } from '@/ui/Page'
import { useRefresh } from '@/ui/useRefresh'
import { send } from '@/features/entries/send'
import { Row, Stack } from '@/ui/Layout'
import { cardFrom, fieldsOf, type CardFields } from './cardFields'

const USES = Object.entries(GAUGE_USES).map(([value, { label }]) => ({ value, label }))

const LENGTH_UNITS: readonly { readonly value: UnitId; readonly label: string }[] = [
  { value: 'mm', label: 'mm' },
  { value: 'in', label: 'in' },
  { value: 'thou', label: 'thou' },
]

interface CardFormProps {
  readonly from: Gauge | undefined
  readonly takenIds: readonly string[]
  readonly today: string
  readonly onDone: () => void
}

/** A new gauge, or a new card of one: what it can see, as typed. */
export function CardForm({ from, takenIds, today, onDone }: CardFormProps) {
  const refresh = useRefresh()
  const [use, setUse] = useState<Gauge['use']>(from?.use ?? 'dial')
  const { measures } = GAUGE_USES[use]!
  const [unit, setUnit] = useState<UnitId>(from?.unit ?? 'mm')
  const [fields, setFields] = useState<CardFields>(() => fieldsOf(from, unit, today))
  const [trouble, setTrouble] = useState('')
  async function store(): Promise<void> {
    const made = cardFrom(fields, { from, takenIds, use, measures, unit })
    if ('trouble' in made) return setTrouble(made.trouble)
    const answer = await send('/api/gauges', made)
    if (!answer.ok) return setTrouble(answer.error)
    onDone()
    refresh()
  }
  return (
    <Stack
      as="form"
      $gap={14}
      onSubmit={(event) => {
        event.preventDefault()
        void store()
      }}
    >
      <Field name="name" label="Name" fields={fields} onChange={setFields} />
      {!from && (
        <ChoiceRow
          label="Kind"
          value={use}
          onChange={(next) => {
            setUse(next)
            const kind = GAUGE_USES[next]!.measures
            if (UNITS[unit].kind !== kind) setUnit(unitsOfKind(kind)[0]!)
          }}
          options={USES}
        />
      )}
      {!from && measures === 'length' && <ChoiceRow label="Reads in" value={unit} onChange={setUnit} options={LENGTH_UNITS} />}
      <Numbers unit={unit} fields={fields} onChange={setFields} />
      {trouble && (
        <Notice data-tone="bad" role="alert">
          {trouble}
        </Notice>
      )}
      <Row>
        <Button type="submit" kind="primary">
          Put in the drawer
        </Button>
      </Row>
    </Stack>
  )
}

interface FieldsProps {
  readonly fields: CardFields
  readonly onChange: (change: (now: CardFields) => CardFields) => void
}

function Field({ name, label, hint, fields, onChange }: FieldsProps & { name: keyof CardFields; label: string; hint?: string }) {
  return (
    <TextField
      label={label}
      hint={hint}
      value={fields[name]}
      onChange={(value) => onChange((now) => ({ ...now, [name]: value }))}
      numeric={name !== 'name'}
    />
  )
}

/** What the gauge can see, what it reads too much, and how long a check of it holds. */
function Numbers({ unit, fields, onChange }: FieldsProps & { unit: UnitId }) {
  const form = { fields, onChange }
  const { symbol } = UNITS[unit]
  return (
    <>
      <Field {...form} name="resolution" label={`Smallest step, ${symbol}`} />
      <Field
        {...form}
        name="repeatability"
        label={`Repeatability, standard deviation, ${symbol}`}
        hint="of readings of one thing, set up again each time"
      />
      <Field {...form} name="repeatabilityDof" label="From how many readings" />
      <FiveTries unit={unit} onFound={(s) => onChange((now) => ({ ...now, repeatability: s, repeatabilityDof: String(TRIES) }))} />
      <Field
        {...form}
        name="bias"
        label={`Reads too much by, ${symbol}`}
        hint="against the standard; taken off every reading from now on"
      />
      <Field {...form} name="biasU" label={`Standard uncertainty of that, ${symbol}`} hint="half of the certificate’s U at k = 2" />
      <Field {...form} name="scale" label="Standard uncertainty of the scale, % of reading" />
      <Field {...form} name="checkedOn" label="Checked on" hint="year-month-day" />
      <Field
        {...form}
        name="checkEveryDays"
        label="A check holds for, days"
        hint="empty: on no schedule; readings taken after it has run out are marked"
      />
    </>
  )
}

/** A repeatability from what a bench has at hand: the largest and the smallest of five tries at one thing. */
function FiveTries({ unit, onFound }: { unit: UnitId; onFound: (s: string) => void }) {
  const [range, setRange] = useState('')
  const value = Number(range.replace(',', '.'))
  return (
    <Row>
      <TextField label={`Or: largest less smallest of five tries, ${UNITS[unit].symbol}`} value={range} onChange={setRange} numeric />
      <Button size="small" isDisabled={!(value > 0)} onPress={() => onFound(String(Number(repeatabilityOfRange(value).toPrecision(2))))}>
        Use it
      </Button>
    </Row>
  )
}
