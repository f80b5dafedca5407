/**
 * Entries as programs kept them before migration 18, in one table with a column for everything: how they are read, and how they are
 * moved to the table of documents. Never edited: the databases of those programs do not change any more.
 */
import type { Transaction } from '@libsql/client'
import canonicalize from 'canonicalize'
import { withPresentName, type Entry } from '@/core/document'
import { entryOf, rowOf, type EntryRow } from './entryRows'

/** Why entries stay where they are. */
export class NotMoved extends Error {
  override readonly name = 'NotMoved'
}

/** A row by the names of its columns; empty ones are null. */
export type FlatRow = Readonly<Record<string, unknown>>

const STAMP = ['seq', 'build_id', 'received_at', 'device_at', 'kind', 'id', 'at', 'by']
const PLACE = ['cylinder', 'main', 'bank', 'cam', 'valve', 'bolt', 'spot', 'cycle', 'torque', 'degree', 'repeat']
const STATION = { characteristic: 'characteristic' }

/** Where the fields of a kind stood. Kinds with `place` had a column an axis besides, and `details` held more fields as JSON. */
const KINDS: Readonly<
  Record<Entry['kind'], { readonly place?: true; readonly details?: true; readonly fields: Readonly<Record<string, string>> }>
> = {
  reading: {
    place: true,
    fields: {
      ...STATION,
      value: 'value',
      upper: 'upper',
      plusMinus: 'plus_minus',
      unit: 'unit',
      asTyped: 'as_typed',
      gauge: 'gauge',
      partTempC: 'part_temp_c',
      gaugeTempC: 'gauge_temp_c',
      strokes: 'strokes',
      partState: 'part_state',
      turnedBack: 'turned_back',
      supersedes: 'supersedes',
      settles: 'settles',
    },
  },
  skip: { place: true, fields: { ...STATION, reason: 'words' } },
  note: { place: true, fields: { ...STATION, text: 'words' } },
  check: { place: true, fields: { ...STATION, passed: 'passed', text: 'words' } },
  move: { place: true, fields: { target: 'target', reason: 'words' } },
  strike: { fields: { target: 'target', reason: 'words' } },
  undo: { fields: { target: 'target' } },
  pull: {
    fields: {
      joint: 'joint',
      run: 'run',
      did: 'did',
      follows: 'target',
      instead: 'settles',
      way: 'way',
      device: 'device',
      stage: 'stage',
      fastener: 'fastener',
      value: 'value',
      unit: 'unit',
      angleDeg: 'angle_deg',
      wrench: 'wrench',
      reason: 'words',
    },
  },
  step: { fields: { step: 'step', did: 'did', reason: 'words', text: 'note', answer: 'answer', part: 'part', second: 'second' } },
  change: { fields: { what: 'what', text: 'words' } },
  part: { details: true, fields: { part: 'part', did: 'did' } },
  damage: { details: true, fields: { damage: 'part', did: 'did' } },
}

/** What a column held as something else than it means. */
const MEANT: Readonly<Record<string, (held: unknown) => unknown>> = {
  turned_back: Boolean,
  passed: Boolean,
  settles: (held) => JSON.parse(String(held)) as unknown,
}

/** @throws NotMoved if a column is filled that its kind has no field for: it would be lost */
export function entryOfFlat(row: FlatRow): Entry {
  const { place, details, fields } = KINDS[row.kind as Entry['kind']]
  const columns = [...STAMP, ...Object.values(fields), ...(place ? PLACE : []), ...(details ? ['details'] : [])]
  const lost = Object.keys(row).find((column) => row[column] !== null && !columns.includes(column))
  if (lost !== undefined) throw new NotMoved(`Entry ${String(row.id)}: a ${String(row.kind)} with ${lost}`)
  return withPresentName({
    kind: row.kind,
    id: row.id,
    at: row.at,
    by: row.by,
    ...filled(row, fields),
    ...(place && { place: filled(row, Object.fromEntries(PLACE.map((axis) => [axis, axis]))) }),
    ...(details && (JSON.parse(String(row.details)) as object)),
  }) as Entry
}

function filled(row: FlatRow, fields: Readonly<Record<string, string>>): Record<string, unknown> {
  return Object.fromEntries(
    Object.entries(fields).flatMap(([field, column]) => {
      const held = row[column]
      return held === null || held === undefined ? [] : [[field, MEANT[column]?.(held) ?? held]]
    }),
  )
}

/** As many values as SQLite takes in one statement, and no more memory than a build takes. */
const ROWS_AT_ONCE = 1000
const COLUMNS = ['seq', 'id', 'build_id', 'kind', 'body', 'at', 'by', 'received_at']
const VALUES = `(${COLUMNS.map(() => '?').join(', ')})`

/**
 * Copies every row of `entry_flat` to `entry`, reads it back, and compares: place in the order, build, times and the canonical bytes of
 * the entry (RFC 8785). Then the counts of both tables.
 * @throws NotMoved where anything is another than it was, before the transaction is committed
 */
export async function moveFlatEntries(transaction: Transaction): Promise<void> {
  for (let after = 0; ;) {
    const args = [after, ROWS_AT_ONCE]
    const { rows } = await transaction.execute({ sql: 'SELECT * FROM entry_flat WHERE seq > ? ORDER BY seq LIMIT ?', args })
    const last = rows.at(-1)
    if (!last) break
    await moveRows(transaction, rows, after, Number(last.seq))
    after = Number(last.seq)
  }
  const counts = await transaction.execute('SELECT (SELECT count(*) FROM entry_flat) AS old, (SELECT count(*) FROM entry) AS moved')
  const { old, moved } = counts.rows[0]!
  if (old !== moved) throw new NotMoved(`Of ${String(old)} entries ${String(moved)} were moved`)
}

async function moveRows(transaction: Transaction, rows: readonly FlatRow[], after: number, last: number): Promise<void> {
  const old = rows.map((row) => ({ row, entry: entryOfFlat(row), deviceAt: row.device_at ?? undefined }))
  const values = old.map(({ row, entry, deviceAt }) => {
    const { id, kind, body, at, by } = rowOf({ entry, ...(deviceAt !== undefined && { deviceAt: String(deviceAt) }) }, '', '')
    return [Number(row.seq), id, String(row.build_id), kind, body, at, by, String(row.received_at)]
  })
  await transaction.execute({
    sql: `INSERT INTO entry (${COLUMNS.join(', ')}) VALUES ${values.map(() => VALUES).join(', ')}`,
    args: values.flat(),
  })
  const moved = await transaction.execute({ sql: 'SELECT * FROM entry WHERE seq > ? AND seq <= ? ORDER BY seq', args: [after, last] })
  for (const [at, { row, entry, deviceAt }] of old.entries()) {
    const there = moved.rows[at] as (EntryRow & FlatRow) | undefined
    if (!there || bytesOf(row, entry, deviceAt) !== bytesOf(there, entryOf(there), deviceAtOf(there)))
      throw new NotMoved(`Entry ${String(row.id)} is another after it was moved`)
  }
}

function bytesOf({ seq, build_id, received_at }: FlatRow, entry: Entry, deviceAt: unknown): string {
  return canonicalize([seq, build_id, received_at, deviceAt, entry])!
}

function deviceAtOf({ body }: EntryRow): unknown {
  return (JSON.parse(body) as { at?: string }).at
}
