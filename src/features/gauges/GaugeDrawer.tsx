'use client'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import styled from 'styled-components'
import { checkDue, checksOf, currentCards, isOverdue, type Gauge, type GaugeCheck } from '@/core/build'
import { repeatabilityOfRange, TRIES } from '@/core/metrology'
import { differenceInUnit, differenceToCanonical, UNITS, unitsOfKind, type UnitId } from '@/core/quantity'
import { Button } from '@/ui/Button'
import { ChoiceRow, TextField } from '@/ui/fields'
import { FigureTable } from '@/ui/FigureTable'
import { numerals } from '@/ui/GlobalStyle'
import { Lead, Main, Notice, Row, Title, TopBar } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { send } from '../send'

const Scroll = styled.div`
  overflow-x: auto;
`
const Table = styled.table`
  width: 100%;
  min-width: 760px;
  th {
    text-align: left;
    font-weight: 500;
    font-size: 13px;
    color: var(--quiet);
    padding: 4px 12px 6px 0;
  }
  td {
    padding: 9px 12px 9px 0;
    border-top: 1px solid var(--hairline);
  }
  thead td {
    border: 0;
  }
  td[data-number] {
    ${numerals} font-size: 13.5px;
    white-space: nowrap;
  }
`
const Overdue = styled.b`
  color: var(--out);
`
const USES: readonly { readonly value: Gauge['use']; readonly label: string; readonly measures: Gauge['measures'] }[] = [
  { value: 'dial', label: 'Dial', measures: 'length' },
  { value: 'micrometer', label: 'Micrometer', measures: 'length' },
  { value: 'boreGauge', label: 'Bore gauge', measures: 'length' },
  { value: 'feeler', label: 'Feeler', measures: 'length' },
  { value: 'burette', label: 'Burette', measures: 'volume' },
  { value: 'scales', label: 'Scales', measures: 'mass' },
  { value: 'strip', label: 'Plastic strip', measures: 'length' },
  { value: 'torque', label: 'Torque wrench', measures: 'torque' },
  { value: 'roughness', label: 'Roughness tester', measures: 'roughness' },
  { value: 'other', label: 'Other length', measures: 'length' },
]

/** The gauge drawer: what each instrument can see, and when it was last held against a standard. */
export function GaugeDrawer({ cards: all, today }: { cards: readonly Gauge[]; today: string }) {
  const [editing, setEditing] = useState<Gauge | 'new'>()
  const [logged, setLogged] = useState<Gauge>()
  const cards = currentCards(all)
  return (
    <>
      <TopBar trail={[{ href: '/gauges', words: 'Gauge drawer' }]} />
      <Main>
        <Row style={{ justifyContent: 'space-between' }}>
          <Title>Gauge drawer</Title>
          <Button kind="primary" onPress={() => setEditing('new')}>
            Add a gauge
          </Button>
        </Row>
        <Lead>
          The uncertainty of every reading comes from here. The drawer starts with typical instruments; put in your own figures after a
          check against a standard. Readings already taken keep the card they were taken with.{' '}
          <Link href="/sums/gaugestudy">A gauge study</Link> says whether a gauge is good enough for a tolerance.
        </Lead>
        <Cards cards={cards} today={today} onEdit={setEditing} onLog={setLogged} />
      </Main>
      <SidePanel title={logged ? `Checks of ${logged.name}` : ''} isOpen={logged !== undefined} onClose={() => setLogged(undefined)}>
        {logged && <CheckLog checks={checksOf(all, logged.gauge)} unit={logged.unit} />}
      </SidePanel>
      <SidePanel
        title={editing === 'new' ? 'Add a gauge' : `New card: ${editing?.name ?? ''}`}
        isOpen={editing !== undefined}
        onClose={() => setEditing(undefined)}
      >
        {editing && (
          <CardForm
            today={today}
            from={editing === 'new' ? undefined : editing}
            takenIds={all.map((card) => card.id)}
            onDone={() => setEditing(undefined)}
          />
        )}
      </SidePanel>
    </>
  )
}

/** The card of every gauge as it stands. */
function Cards({
  cards,
  today,
  onEdit,
  onLog,
}: {
  cards: readonly Gauge[]
  today: string
  onEdit: (card: Gauge) => void
  onLog: (card: Gauge) => void
}) {
  return (
    <Scroll tabIndex={0} role="region" aria-label="Gauges">
      <Table>
        <thead>
          <tr>
            <th scope="col">Gauge</th>
            <th scope="col">Step</th>
            <th scope="col">Repeatability s</th>
            <th scope="col">Reads too much by</th>
            <th scope="col">u of that</th>
            <th scope="col">u of scale</th>
            <th scope="col">Checked</th>
            <th scope="col">Holds until</th>
            <td />
          </tr>
        </thead>
        <tbody>
          {cards.map((card) => (
            <tr key={card.id}>
              <td>
                <b>{card.name}</b>
              </td>
              {[card.resolution, card.repeatability, card.bias, card.biasU].map((value, index) => (
                <td key={index} data-number>
                  {inUnit(value, card.unit)}
                </td>
              ))}
              <td data-number>{card.scaleU === 0 ? '–' : `${Number((card.scaleU * 100).toPrecision(2))} %`}</td>
              <td>{card.checkedOn ?? 'not on record'}</td>
              <td>
                {checkDue(card) ?? 'no schedule'}
                {isOverdue(card, today) && <Overdue> · overdue</Overdue>}
              </td>
              <td style={{ whiteSpace: 'nowrap' }}>
                <Button size="small" onPress={() => onEdit(card)} aria-label={`New card for ${card.name}`}>
                  New card
                </Button>{' '}
                <Button size="small" kind="plain" onPress={() => onLog(card)} aria-label={`Checks of ${card.name}`}>
                  Checks
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Scroll>
  )
}

/** Each check against a standard, newest first: what the gauge read too much, and how far it had drifted since the last time. */
function CheckLog({ checks, unit }: { checks: readonly GaugeCheck[]; unit: UnitId }) {
  return (
    <>
      <FigureTable>
        <thead>
          <tr>
            <th scope="col">Checked</th>
            <th scope="col">Reads too much by</th>
            <th scope="col">u of that</th>
            <th scope="col">Drift since</th>
            <th scope="col">Repeats to s</th>
          </tr>
        </thead>
        <tbody>
          {checks.toReversed().map(({ card, drift }) => (
            <tr key={card.id}>
              <td>{card.checkedOn ?? 'as it came'}</td>
              <td>{inUnit(card.bias, unit)}</td>
              <td>{inUnit(card.biasU, unit)}</td>
              <td>
                {drift === undefined ? (
                  ''
                ) : (
                  <>
                    {drift > 0 && '+'}
                    {inUnit(drift, unit)}
                    {Math.abs(drift) > 2 * card.biasU && <b> · more than its uncertainty</b>}
                  </>
                )}
              </td>
              <td>{inUnit(card.repeatability, unit)}</td>
            </tr>
          ))}
        </tbody>
      </FigureTable>
      <p>
        A reading keeps the card it was taken with. Whether a gauge is good enough for a tolerance:{' '}
        <Link href="/sums/gaugestudy">make a gauge study</Link>.
      </p>
    </>
  )
}

function inUnit(canonical: number, unit: UnitId): string {
  return canonical === 0 ? '0' : `${Number(differenceInUnit(canonical, unit).toPrecision(4))} ${UNITS[unit].symbol}`
}

function CardForm({
  from,
  takenIds,
  today,
  onDone,
}: {
  from: Gauge | undefined
  takenIds: readonly string[]
  today: string
  onDone: () => void
}) {
  const router = useRouter()
  const [use, setUse] = useState<Gauge['use']>(from?.use ?? 'dial')
  const measures = USES.find((one) => one.value === use)!.measures
  const [unit, setUnit] = useState<UnitId>(from?.unit ?? 'mm')
  const text = (canonical: number | undefined) =>
    canonical === undefined ? '' : String(Number(differenceInUnit(canonical, unit).toPrecision(6)))
  const [fields, setFields] = useState<Readonly<Record<string, string>>>({
    name: from?.name ?? '',
    resolution: text(from?.resolution),
    repeatability: text(from?.repeatability),
    repeatabilityDof: String((from?.repeatabilityDof ?? 19) + 1),
    bias: text(from?.bias ?? 0),
    biasU: text(from?.biasU),
    scale: from ? String(Number((from.scaleU * 100).toPrecision(4))) : '0',
    checkedOn: today,
    checkEveryDays: from?.checkEveryDays === undefined ? '' : String(from.checkEveryDays),
  })
  const [trouble, setTrouble] = useState('')
  const field = (name: string, label: string, hint?: string) => (
    <TextField
      label={label}
      hint={hint}
      value={fields[name] ?? ''}
      onChange={(value) => setFields((now) => ({ ...now, [name]: value }))}
      numeric={name !== 'name'}
    />
  )
  async function store(): Promise<void> {
    const number = (name: string) => Number((fields[name] ?? '').replace(',', '.').trim() || 'NaN')
    const values = {
      resolution: number('resolution'),
      repeatability: number('repeatability'),
      bias: number('bias'),
      biasU: number('biasU'),
    }
    const readings = number('repeatabilityDof')
    if (fields.checkEveryDays?.trim() && !(Number.isInteger(number('checkEveryDays')) && number('checkEveryDays') > 0))
      return setTrouble('A check holds for a whole number of days, or leave it empty. Nothing was stored.')
    if (
      Object.values(values).some(Number.isNaN) ||
      !(values.resolution > 0) ||
      values.repeatability < 0 ||
      values.biasU < 0 ||
      !(readings >= 2) ||
      Number.isNaN(number('scale')) ||
      !fields.name?.trim()
    ) {
      return setTrouble('Every field wants a number; the step is more than nothing, uncertainties are never negative. Nothing was stored.')
    }
    const gauge = from?.gauge ?? slug(fields.name)
    const canonical = Object.fromEntries(
      Object.entries(values).map(([name, value]) => [name, differenceToCanonical(value, unit)]),
    ) as typeof values
    const card = {
      id: freshCardId(gauge, takenIds),
      gauge,
      name: fields.name.trim(),
      measures,
      use,
      unit,
      ...canonical,
      repeatabilityDof: readings - 1,
      scaleU: number('scale') / 100,
      ...(fields.checkedOn && { checkedOn: fields.checkedOn }),
      ...(fields.checkEveryDays?.trim() && { checkEveryDays: number('checkEveryDays') }),
      since: new Date().toISOString(),
    }
    const answer = await send('/api/gauges', { card })
    if (!answer.ok) return setTrouble(answer.error)
    onDone()
    router.refresh()
  }
  return (
    <form
      style={{ display: 'grid', gap: 14 }}
      onSubmit={(event) => {
        event.preventDefault()
        void store()
      }}
    >
      {field('name', 'Name')}
      {!from && (
        <ChoiceRow
          label="Kind"
          value={use}
          onChange={(next) => {
            setUse(next)
            const kind = USES.find((one) => one.value === next)!.measures
            if (UNITS[unit].kind !== kind) setUnit(unitsOfKind(kind)[0]!)
          }}
          options={USES}
        />
      )}
      {!from && measures === 'length' && (
        <ChoiceRow
          label="Reads in"
          value={unit as 'mm'}
          onChange={setUnit}
          options={
            [
              { value: 'mm', label: 'mm' },
              { value: 'in', label: 'in' },
              { value: 'thou', label: 'thou' },
            ] as never
          }
        />
      )}
      {field('resolution', `Smallest step, ${UNITS[unit].symbol}`)}
      {field(
        'repeatability',
        `Repeatability, standard deviation, ${UNITS[unit].symbol}`,
        'of readings of one thing, taken afresh each time',
      )}
      {field('repeatabilityDof', 'From how many readings')}
      <FiveTries unit={unit} onFound={(s) => setFields((now) => ({ ...now, repeatability: s, repeatabilityDof: String(TRIES) }))} />
      {field('bias', `Reads too much by, ${UNITS[unit].symbol}`, 'against the standard; taken off every reading from now on')}
      {field('biasU', `Standard uncertainty of that, ${UNITS[unit].symbol}`, 'half of the certificate’s U at k = 2')}
      {field('scale', 'Standard uncertainty of the scale, % of reading')}
      {field('checkedOn', 'Checked on', 'year-month-day')}
      {field('checkEveryDays', 'A check holds for, days', 'empty: on no schedule; readings taken after it has run out are marked')}
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
    </form>
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

function slug(name: string): string {
  return (
    name
      .toLowerCase()
      .normalize('NFKD')
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '')
      .slice(0, 40) || 'gauge'
  )
}

function freshCardId(gauge: string, taken: readonly string[]): string {
  let number = 1
  while (taken.includes(`${gauge}.${number}`)) number++
  return `${gauge}.${number}`
}
