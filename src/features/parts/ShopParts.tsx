'use client'
import Link from 'next/link'
import { useState, type ReactNode } from 'react'
import { daysLate } from '@/core/parts'
import { Heads, Table } from '@/ui/Table'
import { TextField } from '@/ui/fields'
import { useHydrated } from '@/ui/lazyPart'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import type { BuildSummary } from '@/shop/summary'
import { lateWords, PART_STATE_WORDS } from '@/wording/parts'
import { Bad } from '@/ui/Layout'

type OfParts = Pick<BuildSummary, 'name' | 'awaited' | 'interchange' | 'shelf'>

interface Line<Row> {
  readonly buildId: string
  readonly build: string
  readonly row: Row
}

type Builds = readonly { readonly id: string; readonly summary: OfParts }[]

/** Parts over all engines: what is on its way, what lies on the shelves, and what replaced what. */
export function ShopParts({ builds, today }: { builds: Builds; today: string }) {
  const [find, setFind] = useState('')
  return (
    <div data-ready={useHydrated() || undefined}>
      <TopBar trail={[{ href: '#', words: 'Parts' }]} />
      <Main>
        <Title>Parts</Title>
        <Lead>Of every engine in hand: what is on its way or at the machine shop, what lies on the shelves, and what replaced what.</Lead>
        <TextField label="Find a part, a kind, a build" value={find} onChange={setFind} type="search" />
        <WaitedFor builds={builds} find={find} today={today} />
        <OnTheShelf builds={builds} find={find} />
        <Notebook builds={builds} find={find} />
      </Main>
    </div>
  )
}

/** Rows of all engines that have what is looked for in them. */
function linesOf<Row>(
  builds: Builds,
  find: string,
  rowsOf: (summary: OfParts) => readonly Row[],
  textOf: (row: Row) => string,
): readonly Line<Row>[] {
  const wanted = find.trim().toLowerCase()
  return builds.flatMap(({ id, summary }) =>
    rowsOf(summary).flatMap((row) =>
      `${textOf(row)} ${summary.name}`.toLowerCase().includes(wanted) ? [{ buildId: id, build: summary.name, row }] : [],
    ),
  )
}

function WaitedFor({ builds, find, today }: { builds: Builds; find: string; today: string }) {
  const lines = linesOf(
    builds,
    find,
    ({ awaited }) => awaited,
    ({ name }) => name,
  ).toSorted((a, b) => (a.row.promised ?? '9999').localeCompare(b.row.promised ?? '9999'))
  return (
    <Listed title="Waited for" none="Nothing is waited for." heads={['Part', 'Stands', 'Promised', 'For']} lines={lines}>
      {({ buildId, build, row }) => (
        <>
          <th scope="row">{row.name}</th>
          <td>{PART_STATE_WORDS[row.state]}</td>
          <td>
            {row.promised ?? 'no day'}
            {daysLate(row, today) > 0 && <Bad> {lateWords(daysLate(row, today))}</Bad>}
          </td>
          <td>
            <Link href={`/builds/${buildId}/parts`}>{build}</Link>
          </td>
        </>
      )}
    </Listed>
  )
}

function OnTheShelf({ builds, find }: { builds: Builds; find: string }) {
  const lines = linesOf(
    builds,
    find,
    ({ shelf }) => shelf,
    ({ kind, name }) => `${kind} ${name}`,
  ).toSorted((a, b) => a.row.kind.localeCompare(b.row.kind))
  return (
    <Listed title="On the shelf" none="Nothing lies on a shelf." heads={['Part', 'Kind', 'How many', 'On paper of']} lines={lines}>
      {({ buildId, build, row }) => (
        <>
          <th scope="row">{row.name}</th>
          <td>{row.kind}</td>
          <td>{row.count ?? 'not counted'}</td>
          <td>
            <Link href={`/builds/${buildId}/paper`}>{build}</Link>, {row.source}
          </td>
        </>
      )}
    </Listed>
  )
}

/** What was fitted in the place of what, and who says it goes. */
function Notebook({ builds, find }: { builds: Builds; find: string }) {
  const lines = linesOf(
    builds,
    find,
    ({ interchange }) => interchange,
    ({ name, replaces }) => `${name} ${replaces}`,
  )
  const heads = ['Fitted', 'In the place of', 'On the word of', 'In']
  return (
    <Listed title="Interchange notebook" none="Nothing has replaced anything yet." heads={heads} lines={lines}>
      {({ buildId, build, row }) => (
        <>
          <th scope="row">{row.name}</th>
          <td>{row.replaces}</td>
          <td>{row.onWordOf ?? 'nobody'}</td>
          <td>
            <Link href={`/builds/${buildId}/parts`}>{build}</Link>, {row.by} {row.at.slice(0, 10)}
          </td>
        </>
      )}
    </Listed>
  )
}

function Listed<Row>({
  title,
  none,
  heads,
  lines,
  children,
}: {
  title: string
  none: string
  heads: readonly string[]
  lines: readonly Line<Row>[]
  children: (line: Line<Row>) => ReactNode
}) {
  return (
    <Section aria-label={title}>
      <SectionTitle>{title}</SectionTitle>
      {lines.length === 0 ? (
        <Notice>{none}</Notice>
      ) : (
        <Table scrolls={`${title}: lines`}>
          <Heads of={heads} />
          <tbody>
            {lines.map((line, index) => (
              <tr key={`${line.buildId}/${index}`}>{children(line)}</tr>
            ))}
          </tbody>
        </Table>
      )}
    </Section>
  )
}
