import 'server-only'
import { and, asc, eq, gt, inArray, max } from 'drizzle-orm'
import { asPointedAt, mayPointAt, pointersOf, pointsAt, type Entry, type PointedAt } from '@/core/document'
import type { Connection } from './connection'
import { arrived } from './arrival'
import { chunks, entryOf, rowOf } from './entryRows'
import { againIfOvertaken, Refused, type RefusalCode } from './failure'
import type { GaugeStore } from './gauges'
import { buildTable, entryTable } from './schema'

/** What came of entries that were sent: which are stored now, whether by this send or before it, and which are refused. */
export interface Appended {
  readonly stored: readonly string[]
  readonly refused: readonly { readonly id: string; readonly code: RefusalCode; readonly about: string }[]
  /** How many of them were not known before. */
  readonly added: number
  readonly lastSeq: number
}

export function appendEntries(
  connection: Connection,
  gauges: GaugeStore,
  id: string,
  entries: readonly Entry[],
  whole = false,
): Promise<Appended> {
  // A twin of the same request may come in between: looked at once more, its entries are known.
  return againIfOvertaken(() => append(connection, gauges, id, entries, whole))
}

async function append(
  connection: Connection,
  gauges: GaugeStore,
  id: string,
  entries: readonly Entry[],
  whole: boolean,
): Promise<Appended> {
  const { fresh, known, knownAt, refused } = await sorted(connection, gauges, id, entries)
  const [first] = refused
  if (whole && first) throw new Refused(first.code, first.about)
  const now = new Date().toISOString()
  if (fresh.length > 0) {
    await connection.batch([
      connection.update(buildTable).set({ touchedAt: now }).where(eq(buildTable.id, id)),
      ...chunks(arrived(fresh, now, knownAt)).map((some) => connection.insert(entryTable).values(some.map((one) => rowOf(one, id, now)))),
    ])
  }
  return { stored: [...known, ...fresh.map((entry) => entry.id)], refused, added: fresh.length, lastSeq: await lastSeqOf(connection, id) }
}

export async function entriesAfter(connection: Connection, id: string, seq: number) {
  const rows = await connection
    .select()
    .from(entryTable)
    .where(and(eq(entryTable.buildId, id), gt(entryTable.seq, seq)))
    .orderBy(asc(entryTable.seq))
  return rows.map((row) => ({ seq: row.seq, entry: entryOf(row) }))
}

interface Sorted {
  readonly fresh: readonly Entry[]
  readonly known: readonly string[]
  /** When those that are pointed at were done. */
  readonly knownAt: ReadonlyMap<string, string>
  readonly refused: Appended['refused']
}

/** Entries by what becomes of them: not stored yet, stored already, or pointing at what is not there or is of another kind. */
async function sorted(connection: Connection, gauges: GaugeStore, id: string, entries: readonly Entry[]): Promise<Sorted> {
  const [build] = await connection.select({ id: buildTable.id }).from(buildTable).where(eq(buildTable.id, id))
  if (!build) throw new Refused('noSuchBuild', id)
  const stored = await storedAmong(connection, [...entries.map((entry) => entry.id), ...entries.flatMap(pointsAt)])
  const cards = new Set((await gauges.list()).map((card) => card.id))
  const fresh = new Map<string, Entry>()
  const known = new Set<string>()
  const refused: { id: string; code: RefusalCode; about: string }[] = []
  const targetAt = (target: string): PointedAt | undefined => {
    const coming = fresh.get(target)
    if (coming) return asPointedAt(coming)
    const there = stored.get(target)
    return there?.buildId === id ? there : undefined
  }
  for (const entry of entries) {
    const owner = stored.get(entry.id)?.buildId
    const pointers = pointersOf(entry).map((pointer) => ({ pointer, at: targetAt(pointer.id) }))
    const dangling = pointers.find(({ at }) => !at)
    const wrong = pointers.find(({ at }) => at && !mayPointAt(entry, at))
    if (owner === id) known.add(entry.id)
    else if (owner !== undefined) refused.push({ id: entry.id, code: 'idTaken', about: entry.id })
    else if (entry.kind === 'reading' && !cards.has(entry.gauge)) refused.push({ id: entry.id, code: 'noSuchGauge', about: entry.gauge })
    else if (dangling) refused.push({ id: entry.id, code: 'noSuchTarget', about: dangling.pointer.id })
    else if (wrong) refused.push({ id: entry.id, code: 'wrongTarget', about: wrong.pointer.id })
    else fresh.set(entry.id, entry)
  }
  return { fresh: [...fresh.values()], known: [...known], knownAt: new Map([...stored].map(([one, { at }]) => [one, at])), refused }
}

async function storedAmong(connection: Connection, ids: readonly string[]) {
  const rows = await Promise.all(chunks(ids).map((some) => connection.select().from(entryTable).where(inArray(entryTable.id, some))))
  return new Map(rows.flat().map((row) => [row.id, { ...asPointedAt(entryOf(row)), buildId: row.buildId, at: row.at }]))
}

export async function lastSeqOf(connection: Connection, id: string): Promise<number> {
  const [row] = await connection
    .select({ seq: max(entryTable.seq) })
    .from(entryTable)
    .where(eq(entryTable.buildId, id))
  return row?.seq ?? 0
}
