/** Readings as a tidy table: one reading a row, the unit named beside the number. */
import Papa from 'papaparse'
import { findUnit, formatExact, toCanonical, UNITS, type UnitId } from '../quantity'
import type { Build } from './build'
import { stationId } from './readings'
import type { Reading } from './types'

export const CSV_COLUMNS = [
  'id', 'characteristic', 'cylinder', 'main', 'bank', 'spot', 'repeat', 'value', 'upper', 'unit', 'as_typed', 'gauge', 'part_temp_c', 'gauge_temp_c', 'strokes', 'at', 'by', 'state',
] as const
type Column = (typeof CSV_COLUMNS)[number]

/** Cells a spreadsheet would run; plain negative numbers are left alone. */
const FORMULA_LIKE = /^(?:[=@\t\r]|[+-](?!\d*[.,]?\d+$)).*$/

/** Every reading ever taken, oldest first, with what became of it. */
export function readingsToCsv(build: Build): string {
  const rows = [...build.readings.history.values()].flat()
    .flatMap(({ entry, state }) => (entry.kind === 'reading' ? [{ entry, state }] : []))
    .sort((a, b) => (a.entry.id < b.entry.id ? -1 : 1))
    .map(({ entry, state }): Record<Column, string | number> => ({
      id: entry.id, characteristic: entry.characteristic,
      cylinder: entry.place.cylinder ?? '', main: entry.place.main ?? '', bank: entry.place.bank ?? '', spot: entry.place.spot ?? '', repeat: entry.place.repeat ?? '',
      value: formatExact(entry.value, entry.unit), upper: entry.upper === undefined ? '' : formatExact(entry.upper, entry.unit),
      unit: UNITS[entry.unit].symbol, as_typed: entry.asTyped, gauge: build.gauges.get(entry.gauge)?.name ?? entry.gauge,
      part_temp_c: entry.partTempC ?? '', gauge_temp_c: entry.gaugeTempC ?? '', strokes: entry.strokes ?? '', at: entry.at, by: entry.by, state,
    }))
  return `${Papa.unparse(rows, { columns: [...CSV_COLUMNS], newline: '\n', escapeFormulae: FORMULA_LIKE })}\n`
}

export type RowIssue =
  | { readonly code: 'missingColumn'; readonly column: Column }
  | { readonly code: 'broken'; readonly detail: string }
  | { readonly code: 'unknownPlace'; readonly station: string }
  | { readonly code: 'badNumber'; readonly column: Column; readonly text: string }
  | { readonly code: 'badUnit'; readonly text: string }
  | { readonly code: 'unknownGauge'; readonly text: string }
  | { readonly code: 'badTime'; readonly text: string }
  | { readonly code: 'noInitials' }
  | { readonly code: 'badId'; readonly text: string }
  | { readonly code: 'absurd'; readonly value: number; readonly low: number; readonly high: number; readonly unit: UnitId }

export interface CsvRow {
  /** Line of the file, the header being 1. */
  readonly line: number
  readonly text: string
  readonly outcome:
    | { readonly state: 'good'; readonly reading: Reading }
    | { readonly state: 'known' }
    | { readonly state: 'left'; readonly why: string }
    | { readonly state: 'bad'; readonly issues: readonly RowIssue[] }
}

/** A place readings may be taken at, as the benches list them. */
export interface CsvStation {
  readonly id: string
  readonly expected: { readonly low: number; readonly high: number }
  readonly unit: UnitId
}

export type CsvReport = { readonly rows: readonly CsvRow[]; readonly headerIssues: readonly RowIssue[] }

const REQUIRED: readonly Column[] = ['characteristic', 'value', 'unit', 'gauge', 'at', 'by']
const PLAIN_NUMBER = /^[+-]?\d+(?:[.,]\d+)?$/
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i

/**
 * Reads a table row by row against a build: good rows become readings, bad rows say what is wrong with them, rows already
 * stored are known. Nothing is stored here. `makeId` supplies an id for rows without one.
 */
export function readingsFromCsv(text: string, build: Build, stations: readonly CsvStation[], makeId: () => string): CsvReport {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), { header: true, skipEmptyLines: 'greedy', transformHeader: (name) => name.trim() })
  const headerIssues = REQUIRED.filter((column) => !parsed.meta.fields?.includes(column)).map((column): RowIssue => ({ code: 'missingColumn', column }))
  if (headerIssues.length > 0) return { rows: [], headerIssues }
  const stationById = new Map(stations.map((station) => [station.id, station]))
  const gaugeByName = new Map([...build.gauges.values()].flatMap((gauge) => [[gauge.id, gauge], [gauge.name.toLowerCase(), gauge]] as const))
  const rows = parsed.data.map((row, index): CsvRow => {
    const broken = parsed.errors.filter((error) => error.row === index).map((error): RowIssue => ({ code: 'broken', detail: error.message }))
    const line = index + 2
    const text = CSV_COLUMNS.map((column) => row[column] ?? '').join(',')
    if (broken.length > 0) return { line, text, outcome: { state: 'bad', issues: broken } }
    return { line, text, outcome: readRow(row) }
  })
  return { rows, headerIssues: [] }

  function readRow(row: Record<string, string>): CsvRow['outcome'] {
    const cell = (column: Column) => (row[column] ?? '').trim().replace(/^'(?=[=+\-@])/, '')
    if (cell('id') !== '' && build.entries.some((entry) => entry.id === cell('id'))) return { state: 'known' }
    if (cell('state') === 'struck' || cell('state') === 'takenBack') return { state: 'left', why: cell('state') }
    const issues: RowIssue[] = []
    const place = {
      cylinder: wholeNumber('cylinder', cell('cylinder')), main: wholeNumber('main', cell('main')), bank: (cell('bank') || undefined) as Reading['place']['bank'],
      spot: cell('spot') || undefined, repeat: wholeNumber('repeat', cell('repeat')),
    }
    const at = stationId(cell('characteristic'), place)
    const station = stationById.get(at)
    if (!station) issues.push({ code: 'unknownPlace', station: at })
    const value = measured('value')
    const upper = cell('upper') === '' ? undefined : measured('upper')
    const partTempC = temperature('part_temp_c')
    const gaugeTempC = temperature('gauge_temp_c')
    const strokes = wholeNumber('strokes', cell('strokes'))
    const gauge = gaugeByName.get(cell('gauge').toLowerCase()) ?? gaugeByName.get(cell('gauge'))
    if (!gauge) issues.push({ code: 'unknownGauge', text: cell('gauge') })
    const time = new Date(cell('at'))
    if (!/^\d{4}-\d{2}-\d{2}T/.test(cell('at')) || Number.isNaN(time.getTime())) issues.push({ code: 'badTime', text: cell('at') })
    if (cell('by') === '') issues.push({ code: 'noInitials' })
    if (cell('id') !== '' && !UUID.test(cell('id'))) issues.push({ code: 'badId', text: cell('id') })
    if (station && value && (value.value < station.expected.low || value.value > station.expected.high)) {
      issues.push({ code: 'absurd', value: value.value, ...station.expected, unit: value.unit })
    }
    if (issues.length > 0 || !value || !gauge) return { state: 'bad', issues }
    return {
      state: 'good',
      reading: {
        kind: 'reading', id: cell('id') || makeId(), at: time.toISOString(), by: cell('by').slice(0, 8),
        characteristic: cell('characteristic'), place: withoutEmpty(place), value: value.value, ...(upper && { upper: upper.value }),
        unit: value.unit, asTyped: (cell('as_typed') || `${cell('value')} ${cell('unit')}`).slice(0, 64), gauge: gauge.id, ...withoutEmpty({ partTempC, gaugeTempC, strokes }),
      },
    }

    function wholeNumber(column: Column, text: string): number | undefined {
      if (text === '') return undefined
      if (/^\d{1,3}$/.test(text)) return Number(text)
      issues.push({ code: 'badNumber', column, text })
      return undefined
    }

    function temperature(column: 'part_temp_c' | 'gauge_temp_c'): number | undefined {
      if (cell(column) === '') return undefined
      if (PLAIN_NUMBER.test(cell(column))) return Number(cell(column).replace(',', '.'))
      issues.push({ code: 'badNumber', column, text: cell(column) })
      return undefined
    }

    /** The unit is a column of its own here, so the number must be a plain one: no fractions, no shorthand. */
    function measured(column: 'value' | 'upper'): { value: number; unit: UnitId } | undefined {
      if (!station) return undefined
      const { kind } = UNITS[station.unit]
      const unit = cell('unit') === '' ? undefined : findUnit(cell('unit'), kind)
      if (unit === undefined || UNITS[unit].kind !== kind) {
        if (column === 'value') issues.push({ code: 'badUnit', text: cell('unit') })
        return undefined
      }
      if (!PLAIN_NUMBER.test(cell(column))) {
        issues.push({ code: 'badNumber', column, text: cell(column) })
        return undefined
      }
      return { value: toCanonical(Number(cell(column).replace(',', '.')), unit), unit }
    }
  }
}

function withoutEmpty<Fields extends object>(fields: Fields): Fields {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Fields
}

