'use client'
import styled from 'styled-components'
import type { BuildDocument } from '@/core/build'
import { Button } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { caption, numerals, PHONE } from '@/ui/GlobalStyle'
import { Row, TopBar } from '@/ui/Page'
import { VerdictMark } from '@/ui/VerdictMark'
import { isMarked } from '@/wording'
import { bookSheet, PLANNED_TITLE, type BenchSheet, type OutLine } from './bookSheet'

const Paper = styled.main`
  max-width: 860px;
  margin: 24px auto 64px;
  padding: 40px 48px;
  background: var(--raised);
  border: 1px solid var(--hairline);
  display: grid;
  gap: 20px;
  h1 {
    font-size: 28px;
  }
  h2 {
    font-size: 16px;
    border-bottom: 2px solid var(--dye);
    padding-bottom: 4px;
    margin-top: 8px;
  }
  ${PHONE} {
    margin: 0;
    padding: 20px 14px;
    border: 0;
  }
  @media print {
    margin: 0;
    padding: 0;
    border: 0;
    max-width: none;
    font-size: 9.5pt;
  }
`
const Tools = styled.nav`
  max-width: 860px;
  margin: 20px auto 0;
  padding: 0 14px;
  @media print {
    display: none;
  }
`
const Facts = styled.dl`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(170px, 1fr));
  gap: 8px 20px;
  dt {
    ${caption}
  }
`
const Table = styled.table`
  width: 100%;
  font-size: 13px;
  th {
    text-align: left;
    font-weight: 600;
    font-size: 12px;
    padding: 3px 8px 3px 0;
    border-bottom: 1px solid var(--edge);
  }
  td {
    padding: 3px 8px 3px 0;
    border-bottom: 1px solid var(--hairline);
    vertical-align: baseline;
  }
  td[data-number],
  th[data-number] {
    ${numerals} text-align: right;
    white-space: nowrap;
    font-size: 12.5px;
  }
  tr {
    break-inside: avoid;
  }
  small {
    display: block;
    color: var(--quiet);
    font-size: 11px;
  }
  svg {
    position: relative;
    top: 2px;
  }
  @media print {
    font-size: 8.5pt;
    td[data-number] {
      font-size: 8pt;
    }
  }
`
const Scroll = styled.div`
  overflow-x: auto;
`
const Sign = styled.div`
  display: grid;
  grid-template-columns: 1fr 1fr 1fr;
  gap: 32px;
  margin-top: 28px;
  div {
    border-top: 1px solid var(--ink);
    padding-top: 4px;
    font-size: 12px;
  }
  break-inside: avoid;
`

/** The build sheet, to be printed on A4 or Letter in black, or taken as PDF. */
export function BookPage({ document, printedOn }: { document: BuildDocument; printedOn: string }) {
  const device = useDevice()
  const system = device.systemFor(document.spec.units, document.id)
  const sheet = bookSheet(document, system)
  return (
    <>
      <TopBar
        trail={[
          { href: `/builds/${document.id}`, words: document.spec.name },
          { href: '#', words: 'Book' },
        ]}
        ownSystem={document.spec.units}
        buildId={document.id}
      />
      <Tools aria-label="Take it along">
        <Row>
          <Button kind="primary" onPress={() => window.print()}>
            Print
          </Button>
          <a href={`/api/builds/${document.id}/book.pdf?units=${system}`} download>
            PDF, A4
          </a>
          <a href={`/api/builds/${document.id}/book.pdf?units=${system}&size=letter`} download>
            PDF, Letter
          </a>
        </Row>
      </Tools>
      <Paper>
        <header>
          <h1>{sheet.title}</h1>
          <p>
            {sheet.description}. Build sheet, {printedOn}.
          </p>
        </header>
        <Facts>
          {sheet.facts.map(([label, words]) => (
            <div key={label}>
              <dt>{label}</dt>
              <dd>{words}</dd>
            </div>
          ))}
        </Facts>
        <div style={{ height: 150 }}>
          <EngineDrawing layout={document.spec.layout} boreMm={document.spec.paper.bore?.value ?? 85} />
        </div>
        {sheet.benches.length === 0 && <p>Nothing is measured yet.</p>}
        {sheet.benches.length > 0 && (
          <>
            <h2>What stands out</h2>
            {sheet.standsOut.length > 0 ? (
              <StandsOut lines={sheet.standsOut} />
            ) : (
              <p>Nothing: all that is measured and has a limit is within it.</p>
            )}
          </>
        )}
        {sheet.benches.map((bench) => (
          <BenchTables key={bench.title} bench={bench} />
        ))}
        <h2>Paper</h2>
        <Scroll tabIndex={0} role="region" aria-label="Paper">
          <Table>
            <thead>
              <tr>
                <th scope="col">Number</th>
                <th scope="col" data-number>
                  Value
                </th>
                <th scope="col">Source</th>
                <th scope="col">Reason</th>
              </tr>
            </thead>
            <tbody>
              {sheet.paper.map((line) => (
                <tr key={line.label}>
                  <td>{line.label}</td>
                  <td data-number>{line.value}</td>
                  <td>{line.source}</td>
                  <td>{line.reason}</td>
                </tr>
              ))}
            </tbody>
          </Table>
        </Scroll>
        {sheet.gauges.length > 0 && (
          <>
            <h2>Gauges</h2>
            <Table>
              <tbody>
                {sheet.gauges.map((gauge) => (
                  <tr key={gauge.name}>
                    <td>{gauge.name}</td>
                    <td>{gauge.uncertainty}</td>
                    <td>{gauge.checked}</td>
                  </tr>
                ))}
              </tbody>
            </Table>
          </>
        )}
        {sheet.planned.length > 0 && (
          <>
            <h2>{PLANNED_TITLE}</h2>
            <ul>
              {sheet.planned.map((words, index) => (
                <li key={index}>{words}</li>
              ))}
            </ul>
          </>
        )}
        {sheet.notChecked.length > 0 && (
          <>
            <h2>Not checked</h2>
            <ul>
              {sheet.notChecked.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          </>
        )}
        {sheet.crossed.length > 0 && (
          <>
            <h2>Struck out, measured again, skipped, noted</h2>
            <ul>
              {sheet.crossed.map((words, index) => (
                <li key={index}>{words}</li>
              ))}
            </ul>
          </>
        )}
        <p style={{ fontSize: 12 }}>
          ± is the expanded uncertainty (k = 2, or Student’s t at 95 % where few readings are behind it). Verdicts by {sheet.rule}.
          Estimates are marked; the makers’ paperwork and the sanctioning body decide.
        </p>
        <Sign>
          <div>Built by</div>
          <div>Checked by</div>
          <div>Date</div>
        </Sign>
      </Paper>
    </>
  )
}

/** What a reader wants first: what is not as it should be, and what was found about it. */
function StandsOut({ lines }: { lines: readonly OutLine[] }) {
  return (
    <Scroll tabIndex={0} role="region" aria-label="What stands out">
      <Table>
        <thead>
          <tr>
            <th scope="col">Finding</th>
            <th scope="col" data-number>
              Value
            </th>
            <th scope="col">Limit</th>
            <th scope="col">Verdict</th>
          </tr>
        </thead>
        <tbody>
          {lines.map((line) => (
            <tr key={line.label}>
              <td>{line.label}</td>
              <td data-number>{line.value}</td>
              <td>{line.limit}</td>
              <td>
                <VerdictMark standing={line.standing} size={11} silent /> {line.words}
              </td>
            </tr>
          ))}
        </tbody>
      </Table>
    </Scroll>
  )
}

function BenchTables({ bench }: { bench: BenchSheet }) {
  return (
    <>
      <h2>{bench.title}</h2>
      {bench.readings.map((sheet, index) => (
        <Scroll key={index} tabIndex={0} role="region" aria-label={`${bench.title}: readings ${index + 1}`}>
          <Table>
            <thead>
              <tr>
                <th scope="col">Readings</th>
                {sheet.columns.map((column) => (
                  <th key={column} scope="col" data-number>
                    {column}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {sheet.rows.map((row) => (
                <tr key={row.label}>
                  <td>{row.label}</td>
                  {row.cells.map((cell, at) => (
                    <td key={at} data-number>
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Table>
        </Scroll>
      ))}
      {bench.checks.length > 0 && (
        <ul>
          {bench.checks.map((words) => (
            <li key={words}>{words}</li>
          ))}
        </ul>
      )}
      {bench.findings.map((sheet, index) => (
        <Scroll key={index} tabIndex={0} role="region" aria-label={`${bench.title}: findings ${index + 1}`}>
          <Table>
            <thead>
              <tr>
                <th scope="col">Findings</th>
                {sheet.columns.map((column) => (
                  <th key={column} scope="col" data-number>
                    {column}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {sheet.rows.map((row) => (
                <tr key={row.label}>
                  <td>
                    {row.label}
                    {row.under && <small>{row.under}</small>}
                  </td>
                  {row.cells.map((cell, at) => (
                    <td key={at} data-number>
                      {isMarked(cell.standing) && <VerdictMark standing={cell.standing} size={9} />} {cell.words}{' '}
                      {cell.plusMinus && <small>{cell.plusMinus}</small>}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </Table>
        </Scroll>
      ))}
    </>
  )
}
