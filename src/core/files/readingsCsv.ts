/** Readings as a tidy table: one reading a row, the unit named beside the number. */
import Papa from 'papaparse'
import { z } from 'zod'
import { BENCHES } from '../benches'
import { gaugesFor } from '../bench/gaugeChoice'
import type { Build } from '../build/build'
import type { Id } from '../build/ids'
import { presentName } from '../build/oldNames'
import { isLaterState, PART_STATES, partStateOf, type PartState } from '../build/partState'
import { stationId } from '../build/place'
import type { Entry, Gauge, Place, Reading } from '../build/types'
import { differenceToCanonical, findUnit, formatExact, toCanonical, UNITS, differenceInUnit, type UnitId } from '../quantity'
import { entryIssues } from './door'
import type { FileIssue } from './fileIssue'
import { printed } from '../numerics/printed'

export const CSV_COLUMNS = [
  'id',
  'characteristic',
  'cylinder',
  'main',
  'bank',
  'spot',
  'repeat',
  'value',
  'upper',
  'plus_minus',
  'unit',
  'as_typed',
  'gauge',
  'part_temp_c',
  'gauge_temp_c',
  'strokes',
  'part_state',
  'at',
  'by',
  'state',
  'supersedes',
  'settles',
] as const
type Column = (typeof CSV_COLUMNS)[number]

/** Cells a spreadsheet would run, also behind a line break; plain negative numbers are left alone. */
const FORMULA_LIKE = /^(?:[=@\t\r\n]|[+-](?!\d*[.,]?\d+$))[\s\S]*$/

function csvOf(rows: readonly Partial<Record<Column, string | number>>[]): string {
  return `${Papa.unparse([...rows], { columns: [...CSV_COLUMNS], newline: '\n', escapeFormulae: FORMULA_LIKE })}\n`
}

/** Every reading ever taken, in the order it was stored, with what became of it. */
export function readingsToCsv(build: Build): string {
  const stateOf = new Map(
    [...build.readings.history.values()]
      .flat()
      .filter(({ state }) => state !== 'movedAway')
      .map(({ entry, state }) => [entry.id, state]),
  )
  const rows = build.entries.flatMap((stored): Partial<Record<Column, string | number>>[] => {
    if (stored.kind !== 'reading') return []
    const reading = build.readings.byId.get(stored.id) ?? (stored as Reading)
    const { place, unit } = reading
    return [
      {
        id: reading.id,
        characteristic: reading.characteristic,
        ...place,
        value: formatExact(reading.value, unit),
        ...(reading.upper !== undefined && { upper: formatExact(reading.upper, unit) }),
        ...(reading.plusMinus !== undefined && { plus_minus: printed(differenceInUnit(reading.plusMinus, unit)) }),
        unit: UNITS[unit].symbol,
        as_typed: reading.asTyped,
        gauge: build.gauges.get(reading.gauge)?.name ?? reading.gauge,
        part_temp_c: reading.partTempC,
        gauge_temp_c: reading.gaugeTempC,
        strokes: reading.strokes,
        part_state: reading.partState,
        at: reading.at,
        by: reading.by,
        state: stateOf.get(reading.id) ?? 'current',
        supersedes: reading.supersedes,
        settles: reading.settles?.join(' '),
      },
    ]
  })
  return csvOf(rows)
}

/** A table to fill in: a row for every place not read yet, in walking order, with the unit and the gauge it is usually read with. */
export function csvTemplate(build: Build): string {
  const gauges = [...build.gauges.values()]
  const { units } = build.spec
  return csvOf(
    BENCHES.flatMap((bench) =>
      bench
        .stations(build)
        .filter(({ id }) => !build.readings.current.has(id))
        .map(({ characteristic, place }) => {
          const definition = bench.definition.characteristics[characteristic]!
          return {
            characteristic,
            ...place,
            unit: UNITS[definition.units[units]].symbol,
            gauge: gaugesFor(definition, gauges, units)[0]?.name ?? '',
          }
        }),
    ),
  )
}

export type RowIssue =
  | { readonly code: 'missingColumn'; readonly column: Column }
  | { readonly code: 'broken'; readonly detail: string }
  | { readonly code: 'unknownPlace'; readonly station: string }
  | { readonly code: 'badNumber'; readonly column: Column; readonly text: string }
  | { readonly code: 'badUnit'; readonly text: string }
  | { readonly code: 'badState'; readonly text: string }
  | { readonly code: 'unknownGauge'; readonly text: string }
  | { readonly code: 'badTime'; readonly text: string }
  | { readonly code: 'noInitials' }
  | { readonly code: 'longInitials'; readonly text: string }
  | { readonly code: 'badId'; readonly text: string }
  | { readonly code: 'doubleId'; readonly text: string }
  | { readonly code: 'unknownTarget'; readonly text: string }
  | { readonly code: 'absurd'; readonly value: number; readonly low: number; readonly high: number; readonly unit: UnitId }
  | { readonly code: 'door'; readonly issue: FileIssue }

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

export function csvStations(build: Build): readonly CsvStation[] {
  return BENCHES.flatMap((bench) =>
    bench
      .stations(build)
      .map((station) => ({
        id: station.id,
        expected: station.expected,
        unit: bench.definition.characteristics[station.characteristic]!.units[build.spec.units],
      })),
  )
}

const REQUIRED: readonly Column[] = ['characteristic', 'value', 'unit', 'gauge', 'at', 'by']
const PLAIN_NUMBER = /^[+-]?\d{1,15}(?:[.,]\d{1,15})?(?:e[+-]?\d{1,3})?$/i
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
/** 2026-03-01, 2026-03-01 10:00, 2026-03-01T10:00:00Z: a time without a zone is the shop's own. */
const TIME = /^\d{4}-\d{2}-\d{2}(?:[T ]\d{2}:\d{2}(?::\d{2}(?:\.\d{1,9})?)?(?:Z|[+-]\d{2}:?\d{2})?)?$/
const MOST_INITIALS = 8
const MOST_AS_TYPED = 64

export interface CsvOptions {
  /** An id for a row without one. */
  readonly makeId: () => string
  /** Every row gets an id of its own: the readings of another build, brought into this one. */
  readonly asCopy?: boolean
}

/**
 * Reads a table row by row against a build: good rows become readings, bad rows say what is wrong with them, rows already
 * stored are known. Nothing is stored here. A row for a place that is read already, or stands twice in the table, supersedes
 * what was there before it unless it says what it supersedes.
 */
export function readingsFromCsv(text: string, build: Build, stations: readonly CsvStation[], options: CsvOptions): CsvReport {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\uFEFF/, ''), {
    header: true,
    skipEmptyLines: 'greedy',
    transformHeader: (name) => name.trim().toLowerCase(),
  })
  const headerIssues = REQUIRED.filter((column) => !parsed.meta.fields?.includes(column)).map((column): RowIssue => ({
    code: 'missingColumn',
    column,
  }))
  if (headerIssues.length > 0) return { rows: [], headerIssues }
  const broken = new Map(parsed.errors.flatMap((error) => (error.row === undefined ? [] : [[error.row, error.message] as const])))
  const reader = new RowReader(build, stations, options)
  const rows = parsed.data.map((row, index): CsvRow => {
    const fault = broken.get(index)
    const line = index + 2
    const words = CSV_COLUMNS.map((column) => row[column] ?? '').join(',')
    return {
      line,
      text: words,
      outcome: fault === undefined ? reader.read(row) : { state: 'bad', issues: [{ code: 'broken', detail: fault }] },
    }
  })
  return { rows, headerIssues: [] }
}

/** Reads one row after the other, remembering what the rows before it have brought. */
class RowReader {
  private readonly build: Build
  private readonly options: CsvOptions
  private readonly stored: ReadonlySet<string>
  private readonly stationById: ReadonlyMap<string, CsvStation>
  private readonly gaugeByName: ReadonlyMap<string, Gauge>
  /** What stands at each place: in the build, and then by the rows read so far. */
  private readonly standing: Map<string, Pick<Reading, 'id' | 'partState'>>
  /** The id each id of the table became. */
  private readonly idOf = new Map<string, string>()

  constructor(build: Build, stations: readonly CsvStation[], options: CsvOptions) {
    this.build = build
    this.options = options
    this.stored = new Set(build.entries.map((entry: Entry) => entry.id))
    this.stationById = new Map(stations.map((station) => [station.id, station]))
    const names = [...build.gauges.values()].flatMap((gauge) => [gauge.id, gauge.name].map((name) => [name.toLowerCase(), gauge] as const))
    this.gaugeByName = new Map(names)
    this.standing = new Map(build.readings.current)
  }

  read(row: Readonly<Record<string, string>>): CsvRow['outcome'] {
    const cell = (column: Column) => (row[column] ?? '').trim().replace(/^'(?=[=+\-@\t\r\n])/, '')
    if (!this.options.asCopy && cell('id') !== '' && this.stored.has(cell('id'))) return { state: 'known' }
    const state = cell('state')
    if (state === 'struck' || state === 'takenBack') return { state: 'left', why: state }
    const issues: RowIssue[] = []
    const reading = this.reading(cell, issues)
    return issues.length > 0 || !reading ? { state: 'bad', issues } : { state: 'good', reading }
  }

  /** The reading a row brings; none where an issue is in the way. What it brings is remembered. */
  private reading(cell: Cells, issues: RowIssue[]): Reading | undefined {
    const where = this.where(cell, issues)
    const measured = where.station && measuredFrom(cell, where.station, issues)
    const id = this.id(cell('id'), issues)
    const stamp = stampFrom(cell, issues)
    const extras = this.extras(cell, where.at, issues)
    if (issues.length > 0 || !measured || !where.gauge || !stamp || id === undefined) return undefined
    const reading: Reading = {
      kind: 'reading',
      id,
      ...stamp,
      characteristic: where.characteristic,
      place: where.place,
      ...measured,
      asTyped: (cell('as_typed') || `${cell('value')} ${cell('unit')}`).slice(0, MOST_AS_TYPED),
      gauge: where.gauge.id,
      ...extras,
    }
    issues.push(...this.doorIssues(reading, where.gauge))
    if (issues.length > 0) return undefined
    const before = this.standing.get(where.at)
    if (!before || !isLaterState(partStateOf(before), partStateOf(reading))) this.standing.set(where.at, reading)
    if (cell('id') !== '') this.idOf.set(cell('id'), id)
    return reading
  }

  private where(cell: Cells, issues: RowIssue[]) {
    const place = placeFrom(cell, issues)
    const characteristic = presentName(cell('characteristic')) as Id
    const at = stationId(characteristic, place)
    const station = this.stationById.get(at)
    if (!station) issues.push({ code: 'unknownPlace', station: at })
    const gauge = this.gaugeByName.get(cell('gauge').toLowerCase())
    if (!gauge) issues.push({ code: 'unknownGauge', text: cell('gauge') })
    return { place, characteristic, at, station, gauge }
  }

  /** What a reading may have beside its value; what was there before it is superseded where it is of the part in the same state. */
  private extras(cell: Cells, at: string, issues: RowIssue[]) {
    const before = this.standing.get(at)
    // A row that does not say is of the part as it was read last: a table of corrections need not repeat it.
    const partState = partStateFrom(cell, issues) ?? before?.partState
    const isOfOne = before !== undefined && partStateOf(before) === partStateOf({ partState })
    const settles = cell('settles')
      .split(/\s+/)
      .filter(Boolean)
      .flatMap((one) => this.earlier(one, issues) ?? [])
    return withoutEmpty({
      partTempC: temperature(cell, 'part_temp_c', issues),
      gaugeTempC: temperature(cell, 'gauge_temp_c', issues),
      strokes: wholeNumber(cell, 'strokes', issues),
      partState,
      supersedes: this.earlier(cell('supersedes'), issues) ?? (isOfOne ? before.id : undefined),
      settles: settles.length > 0 ? settles : undefined,
    })
  }

  private id(text: string, issues: RowIssue[]): string | undefined {
    const { makeId, asCopy } = this.options
    if (text === '') return makeId()
    if (!UUID.test(text)) issues.push({ code: 'badId', text })
    else if (this.idOf.has(text)) issues.push({ code: 'doubleId', text })
    else return asCopy ? makeId() : text
    return undefined
  }

  /** What a row says it supersedes: an entry of the build, or a row above it. */
  private earlier(text: string, issues: RowIssue[]): string | undefined {
    if (text === '') return undefined
    const { asCopy } = this.options
    const known = this.idOf.get(text) ?? (!asCopy && this.stored.has(text) ? text : undefined)
    // The reading it corrected was left out of the table or is another build's: the row stands by itself.
    if (known === undefined && !asCopy) issues.push({ code: 'unknownTarget', text })
    return known
  }

  private doorIssues(reading: Reading, gauge: Gauge): RowIssue[] {
    return entryIssues(reading, this.build.spec, new Map([[gauge.id, gauge]])).map((issue): RowIssue => ({ code: 'door', issue }))
  }
}

type Cells = (column: Column) => string

function placeFrom(cell: Cells, issues: RowIssue[]): Place {
  const bank = cell('bank')
  return withoutEmpty({
    cylinder: wholeNumber(cell, 'cylinder', issues),
    main: wholeNumber(cell, 'main', issues),
    bank: bank === 'left' || bank === 'right' ? bank : undefined,
    spot: cell('spot') || undefined,
    repeat: wholeNumber(cell, 'repeat', issues),
  })
}

function stampFrom(cell: Cells, issues: RowIssue[]): { at: string; by: string } | undefined {
  const time = timeOf(cell('at'))
  if (!time) issues.push({ code: 'badTime', text: cell('at') })
  const by = cell('by')
  if (by === '') issues.push({ code: 'noInitials' })
  else if (by.length > MOST_INITIALS) issues.push({ code: 'longInitials', text: by })
  return time && { at: time.toISOString(), by }
}

/** The moment a cell names; none for a day the calendar has not, which a date parser would take for the next month's. */
function timeOf(text: string): Date | undefined {
  const day = text.slice(0, 'yyyy-mm-dd'.length)
  if (!TIME.test(text) || !z.iso.date().safeParse(day).success) return undefined
  const time = new Date(text === day ? `${day}T00:00` : text.replace(' ', 'T'))
  return Number.isNaN(time.getTime()) ? undefined : time
}

function wholeNumber(cell: Cells, column: Column, issues: RowIssue[]): number | undefined {
  const text = cell(column)
  if (text === '') return undefined
  if (/^[1-9]\d{0,2}$/.test(text)) return Number(text)
  issues.push({ code: 'badNumber', column, text })
  return undefined
}

const SHOP_C = { low: -30, high: 60 }

function partStateFrom(cell: Cells, issues: RowIssue[]): PartState | undefined {
  const text = cell('part_state')
  const known = PART_STATES.find((state) => state.toLowerCase() === text.toLowerCase())
  if (text !== '' && !known) issues.push({ code: 'badState', text })
  return known
}

function temperature(cell: Cells, column: 'part_temp_c' | 'gauge_temp_c', issues: RowIssue[]): number | undefined {
  const text = cell(column)
  if (text === '') return undefined
  const value = PLAIN_NUMBER.test(text) ? Number(text.replace(',', '.')) : Number.NaN
  if (value >= SHOP_C.low && value <= SHOP_C.high) return value
  issues.push({ code: 'badNumber', column, text })
  return undefined
}

/** The unit is a column of its own here, so the number must be a plain one: no fractions, no shorthand. */
function measuredFrom(
  cell: Cells,
  station: CsvStation,
  issues: RowIssue[],
): Pick<Reading, 'value' | 'upper' | 'plusMinus' | 'unit'> | undefined {
  const { kind } = UNITS[station.unit]
  const unit = cell('unit') === '' ? undefined : findUnit(cell('unit'), kind)
  if (unit === undefined || UNITS[unit].kind !== kind) {
    issues.push({ code: 'badUnit', text: cell('unit') })
    return undefined
  }
  const number = (column: 'value' | 'upper' | 'plus_minus'): number | undefined => {
    if (column !== 'value' && cell(column) === '') return undefined
    if (PLAIN_NUMBER.test(cell(column))) return Number(cell(column).replace(',', '.'))
    issues.push({ code: 'badNumber', column, text: cell(column) })
    return undefined
  }
  const [value, upper, plusMinus] = [number('value'), number('upper'), number('plus_minus')]
  if (value === undefined) return undefined
  const canonical = toCanonical(value, unit)
  if (canonical < station.expected.low || canonical > station.expected.high)
    issues.push({ code: 'absurd', value: canonical, ...station.expected, unit })
  return {
    value: canonical,
    unit,
    ...(upper !== undefined && { upper: toCanonical(upper, unit) }),
    ...(plusMinus !== undefined && { plusMinus: differenceToCanonical(Math.abs(plusMinus), unit) }),
  }
}

function withoutEmpty<Fields extends object>(fields: Fields): Fields {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as Fields
}
