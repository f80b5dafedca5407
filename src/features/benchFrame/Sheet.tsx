'use client'
import { useEffect, useMemo, useRef } from 'react'
import styled from 'styled-components'
import type { Bench, Finding, Id, Station } from '@/core/bench/bench'
import { findingId } from '@/core/document/place'
import { sheetsOf, type Across, type SheetOf, type SheetRow } from '@/core/bench/sheets'
import type { Build, UnitSystem } from '@/core/document'
import { numerals } from '@/ui/GlobalStyle'
import { VerdictMark } from '@/ui/VerdictMark'
import { columnHeading, showFinding, standingOf, type Standing } from '@/wording'
import { ReadingCell } from './ReadingCell'
import { leastWidthPx, moveInSheet, ROOM_FOR, showHere } from './sheetMoves'
import { longest, markedWords, spreadWords, unitsTitle, unreadWords } from './sheetWords'

const Table = styled.table`
  width: 100%;
  font-size: 13.5px;
  table-layout: fixed;
  & + & {
    margin-top: 14px;
  }
  /* Wider than its place: what a row is stays in sight. */
  &[data-wide] th:first-child {
    position: sticky;
    left: 0;
    z-index: 1;
    background: var(--ground);
  }
  /* One cylinder: the figures stay beside their labels. */
  &[data-only] {
    width: auto;
    min-width: 260px;
    table-layout: auto;
  }
  th:first-child {
    width: 112px;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  &[data-only] th:first-child {
    width: auto;
    min-width: 150px;
    padding-right: 14px;
  }
  /* Two banks: what a row is has the room they leave. */
  &[data-few] th:first-child {
    width: 46%;
  }
  th:last-child:not(:first-child):not([data-only]) {
    width: 50px;
  }
  th {
    font-weight: 500;
    text-align: left;
    padding: 0 4px 0 0;
    white-space: nowrap;
  }
  thead th {
    text-align: right;
    vertical-align: bottom;
    font-weight: 600;
    font-stretch: 85%;
    font-size: 13px;
    padding-bottom: 6px;
    border-bottom: 1px solid var(--edge);
    &:first-child {
      text-align: left;
      white-space: normal;
      line-height: 1.15;
    }
  }
  td {
    ${numerals} text-align: right;
    padding: 0;
    border-bottom: 1px solid var(--hairline);
  }
  tbody th {
    border-bottom: 1px solid var(--hairline);
    font-size: 13.5px;
    font-stretch: 92%;
  }
  tbody tr {
    height: 23px;
  }
  &[data-dense] {
    td,
    td button {
      font-size: 11.5px;
      letter-spacing: -0.045em;
      padding-inline: 1px;
      gap: 1px;
    }
    tr[data-total] td {
      font-size: 11.5px;
      padding: 0 2px;
      svg {
        margin-right: 1px;
      }
    }
    th:first-child {
      width: 104px;
    }
    tbody th {
      font-size: 12.5px;
      font-stretch: 82%;
    }
    th:last-child {
      width: 40px;
    }
  }
  tr[data-total] > * {
    border-bottom-color: var(--edge);
  }
  tr[data-total] td {
    padding: 0 7px;
    font-weight: 600;
    font-size: 13.5px;
    white-space: nowrap;
    svg {
      margin-right: 5px;
    }
  }
  tr[data-total] th {
    font-weight: 600;
  }
`
const Scroller = styled.div`
  overflow-x: auto;
  /* A whole curve: the advice below it stays in reach. */
  &[data-long] {
    max-height: 430px;
    overflow-y: auto;
  }
`
/** More rows than that are a curve, or a torque stepped up on every bolt. */
const LONG_FROM = 40
const Spread = styled.td`
  color: var(--quiet);
`

/** Columns, or characters of a reading, from which the figures stand closer: a feeler's pair from a metric drawer is long in thou. */
const DENSE_FROM = 7
const FEW = 2
const WIDE_WORDS = 8
const ACROSS_WORDS: Readonly<Record<Across, string>> = {
  cylinder: '',
  main: 'mains · ',
  bank: '',
  cam: '',
  valve: '',
  bolt: 'rod · bolt · ',
  joint: '',
  engine: '',
}

/** What every cell of a sheet may need. */
interface CellProps {
  readonly bench: Bench
  readonly build: Build
  readonly current: string | undefined
  readonly unsent: ReadonlySet<string>
  readonly system: UnitSystem
  readonly onPick: (id: string) => void
}

/** The readings as a builder would rule them: cylinders or mains across, places down, spread at the end. */
export function Sheet({
  stations,
  findings,
  ...cells
}: CellProps & { readonly stations: readonly Station[]; readonly findings: readonly Finding[] }) {
  const sheets = useMemo(() => sheetsOf(stations), [stations])
  const byId = new Map(findings.map((finding) => [finding.id, finding]))
  const isLong = sheets.reduce((sum, { rows }) => sum + rows.length, 0) > LONG_FROM
  const scroller = useRef<HTMLDivElement>(null)
  // oxlint-disable-next-line react/exhaustive-effect-dependencies -- the cell in question is the one of `current`
  useEffect(() => showHere(scroller.current), [cells.current])
  return (
    <Scroller ref={scroller} data-long={isLong || undefined}>
      {sheets.map((sheet) => (
        <SheetTable key={sheet.across} sheet={sheet} byId={byId} {...cells} />
      ))}
    </Scroller>
  )
}

/** One sheet of readings: a row a place, and the figure several rows come to under the last of them. */
function SheetTable({ sheet, byId, ...cells }: CellProps & { sheet: SheetOf; byId: ReadonlyMap<string, Finding> }) {
  const { bench, build, system } = cells
  const characters = longest(sheet, build, bench, system)
  const isOnly = sheet.columns.length === 1 || undefined
  const isCompared = hasSpread(bench, sheet)
  return (
    <Table
      style={{ minWidth: leastWidthPx(sheet.columns.length, characters) }}
      onKeyDown={moveInSheet}
      data-only={isOnly}
      data-few={sheet.columns.length === FEW || undefined}
      data-wide={sheet.columns.length > ROOM_FOR || undefined}
      data-dense={sheet.columns.length >= DENSE_FROM || characters > WIDE_WORDS || undefined}
    >
      <thead>
        <tr>
          <th scope="col">
            {ACROSS_WORDS[sheet.across]}
            {unitsTitle(bench, sheet, system)}
          </th>
          {sheet.columns.map((column) => (
            <th key={column} scope="col" data-only={isOnly || !isCompared || undefined}>
              {columnHeading(sheet.across, column)}
            </th>
          ))}
          {!isOnly && isCompared && <th scope="col">spread</th>}
        </tr>
      </thead>
      <tbody>
        {sheet.rows.flatMap((row, index) => [
          <ReadingRow key={row.label} row={row} sheet={sheet} byId={byId} {...cells} />,
          ...(isLastOfSeveral(bench, sheet, index)
            ? linesOf(bench, sheet, row).map((of) => (
                <Total
                  key={`${of.label}/total`}
                  output={judgeOf(bench, row)!}
                  of={of}
                  sheet={sheet}
                  bench={bench}
                  byId={byId}
                  system={system}
                />
              ))
            : []),
        ])}
      </tbody>
    </Table>
  )
}

/** Whether any row of a sheet is worth comparing along. */
function hasSpread(bench: Bench, { rows }: SheetOf): boolean {
  return rows.some(({ characteristic }) => !bench.definition.characteristics[characteristic]!.passing)
}

function ReadingRow({
  row,
  sheet,
  bench,
  build,
  byId,
  current,
  unsent,
  system,
  onPick,
}: CellProps & { row: SheetRow; sheet: SheetOf; byId: ReadonlyMap<string, Finding> }) {
  return (
    <tr>
      <th scope="row">{row.label}</th>
      {sheet.columns.map((column) => {
        const station = row.stations.get(column)
        if (!station) return <td key={column} />
        const reading = build.readings.current.get(station.id)
        const characteristic = bench.definition.characteristics[station.characteristic]!
        const judged = characteristic.judgedBy && byId.get(findingId(characteristic.judgedBy, station.place))
        return (
          <td key={column}>
            <ReadingCell
              id={station.id}
              label={station.label}
              here={station.id === current}
              onPick={onPick}
              waiting={reading !== undefined && unsent.has(reading.id)}
              words={reading ? markedWords(reading, build, station, characteristic.units[system]) : unreadWords(build, station)}
              standing={reading && (judged ? standingOf(judged) : 'noLimit')}
            />
          </td>
        )
      })}
      {sheet.columns.length > 1 && hasSpread(bench, sheet) && <Spread>{spreadWords(row, build, bench, system)}</Spread>}
    </tr>
  )
}

/** The output the readings of a row go into, if it is one value a column. */
function judgeOf(bench: Bench, row: SheetRow | undefined): Id | undefined {
  return row && bench.definition.characteristics[row.characteristic]!.judgedBy
}

/** After the last of several rows that go into one value stands the value, once, by however many ways it was read. */
function isLastOfSeveral(bench: Bench, sheet: SheetOf, index: number): boolean {
  const output = judgeOf(bench, sheet.rows[index])
  const feeding = sheet.rows.filter((row) => judgeOf(bench, row) === output).length
  return output !== undefined && feeding > 1 && sheet.rows.findLastIndex((row) => judgeOf(bench, row) === output) === index
}

/** The rows whose places one value each is of: the first, or the first of every line. */
function linesOf(bench: Bench, sheet: SheetOf, row: SheetRow): readonly SheetRow[] {
  const feeding = sheet.rows.filter((other) => judgeOf(bench, other) === judgeOf(bench, row))
  return feeding.filter((one, index) => feeding.findIndex(({ line }) => line === one.line) === index)
}

const TOTAL_COLOURS: Readonly<Partial<Record<Standing, string>>> = { over: 'var(--out)', under: 'var(--out)', inDoubt: 'var(--doubt)' }

/** What the rows above come to in each column, with its verdict. */
function Total({
  output,
  of,
  sheet,
  bench,
  byId,
  system,
}: {
  output: Id
  of: SheetRow
  sheet: SheetOf
  bench: Bench
  byId: ReadonlyMap<string, Finding>
  system: UnitSystem
}) {
  const definition = bench.definition.outputs[output]!
  const { stations, line } = of
  return (
    <tr data-total="">
      <th scope="row">{line === undefined ? definition.label : `${definition.label}, ${line}`}</th>
      {sheet.columns.map((column) => {
        const finding = byId.get(findingId(output, stations.get(column)?.place ?? {}))
        const standing = finding ? standingOf(finding) : 'notMeasured'
        return (
          <td key={column} style={{ color: TOTAL_COLOURS[standing] }}>
            {finding?.figure ? (
              <>
                {standing !== 'within' && standing !== 'noLimit' && <VerdictMark standing={standing} size={9} />}
                {showFinding(finding, finding.figure.value, definition, system).value}
              </>
            ) : (
              '–'
            )}
          </td>
        )
      })}
      {sheet.columns.length > 1 && hasSpread(bench, sheet) && <td />}
    </tr>
  )
}
