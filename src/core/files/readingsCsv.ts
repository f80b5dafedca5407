/** Readings as a tidy table: one reading a row, the unit named beside the number. */
import Papa from 'papaparse'
import { BENCHES } from '../benches'
import { gaugesFor } from '../bench/gaugeChoice'
import type { Build } from '../document/build'
import type { Id } from '../document/ids'
import { presentName } from '../document/oldNames'
import { isLaterState, partStateOf } from '../document/partState'
import { stationId } from '../document/place'
import type { Entry, Gauge, Reading } from '../document/types'
import { formatExact, UNITS, differenceInUnit } from '../units'
import {
  CSV_COLUMNS,
  measuredFrom,
  partStateFrom,
  turnedBackFrom,
  placeFrom,
  stampFrom,
  temperature,
  wholeNumber,
  withoutEmpty,
  type Cells,
  type Column,
  type CsvStation,
  type RowIssue,
} from './csvCells'
import { entryIssues } from './door'
import { printed } from '../numerics/printed'

/** Cells a spreadsheet would run, also behind a line break; plain negative numbers are left alone. */
const FORMULA_LIKE = /^(?:[=@\t\r\n]|[+-](?!\d*[.,]?\d+$))[\s\S]*$/

/** Where cells are parted by semicolons or tabs, what stands behind one begins a cell of its own. */
const FORMULA_INSIDE = /([;\t])(?=[=+\-@])/g
const FORMULA_INSIDE_KEPT = /([;\t])'(?=[=+\-@])/g

function unrunnable(cell: string | number | undefined): string | number | undefined {
  return typeof cell === 'string' ? cell.replace(FORMULA_INSIDE, "$1'") : cell
}

function csvOf(rows: readonly Partial<Record<Column, string | number>>[]): string {
  const sound = rows.map((row) => Object.fromEntries(Object.entries(row).map(([column, cell]) => [column, unrunnable(cell)])))
  return `${Papa.unparse(sound, { columns: [...CSV_COLUMNS], newline: '\n', escapeFormulae: FORMULA_LIKE })}\n`
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
        turned_back: reading.turnedBack && 'yes',
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
const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[1-8][0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/
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
    const cell = (column: Column) =>
      (row[column] ?? '')
        .trim()
        .replace(/^'(?=[=+\-@\t\r\n])/, '')
        .replace(FORMULA_INSIDE_KEPT, '$1')
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
      turnedBack: turnedBackFrom(cell, issues),
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
