import { eq, getTableColumns, sql } from 'drizzle-orm'
import type { SQLiteColumn } from 'drizzle-orm/sqlite-core'
import {
  presentName,
  type DamageEntry,
  type Entry,
  type Id,
  type PartEntry,
  type Place,
  type PointedAt,
  type Pull,
  type StepEntry,
} from '@/core/build'
import type { StepAction } from '@/core/build/walkStages'
import { AXIS_FORMS } from '@/core/build/place'
import type { Arrived } from './arrival'
import type { Connection } from './connection'
import { entryTable } from './schema'

type Row = typeof entryTable.$inferSelect
type NewRow = typeof entryTable.$inferInsert

const COLUMNS: readonly (readonly [name: string, column: SQLiteColumn])[] = Object.entries(getTableColumns(entryTable))

/**
 * The rows of a build in the order they were stored, fetched as one JSON text: the client makes an object a row and a value
 * at a time, which for 500 readings took seven times as long (28 ms against 4).
 */
export async function rowsOfBuild(connection: Connection, buildId: string): Promise<readonly Row[]> {
  const values = sql.join(
    COLUMNS.map(([, column]) => asJson(column)),
    sql`, `,
  )
  const [found] = await connection
    .select({ rows: sql<string>`json_group_array(json_array(${values}))` })
    .from(entryTable)
    .where(eq(entryTable.buildId, buildId))
  return (JSON.parse(found!.rows) as unknown[][]).map(rowFrom).sort((a, b) => a.seq - b.seq)
}

/** SQLite's JSON keeps 15 digits of a real; 17 bring the same double back. */
function asJson(column: SQLiteColumn) {
  return column.getSQLType() === 'real' ? sql`iif(${column} is null, null, printf('%!.17g', ${column}))` : sql`${column}`
}

function rowFrom(values: readonly unknown[]): Row {
  return Object.fromEntries(COLUMNS.map(([name, column], index) => [name, valueFrom(column, values[index])])) as Row
}

function valueFrom(column: SQLiteColumn, value: unknown): unknown {
  if (value === null || value === undefined) return null
  return column.getSQLType() === 'real' ? Number(value) : column.mapFromDriverValue(value)
}

export function rowOf({ entry, deviceAt }: Arrived, buildId: string, receivedAt: string): NewRow {
  const { id, kind, at, by } = entry
  const stamp = { id, buildId, kind, at, by, receivedAt, ...(deviceAt !== undefined && { deviceAt }) }
  switch (entry.kind) {
    case 'reading': {
      // A reading's columns carry the names of what they hold.
      const { place, settles, ...said } = entry
      return { ...stamp, ...said, ...place, settles: settles && JSON.stringify(settles) }
    }
    case 'skip':
      return { ...stamp, characteristic: entry.characteristic, ...entry.place, words: entry.reason }
    case 'note':
      return { ...stamp, characteristic: entry.characteristic, ...entry.place, words: entry.text }
    case 'check':
      return { ...stamp, characteristic: entry.characteristic, ...entry.place, passed: entry.passed, words: entry.text }
    case 'strike':
      return { ...stamp, target: entry.target, words: entry.reason }
    case 'move':
      return { ...stamp, ...entry.place, target: entry.target, words: entry.reason }
    case 'undo':
      return { ...stamp, target: entry.target }
    case 'pull': {
      const { follows, instead, reason, ...said } = entry
      return { ...stamp, ...said, target: follows, settles: instead && JSON.stringify(instead), words: reason }
    }
    case 'step': {
      const { reason, text, ...said } = entry
      return { ...stamp, ...said, words: reason, note: text }
    }
    case 'change':
      return { ...stamp, what: entry.what, words: entry.text }
    case 'part': {
      const { kind: _, id: __, at: ___, by: ____, part, did, ...said } = entry
      return { ...stamp, part, did, details: JSON.stringify(said) }
    }
    case 'damage': {
      const { kind: _, id: __, at: ___, by: ____, damage, did, ...said } = entry
      return { ...stamp, part: damage, did, details: JSON.stringify(said) }
    }
  }
}

/** @throws if a column the kind needs is empty: the table has been written to by something else. */
export function entryOf(row: Row): Entry {
  const stamp = { id: row.id, at: row.at, by: row.by }
  switch (row.kind) {
    case 'reading':
      return {
        kind: 'reading',
        ...stamp,
        characteristic: characteristicOf(row),
        place: placeOf(row),
        value: needed(row, 'value'),
        ...optional({ upper: row.upper, plusMinus: row.plusMinus }),
        unit: needed(row, 'unit'),
        asTyped: needed(row, 'asTyped'),
        gauge: needed(row, 'gauge'),
        ...optional({
          partTempC: row.partTempC,
          gaugeTempC: row.gaugeTempC,
          strokes: row.strokes,
          partState: row.partState,
          turnedBack: row.turnedBack === true ? (true as const) : null,
          supersedes: row.supersedes,
        }),
        ...(row.settles !== null && { settles: JSON.parse(row.settles) as string[] }),
      }
    case 'skip':
      return { kind: 'skip', ...stamp, characteristic: characteristicOf(row), place: placeOf(row), reason: needed(row, 'words') }
    case 'note':
      return { kind: 'note', ...stamp, characteristic: characteristicOf(row), place: placeOf(row), text: needed(row, 'words') }
    case 'check':
      return {
        kind: 'check',
        ...stamp,
        characteristic: characteristicOf(row),
        place: placeOf(row),
        passed: needed(row, 'passed'),
        ...optional({ text: row.words }),
      }
    case 'strike':
      return { kind: 'strike', ...stamp, target: needed(row, 'target'), reason: needed(row, 'words') }
    case 'move':
      return { kind: 'move', ...stamp, target: needed(row, 'target'), place: placeOf(row), reason: needed(row, 'words') }
    case 'undo':
      return { kind: 'undo', ...stamp, target: needed(row, 'target') }
    case 'pull':
      return pullOf(row)
    case 'step':
      return stepOf(row)
    case 'change':
      return { kind: 'change', ...stamp, what: needed(row, 'what'), text: needed(row, 'words') }
    case 'part':
      return { kind: 'part', ...stamp, part: needed(row, 'part'), did: needed(row, 'did') as PartEntry['did'], ...saidIn(row) }
    case 'damage':
      return { kind: 'damage', ...stamp, damage: needed(row, 'part'), did: needed(row, 'did') as DamageEntry['did'], ...saidIn(row) }
  }
}

function saidIn(row: Row): object {
  return JSON.parse(needed(row, 'details')) as object
}

function stepOf(row: Row): StepEntry {
  const { id, at, by, words, note, answer, part, second } = row
  const did = needed(row, 'did') as StepAction
  return { kind: 'step', id, at, by, step: needed(row, 'step'), did, ...optional({ reason: words, text: note, answer, part, second }) }
}

function pullOf(row: Row): Pull {
  const { id, at, by, target, settles, way, stage, fastener, value, unit, angleDeg, wrench, words } = row
  return {
    kind: 'pull',
    id,
    at,
    by,
    joint: needed(row, 'joint'),
    run: needed(row, 'run'),
    did: needed(row, 'did') as Pull['did'],
    device: needed(row, 'device'),
    ...optional({ follows: target, way, stage, fastener, value, unit, angleDeg, wrench, reason: words }),
    ...(settles !== null && { instead: JSON.parse(settles) as string[] }),
  }
}

/** What decides whether another entry may point at a row: of a pull its run, of what became of a part or a damage what began it. */
export function pointedAtOf({ kind, run, part }: Pick<Row, 'kind' | 'run' | 'part'>): PointedAt {
  if (kind === 'pull') return { kind, subject: run ?? undefined }
  return { kind, subject: kind === 'part' || kind === 'damage' ? (part ?? undefined) : undefined }
}

/** Rows are never rewritten: one stored under a name of an older version is read under the present one. */
function characteristicOf(row: Row): Id {
  return presentName(needed(row, 'characteristic')) as Id
}

/** Each axis of a place has a column of its name. */
function placeOf(row: Row): Place {
  return optional(Object.fromEntries(AXIS_FORMS.map(([axis]) => [axis, row[axis]]))) as Place
}

/** The columns that are filled. */
function optional<Columns extends Record<string, unknown>>(columns: Columns): { [Name in keyof Columns]?: NonNullable<Columns[Name]> } {
  return Object.fromEntries(Object.entries(columns).filter(([, value]) => value !== null)) as {
    [Name in keyof Columns]?: NonNullable<Columns[Name]>
  }
}

function needed<Column extends keyof Row>(row: Row, column: Column): NonNullable<Row[Column]> {
  const value = row[column]
  if (value === null || value === undefined) throw new Error(`Entry ${row.id}: a ${row.kind} without ${column}`)
  return value as NonNullable<Row[Column]>
}

/** SQLite takes a limited number of values a statement. */
const ROWS_PER_INSERT = 400

export function chunks<T>(items: readonly T[]): T[][] {
  return Array.from({ length: Math.ceil(items.length / ROWS_PER_INSERT) }, (_, index) =>
    items.slice(index * ROWS_PER_INSERT, (index + 1) * ROWS_PER_INSERT),
  )
}
