'use client'
import styled from 'styled-components'
import type { BuildDocument, UnitSystem } from '@/core/document'
import { Button } from '@/ui/Button'
import { useDevice } from '@/ui/device'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { caption, PHONE } from '@/ui/GlobalStyle'
import { TopBar } from '@/ui/Page'
import { Row } from '@/ui/Layout'
import { bookSheet, PLANNED_TITLE, WALK_TITLE, PARTS_TITLE, type BookSheet } from './bookSheet'
import { BenchTables, GaugeTable, PaperTable, StandsOut, WordList } from './BookTables'

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
      <TakeAlong id={document.id} system={system} />
      <Paper>
        <header>
          <h1>{sheet.title}</h1>
          <p>
            {sheet.description}. Build sheet, {printedOn}.
          </p>
        </header>
        <FactList facts={sheet.facts} />
        <div style={{ height: 150 }}>
          <EngineDrawing layout={document.spec.layout} boreMm={document.spec.paper.bore?.value ?? 85} />
        </div>
        {sheet.benches.length === 0 && <p>Nothing is measured yet.</p>}
        {sheet.benches.length > 0 && <StandsOut lines={sheet.standsOut} />}
        {sheet.benches.map((bench) => (
          <BenchTables key={bench.title} bench={bench} />
        ))}
        {sheet.joints.map(({ title, lines }) => (
          <WordList key={title} title={title} lines={lines} />
        ))}
        <h2>Paper</h2>
        <PaperTable lines={sheet.paper} />
        {sheet.gauges.length > 0 && (
          <>
            <h2>Gauges</h2>
            <GaugeTable gauges={sheet.gauges} />
          </>
        )}
        <WordList title={PLANNED_TITLE} lines={sheet.planned} />
        <WordList title={WALK_TITLE} lines={sheet.walk} />
        <WordList title={PARTS_TITLE} lines={sheet.parts} />
        <WordList title="Not checked" lines={sheet.notChecked} />
        <WordList title="Struck out, measured again, skipped, noted" lines={sheet.crossed} />
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

/** The sheet on paper: printed from the page, or as a file. */
function TakeAlong({ id, system }: { id: string; system: UnitSystem }) {
  return (
    <Tools aria-label="Take it along">
      <Row>
        <Button kind="primary" onPress={() => window.print()}>
          Print
        </Button>
        <a href={`/api/builds/${id}/book.pdf?units=${system}`} download>
          PDF, A4
        </a>
        <a href={`/api/builds/${id}/book.pdf?units=${system}&size=letter`} download>
          PDF, Letter
        </a>
      </Row>
    </Tools>
  )
}

function FactList({ facts }: { facts: BookSheet['facts'] }) {
  return (
    <Facts>
      {facts.map(([label, words]) => (
        <div key={label}>
          <dt>{label}</dt>
          <dd>{words}</dd>
        </div>
      ))}
    </Facts>
  )
}
