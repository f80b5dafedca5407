'use client'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { openBuild } from '@/core/benches'
import type { BuildDocument } from '@/core/build'
import { csvTemplate, type CsvReport } from '@/core/files'
import { readCsvInWorker } from '@/workers/csv'
import { Button } from '@/ui/Button'
import { numerals } from '@/ui/GlobalStyle'
import { Lead, Main, Notice, Row, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { rowIssueWords } from '@/wording'
import { documentOf } from '@/features/bench/documentOf'
import { send } from '../send'

const Table = styled.table`
  width: 100%;
  font-size: 14px;
  th {
    text-align: left;
    font-weight: 500;
    font-size: 13px;
    color: var(--quiet);
    padding: 4px 12px 4px 0;
  }
  td {
    padding: 7px 12px 7px 0;
    border-top: 1px solid var(--hairline);
    vertical-align: top;
  }
  td:first-child {
    ${numerals}
  }
  code {
    font-size: 12.5px;
    color: var(--quiet);
    overflow-wrap: anywhere;
  }
`

const MOST_A_SEND = 4000
const TAKEN = 409
/** Enough to see what is wrong with a table; a page of thousands would only be slow. */
const MOST_LISTED = 200

/** Readings from a table: bad rows named, good rows offered, nothing stored until it is asked for, and then all of them or none. */
export function CsvImport({ document }: { document: BuildDocument }) {
  const build = useMemo(() => openBuild(document), [document])
  const [text, setText] = useState('')
  const [taken, setTaken] = useState(false)
  const [report, setReport] = useState<CsvReport>()
  const [said, setSaid] = useState<{ words: string; tone: 'good' | 'bad' }>()
  const home = `/builds/${document.id}`
  const good = report?.rows.flatMap(({ outcome }) => (outcome.state === 'good' ? [outcome.reading] : [])) ?? []
  const bad = report?.rows.filter(({ outcome }) => outcome.state === 'bad') ?? []
  const known = report?.rows.filter(({ outcome }) => outcome.state === 'known').length ?? 0
  const left = report?.rows.filter(({ outcome }) => outcome.state === 'left').length ?? 0

  async function look(file: File | undefined): Promise<void> {
    if (!file) return
    const content = await file.text()
    setText(content)
    await read(content, false)
  }

  async function read(content: string, asCopy: boolean): Promise<void> {
    setSaid({ words: 'Reading…', tone: 'good' })
    setReport(undefined)
    try {
      setReport(await readCsvInWorker(documentOf(build), content, asCopy, new AbortController().signal))
      setSaid(undefined)
    } catch (fault) {
      setSaid({ words: `The table could not be read: ${(fault as Error).message} Nothing was stored.`, tone: 'bad' })
    }
  }

  function takeTemplate(): void {
    const link = window.document.createElement('a')
    link.href = URL.createObjectURL(new Blob([csvTemplate(build)], { type: 'text/csv' }))
    link.download = `${document.spec.name} to fill in.csv`
    link.click()
    URL.revokeObjectURL(link.href)
  }

  async function store(): Promise<void> {
    let added = 0
    // A send holds five thousand; each is stored whole or not at all, and a repeated one is the same readings.
    for (let from = 0; from < good.length; from += MOST_A_SEND) {
      const answer = await send<{ added: number }>(`/api/builds/${document.id}/entries`, {
        entries: good.slice(from, from + MOST_A_SEND),
        whole: true,
      })
      if (!answer.ok) {
        setTaken(answer.status === TAKEN)
        return setSaid({ words: `${answer.error}${added > 0 ? ` ${added} rows before it are stored.` : ''}`, tone: 'bad' })
      }
      added += answer.value.added
    }
    setSaid({ words: `${added} readings stored.${bad.length > 0 ? ` ${bad.length} rows were left out, as listed.` : ''}`, tone: 'good' })
    setReport(report && { ...report, rows: report.rows.filter(({ outcome }) => outcome.state === 'bad') })
  }

  return (
    <>
      <TopBar
        trail={[
          { href: home, words: document.spec.name },
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
        <Row>
          <Button size="small" onPress={takeTemplate}>
            A table to fill in
          </Button>
          <span>a row for every place not read yet, units and gauges filled in</span>
        </Row>
        {taken && (
          <Row>
            <Button
              onPress={() => {
                setTaken(false)
                void read(text, true)
              }}
            >
              Read it as a copy: the rows get ids of their own
            </Button>
          </Row>
        )}
        {said && (
          <Notice data-tone={said.tone} role="status">
            {said.words}
          </Notice>
        )}
        {report && report.headerIssues.length === 0 && said === undefined && (
          <Section>
            <Notice role="status">
              {good.length === 1 ? '1 row is' : `${good.length} rows are`} good, {bad.length} {bad.length === 1 ? 'is' : 'are'} not
              {known > 0 && `, ${known} are stored already`}
              {left > 0 && `, ${left} were struck out or taken back and stay out`}. Nothing is stored yet.
            </Notice>
            <Row>
              <Button kind="primary" isDisabled={good.length === 0} onPress={store}>
                Store the {good.length === 1 ? 'good row' : `${good.length} good rows`}
              </Button>
            </Row>
          </Section>
        )}
        {bad.length > 0 && (
          <Section>
            <SectionTitle>Rows left out</SectionTitle>
            <Table>
              <thead>
                <tr>
                  <th scope="col">Line</th>
                  <th scope="col">What is wrong</th>
                  <th scope="col">The row</th>
                </tr>
              </thead>
              <tbody>
                {bad.slice(0, MOST_LISTED).map(({ line, text, outcome }) => (
                  <tr key={line}>
                    <td>{line}</td>
                    <td>{outcome.state === 'bad' && outcome.issues.map(rowIssueWords).join(' ')}</td>
                    <td>
                      <code>{text}</code>
                    </td>
                  </tr>
                ))}
              </tbody>
            </Table>
            {bad.length > MOST_LISTED && <p>And {bad.length - MOST_LISTED} more: mend these first, then read the table again.</p>}
          </Section>
        )}
      </Main>
    </>
  )
}
