'use client'
import { memo } from 'react'
import styled from 'styled-components'
import type { Bench, Finding, Station } from '@/core/benches'
import type { Build, Reading, UnitSystem } from '@/core/build'
import { decimalsForStep, formatDifference, formatNumber, UNITS } from '@/core/quantity'
import { numerals } from '@/ui/GlobalStyle'
import { VerdictMark } from '@/ui/VerdictMark'
import { showFigure, standingOf, type Standing } from '@/wording'

const Table = styled.table`
  width: 100%; font-size: 13.5px; table-layout: fixed;
  th:first-child { width: 118px; overflow: hidden; text-overflow: ellipsis; } th:last-child { width: 52px; }
  th { font-weight: 500; text-align: left; padding: 0 4px 0 0; white-space: nowrap; }
  thead th { text-align: right; font-weight: 600; font-stretch: 85%; font-size: 13px; padding-bottom: 6px; border-bottom: 1px solid var(--edge); &:first-child { text-align: left; } }
  td { ${numerals} text-align: right; padding: 0; border-bottom: 1px solid var(--hairline); }
  tbody th { border-bottom: 1px solid var(--hairline); font-size: 13.5px; font-stretch: 92%; }
  tbody tr { height: 23px; }
  tr[data-total] > * { border-bottom-color: var(--edge); } tr[data-total] td { padding: 0 7px; font-weight: 600; font-size: 13.5px; white-space: nowrap; } tr[data-total] th { font-weight: 600; }
`
const Cell = styled.button`
  ${numerals} display: inline-flex; align-items: center; justify-content: flex-end; gap: 4px; width: 100%; min-height: 23px; padding: 0 4px; border: 1px solid transparent; border-radius: 2px; background: none; cursor: pointer; font-size: 13.5px;
  &[data-standing='over'], &[data-standing='under'] { color: var(--out); }
  &[data-standing='inDoubt'] { color: var(--doubt); }
  &[data-here] { border-color: var(--scribe); color: var(--scribe); }
  &[data-unsent] { text-decoration: underline dotted 1px; text-underline-offset: 3px; }
  &:hover { border-color: var(--edge); }
`
const Spread = styled.td`color: var(--quiet);`

/** The readings as a builder would rule them: cylinders across, places down, spread at the end. */
export function Sheet({ bench, build, stations, findings, current, unsent, system, onPick }: {
  bench: Bench; build: Build; stations: readonly Station[]; findings: readonly Finding[]; current: string | undefined
  unsent: ReadonlySet<string>; system: UnitSystem; onPick: (id: string) => void
}) {
  const columns = [...new Set(stations.map((station) => station.place.cylinder ?? station.place.bank ?? ''))]
  const rows = [...new Set(stations.map((station) => station.row))]
  const byRow = new Map(rows.map((row) => [row, stations.filter((station) => station.row === row)]))
  const verdicts = new Map(findings.map((finding) => [finding.id, standingOf(finding)]))
  return (
    <Table>
      <thead><tr><th scope="col">{unitsTitle(bench, stations, system)}</th>{columns.map((column) => <th key={column} scope="col">{column}</th>)}<th scope="col">spread</th></tr></thead>
      <tbody>
        {rows.flatMap((row, index) => {
          const inRow = byRow.get(row)!
          const judgedBy = judge(bench, inRow)
          const feeding = rows.filter((one) => judge(bench, byRow.get(one)!) === judgedBy).length
          const total = feeding > 1 && judgedBy !== judge(bench, byRow.get(rows[index + 1] ?? '') ?? []) && judgedBy ? <Total key={`${row}/total`} output={judgedBy} bench={bench} findings={findings} columns={columns} system={system} /> : null
          return [(
            <tr key={row}>
              <th scope="row">{row}</th>
              {columns.map((column) => {
                const station = inRow.find((one) => (one.place.cylinder ?? one.place.bank ?? '') === column)
                if (!station) return <td key={column} />
                const reading = build.readings.current.get(station.id)
                const characteristic = bench.definition.characteristics[station.characteristic]!
                const empty = build.readings.skips.has(station.id) ? 'skip' : '–'
                return (
                  <td key={column}>
                    <ReadingCell
                      id={station.id} label={station.label} here={station.id === current} onPick={onPick} waiting={reading !== undefined && unsent.has(reading.id)}
                      words={reading ? readingWords(reading, build, characteristic.units[system]) : empty}
                      standing={reading && (verdicts.get(`${characteristic.judgedBy ?? ''}.${station.place.cylinder}`) ?? 'noLimit')}
                    />
                  </td>
                )
              })}
              <Spread>{spreadWords(inRow, build, bench, system)}</Spread>
            </tr>
          ), total]
        })}
      </tbody>
    </Table>
  )
}

/** The output the readings of a row go into, if it is one value a cylinder. */
function judge(bench: Bench, inRow: readonly Station[]): string | undefined {
  const first = inRow[0]
  return first && bench.definition.characteristics[first.characteristic]!.judgedBy
}

/** What the rows above come to for each cylinder, with its verdict. */
function Total({ output, bench, findings, columns, system }: {
  output: string; bench: Bench; findings: readonly Finding[]; columns: readonly (string | number)[]; system: UnitSystem
}) {
  const definition = bench.definition.outputs[output]!
  const family = findings.filter((finding) => finding.output === output)
  return (
    <tr data-total="">
      <th scope="row">{definition.label}</th>
      {columns.map((column) => {
        const finding = family.find((one) => one.cylinder === column)
        const standing = finding ? standingOf(finding) : 'notMeasured'
        return (
          <td key={column} style={{ color: standing === 'over' || standing === 'under' ? 'var(--out)' : standing === 'inDoubt' ? 'var(--doubt)' : undefined }}>
            {finding?.figure ? <>{standing !== 'within' && standing !== 'noLimit' && <VerdictMark standing={standing} size={9} />} {showFigure(finding.figure.value, definition, system).value}</> : '–'}
          </td>
        )
      })}
      <td />
    </tr>
  )
}

/** A cell of plain values, so that only those a reading has changed are drawn again. */
const ReadingCell = memo(({ id, label, words, here, waiting, standing, onPick }: {
  id: string; label: string; words: string; here: boolean; waiting: boolean; standing: Standing | undefined; onPick: (id: string) => void
}) => {
  const marked = standing === 'over' || standing === 'under' || standing === 'inDoubt'
  return (
    <Cell
      type="button" tabIndex={here ? 0 : -1} onClick={() => onPick(id)} data-here={here || undefined} data-standing={standing} data-unsent={waiting || undefined}
      aria-current={here ? 'location' : undefined} aria-label={`${label}: ${words === '–' ? 'not measured' : words}${waiting ? ', not sent yet' : ''}`}
    >
      {marked && <VerdictMark standing={standing} size={9} silent />}{words}{waiting ? ' •' : ''}
    </Cell>
  )
})

/** A reading to the digits its gauge resolves. */
function readingWords(reading: Reading, build: Build, unit: Reading['unit']): string {
  const gauge = build.gauges.get(reading.gauge)
  const decimals = decimalsForStep(gauge?.resolution ?? 0.01, unit)
  const low = formatNumber(reading.value, unit, decimals)
  return reading.upper === undefined ? low : `${low}/${formatNumber(reading.upper, unit, decimals)}`
}

function spreadWords(inRow: readonly Station[], build: Build, bench: Bench, system: UnitSystem): string {
  const readings = inRow.flatMap((station) => build.readings.current.get(station.id) ?? [])
  const first = readings[0]
  if (!first || readings.length < 2 || bench.definition.characteristics[first.characteristic]!.passing) return ''
  const unit = bench.definition.characteristics[first.characteristic]!.units[system]
  const values = readings.map((reading) => reading.value)
  const decimals = decimalsForStep(build.gauges.get(first.gauge)?.resolution ?? 0.01, unit)
  return formatDifference(Math.max(...values) - Math.min(...values), unit, decimals)
}

function unitsTitle(bench: Bench, stations: readonly Station[], system: UnitSystem): string {
  return [...new Set(stations.map((station) => UNITS[bench.definition.characteristics[station.characteristic]!.units[system]].symbol))].join(', ')
}
