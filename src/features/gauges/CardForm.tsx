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
import { useForm, type FormState } from '@/ui/useForm'
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
  const [start] = useState(() => fieldsOf(from, today))
  const { values, refused, wrong, set, field, form } = useForm({
    start,
    read: (fields) => cardFrom(fields, { from, takenIds, measures: GAUGE_USES[fields.use]!.measures }),
    send: async (card) => {
      const answer = await send('/api/gauges', { card })
      if (!answer.ok) return answer.error
      onDone()
      refresh()
    },
  })
  const { use, unit } = values
  return (
    <Stack as="form" $gap={14} {...form}>
      <TextField label="Name" {...field('name')} />
      {!from && (
        <ChoiceRow
          label="Kind"
          value={use}
          onChange={(next) => {
            set('use', next)
            const kind = GAUGE_USES[next]!.measures
            if (UNITS[unit].kind !== kind) set('unit', unitsOfKind(kind)[0]!)
          }}
          options={USES}
        />
      )}
      {!from && GAUGE_USES[use]!.measures === 'length' && (
        <ChoiceRow label="Reads in" value={unit} onChange={(next) => set('unit', next)} options={LENGTH_UNITS} />
      )}
      <Numbers unit={unit} field={field} set={set} />
      {(refused ?? Object.keys(wrong).length > 0) && (
        <Notice data-tone="bad" role="alert">
          {refused ?? 'Nothing was stored: look at the fields that are marked.'}
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

interface NumbersProps extends Pick<FormState<CardFields>, 'field' | 'set'> {
  readonly unit: UnitId
}

/** What the gauge can see, what it reads too much, and how long a check of it holds. */
function Numbers({ unit, field, set }: NumbersProps) {
  const { symbol } = UNITS[unit]
  const triedFive = (s: string) => {
    set('repeatability', s)
    set('repeatabilityDof', String(TRIES))
  }
  return (
    <>
      <TextField label={`Smallest step, ${symbol}`} numeric {...field('resolution')} />
      <TextField
        label={`Repeatability, standard deviation, ${symbol}`}
        hint="of readings of one thing, set up again each time"
        numeric
        {...field('repeatability')}
      />
      <TextField label="From how many readings" numeric {...field('repeatabilityDof')} />
      <FiveTries unit={unit} onFound={triedFive} />
      <TextField
        label={`Reads too much by, ${symbol}`}
        hint="against the standard; taken off every reading from now on"
        numeric
        {...field('bias')}
      />
      <TextField
        label={`Standard uncertainty of that, ${symbol}`}
        hint="half of the certificate’s U at k = 2"
        numeric
        {...field('biasU')}
      />
      <TextField label="Standard uncertainty of the scale, % of reading" numeric {...field('scale')} />
      <TextField label="Checked on" hint="year-month-day" numeric {...field('checkedOn')} />
      <TextField
        label="A check holds for, days"
        hint="empty: on no schedule; readings taken after it has run out are marked"
        numeric
        {...field('checkEveryDays')}
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
