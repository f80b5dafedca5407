'use client'
import styled from 'styled-components'
import type { Build, BuildDocument } from '@/core/document'
import { csvTemplate, type CsvReport } from '@/core/files'
import { Button } from '@/ui/Button'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { rowIssueWords } from '@/wording'
import { Heads, Table } from '@/ui/Table'
import { Row as ButtonRow } from '@/ui/Layout'
import { useCsvImport } from './useCsvImport'

const Raw = styled.code`
  font-size: 12.5px;
  color: var(--quiet);
  overflow-wrap: anywhere;
`

/** Enough to see what is wrong with a table; a page of thousands would only be slow. */
const MOST_LISTED = 200

/** Readings from a table: bad rows named, good rows offered, nothing stored until it is asked for, and then all of them or none. */
export function CsvImport({ document }: { document: BuildDocument }) {
  const { build, report, said, taken, look, readAsCopy, store } = useCsvImport(document)
  const rows = report?.rows ?? []
  const bad = rows.filter(({ outcome }) => outcome.state === 'bad')
  return (
    <>
      <TopBar
        trail={[
          { href: `/builds/${document.id}`, words: document.spec.name },
          { href: '#', words: 'Bring readings in' },
        ]}
      />
      <Main>
        <Title>Bring readings in</Title>
        <Lead>A CSV table, one reading a row, as “Readings as CSV” writes it. Each row is looked at before anything is stored.</Lead>
        <label>
          <b>CSV file</b>
          <br />
          <input type="file" accept=".csv,text/csv" onChange={(event) => look(event.target.files?.[0])} style={{ marginTop: 8 }} />
        </label>
        {report?.headerIssues.map((issue, index) => (
          <Notice key={index} data-tone="bad" role="alert">
            {rowIssueWords(issue)} Nothing was stored.
          </Notice>
        ))}
        <ButtonRow>
          <Button size="small" onPress={() => takeTemplate(build)}>
            A table to fill in
          </Button>
          <span>a row for every place not read yet, units and gauges filled in</span>
        </ButtonRow>
        {taken && (
          <ButtonRow>
            <Button onPress={readAsCopy}>Read it as a copy: the rows get ids of their own</Button>
          </ButtonRow>
        )}
        {said && (
          <Notice data-tone={said.tone} role="status">
            {said.words}
          </Notice>
        )}
        {report && report.headerIssues.length === 0 && said === undefined && <CheckedRows rows={rows} store={store} />}
        {bad.length > 0 && <LeftOut bad={bad} />}
      </Main>
    </>
  )
}

type Row = CsvReport['rows'][number]

/** What was looked at, and what storing it would do. */
function CheckedRows({ rows, store }: { rows: readonly Row[]; store: () => void }) {
  const count = (state: Row['outcome']['state']) => rows.filter(({ outcome }) => outcome.state === state).length
  const [good, bad, known, left] = [count('good'), count('bad'), count('known'), count('left')]
  return (
    <Section>
      <Notice role="status">
        {good === 1 ? '1 row is' : `${good} rows are`} good, {bad} {bad === 1 ? 'is' : 'are'} not
        {known > 0 && `, ${known} are stored already`}
        {left > 0 && `, ${left} were struck out or taken back and stay out`}. Nothing is stored yet.
      </Notice>
      <ButtonRow>
        <Button kind="primary" isDisabled={good === 0} onPress={store}>
          Store the {good === 1 ? 'good row' : `${good} good rows`}
        </Button>
      </ButtonRow>
    </Section>
  )
}

function LeftOut({ bad }: { bad: readonly Row[] }) {
  return (
    <Section>
      <SectionTitle>Rows left out</SectionTitle>
      <Table>
        <Heads of={['Line', 'What is wrong', 'The row']} />
        <tbody>
          {bad.slice(0, MOST_LISTED).map(({ line, text, outcome }) => (
            <tr key={line}>
              <td data-figure>{line}</td>
              <td>{outcome.state === 'bad' && outcome.issues.map(rowIssueWords).join(' ')}</td>
              <td>
                <Raw>{text}</Raw>
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
      {bad.length > MOST_LISTED && <p>And {bad.length - MOST_LISTED} more: mend these first, then read the table again.</p>}
    </Section>
  )
}

/** A table with a row for every place that is not read yet. */
function takeTemplate(build: Build): void {
  const link = window.document.createElement('a')
  link.href = URL.createObjectURL(new Blob([csvTemplate(build)], { type: 'text/csv' }))
  link.download = `${build.spec.name} to fill in.csv`
  link.click()
  URL.revokeObjectURL(link.href)
}
