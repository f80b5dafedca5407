'use client'
import { useMemo, useState } from 'react'
import styled from 'styled-components'
import { v7 as uuidV7 } from 'uuid'
import { BENCHES } from '@/core/benches'
import { openBuild, type BuildDocument } from '@/core/build'
import { readingsFromCsv, type CsvReport, type CsvStation } from '@/core/build/files'
import { Button } from '@/ui/Button'
import { numerals } from '@/ui/GlobalStyle'
import { Lead, Main, Notice, Row, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { rowIssueWords } from '@/wording'
import { send } from '../send'

const Table = styled.table`
  width: 100%; font-size: 14px; th { text-align: left; font-weight: 500; font-size: 13px; color: var(--quiet); padding: 4px 12px 4px 0; } td { padding: 7px 12px 7px 0; border-top: 1px solid var(--hairline); vertical-align: top; }
  td:first-child { ${numerals} } code { font-size: 12.5px; color: var(--quiet); overflow-wrap: anywhere; }
`

/** Readings from a table: bad rows named, good rows offered, nothing stored until it is asked for, and then all of them or none. */
export function CsvImport({ document }: { document: BuildDocument }) {
  const build = useMemo(() => openBuild(document), [document])
  const [report, setReport] = useState<CsvReport>()
  const [said, setSaid] = useState<{ words: string; tone: 'good' | 'bad' }>()
  const home = `/builds/${document.id}`
  const good = report?.rows.flatMap(({ outcome }) => (outcome.state === 'good' ? [outcome.reading] : [])) ?? []
  const bad = report?.rows.filter(({ outcome }) => outcome.state === 'bad') ?? []
  const known = report?.rows.filter(({ outcome }) => outcome.state === 'known').length ?? 0
  const left = report?.rows.filter(({ outcome }) => outcome.state === 'left').length ?? 0

  async function look(file: File | undefined): Promise<void> {
    if (!file) return
    const stations: CsvStation[] = BENCHES.flatMap((bench) => bench.stations(build).map((station) => ({
      id: station.id, expected: station.expected, unit: bench.definition.characteristics[station.characteristic]!.units[build.spec.units],
    })))
    setSaid(undefined)
    setReport(readingsFromCsv(await file.text(), build, stations, uuidV7))
  }

  async function store(): Promise<void> {
    const answer = await send<{ stored: number }>(`/api/builds/${document.id}/entries`, { entries: good })
    if (!answer.ok) return setSaid({ words: answer.error, tone: 'bad' })
    setSaid({ words: `${answer.value.stored} readings stored.${bad.length > 0 ? ` ${bad.length} rows were left out, as listed.` : ''}`, tone: 'good' })
    setReport(report && { ...report, rows: report.rows.filter(({ outcome }) => outcome.state === 'bad') })
  }

  return (
    <>
      <TopBar trail={[{ href: home, words: document.spec.name }, { href: '#', words: 'Bring readings in' }]} />
      <Main>
        <Title>Bring readings in</Title>
        <Lead>A CSV table, one reading a row, as “Readings as CSV” writes it. Each row is looked at before anything is stored.</Lead>
        <label>
          <b>CSV file</b><br />
          <input type="file" accept=".csv,text/csv" onChange={(event) => look(event.target.files?.[0])} style={{ marginTop: 8 }} />
        </label>
        {report?.headerIssues.map((issue, index) => <Notice key={index} data-tone="bad" role="alert">{rowIssueWords(issue)} Nothing was stored.</Notice>)}
        {said && <Notice data-tone={said.tone} role="status">{said.words}</Notice>}
        {report && report.headerIssues.length === 0 && !(said?.tone === 'good') && (
          <Section>
            <Notice role="status">{good.length === 1 ? '1 row is' : `${good.length} rows are`} good, {bad.length} {bad.length === 1 ? 'is' : 'are'} not{known > 0 && `, ${known} are stored already`}{left > 0 && `, ${left} were struck out or taken back and stay out`}. Nothing is stored yet.</Notice>
            <Row><Button kind="primary" isDisabled={good.length === 0} onPress={store}>Store the {good.length === 1 ? 'good row' : `${good.length} good rows`}</Button></Row>
          </Section>
        )}
        {bad.length > 0 && (
          <Section>
            <SectionTitle>Rows left out</SectionTitle>
            <Table>
              <thead><tr><th scope="col">Line</th><th scope="col">What is wrong</th><th scope="col">The row</th></tr></thead>
              <tbody>{bad.map(({ line, text, outcome }) => (
                <tr key={line}><td>{line}</td><td>{outcome.state === 'bad' && outcome.issues.map(rowIssueWords).join(' ')}</td><td><code>{text}</code></td></tr>
              ))}</tbody>
            </Table>
          </Section>
        )}
      </Main>
    </>
  )
}
