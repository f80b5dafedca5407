'use client'
import Link from 'next/link'
import { useState } from 'react'
import styled from 'styled-components'
import { checkDue, checksOf, currentCards, isOverdue, type Gauge, type GaugeCheck } from '@/core/document'
import { differenceInUnit, UNITS, type UnitId } from '@/core/units'
import { Button } from '@/ui/Button'
import { Heads, Table } from '@/ui/Table'
import { Lead, Main, Title, TopBar } from '@/ui/Page'
import { SidePanel } from '@/ui/SidePanel'
import { Row } from '@/ui/Layout'
import { CardForm } from './CardForm'

const Overdue = styled.b`
  color: var(--out);
`
/** The gauge drawer: what each instrument can see, and when it was last held against a standard. */
export function GaugeDrawer({ cards: all, today }: { cards: readonly Gauge[]; today: string }) {
  const [editing, setEditing] = useState<Gauge | 'new'>()
  const [logged, setLogged] = useState<Gauge>()
  const cards = currentCards(all)
  return (
    <>
      <TopBar trail={[{ href: '/gauges', words: 'Gauge drawer' }]} />
      <Main>
        <Row $spread="apart">
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
    <Table scrolls="Gauges" style={{ minWidth: 760 }}>
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
              <td key={index} data-figure>
                {inUnit(value, card.unit)}
              </td>
            ))}
            <td data-figure>{card.scaleU === 0 ? '–' : `${Number((card.scaleU * 100).toPrecision(2))} %`}</td>
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
  )
}

/** Each check against a standard, newest first: what the gauge read too much, and how far it had drifted since the last time. */
function CheckLog({ checks, unit }: { checks: readonly GaugeCheck[]; unit: UnitId }) {
  return (
    <>
      <Table>
        <Heads of={['Checked', 'Reads too much by', 'u of that', 'Drift since', 'Repeats to s']} />
        <tbody>
          {checks.toReversed().map(({ card, drift }) => (
            <tr key={card.id}>
              <td>{card.checkedOn ?? 'as it came'}</td>
              <td data-figure>{inUnit(card.bias, unit)}</td>
              <td data-figure>{inUnit(card.biasU, unit)}</td>
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
              <td data-figure>{inUnit(card.repeatability, unit)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
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
