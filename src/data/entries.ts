import 'server-only'
import { and, asc, eq, gt, inArray, max } from 'drizzle-orm'
import { pointsAt, type Entry } from '@/core/build'
import type { Connection } from './connection'
import { chunks, entryOf, rowOf } from './entryRows'
import { Refused, type RefusalCode } from './failure'
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

export async function appendEntries(
  connection: Connection,
  gauges: GaugeStore,
  id: string,
  entries: readonly Entry[],
  whole = false,
): Promise<Appended> {
  const { fresh, known, refused } = await sorted(connection, gauges, id, entries)
  const [first] = refused
  if (whole && first) throw new Refused(first.code, first.about)
  const now = new Date().toISOString()
  if (fresh.length > 0) {
    await connection.batch([
      connection.update(buildTable).set({ touchedAt: now }).where(eq(buildTable.id, id)),
      // A twin of the same request may have come in between: the unique id keeps it to one row.
      ...chunks(fresh).map((some) =>
        connection
          .insert(entryTable)
          .values(some.map((entry) => rowOf(entry, id, now)))
          .onConflictDoNothing({ target: entryTable.id }),
      ),
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

/** Entries by what becomes of them: not stored yet, stored already, or pointing at what is not there. */
async function sorted(
  connection: Connection,
  gauges: GaugeStore,
  id: string,
  entries: readonly Entry[],
): Promise<{ fresh: readonly Entry[]; known: readonly string[]; refused: Appended['refused'] }> {
  const [build] = await connection.select({ id: buildTable.id }).from(buildTable).where(eq(buildTable.id, id))
  if (!build) throw new Refused('noSuchBuild', id)
  const buildOf = await buildsOf(connection, [...entries.map((entry) => entry.id), ...entries.flatMap(pointsAt)])
  const cards = new Set((await gauges.list()).map((card) => card.id))
  const coming = new Set<string>()
  const fresh = new Map<string, Entry>()
  const known = new Set<string>()
  const refused: { id: string; code: RefusalCode; about: string }[] = []
  for (const entry of entries) {
    const owner = buildOf.get(entry.id)
    const astray = pointsAt(entry).find((target) => buildOf.get(target) !== id && !coming.has(target))
    if (owner === id) known.add(entry.id)
    else if (owner !== undefined) refused.push({ id: entry.id, code: 'idTaken', about: entry.id })
    else if (entry.kind === 'reading' && !cards.has(entry.gauge)) refused.push({ id: entry.id, code: 'noSuchGauge', about: entry.gauge })
    else if (astray !== undefined) refused.push({ id: entry.id, code: 'noSuchTarget', about: astray })
    else {
      coming.add(entry.id)
      fresh.set(entry.id, entry)
    }
  }
  return { fresh: [...fresh.values()], known: [...known], refused }
}

async function buildsOf(connection: Connection, ids: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows = await Promise.all(
    chunks(ids).map((some) =>
      connection.select({ id: entryTable.id, buildId: entryTable.buildId }).from(entryTable).where(inArray(entryTable.id, some)),
    ),
  )
  return new Map(rows.flat().map((row) => [row.id, row.buildId]))
}

export async function lastSeqOf(connection: Connection, id: string): Promise<number> {
  const [row] = await connection
    .select({ seq: max(entryTable.seq) })
    .from(entryTable)
    .where(eq(entryTable.buildId, id))
  return row?.seq ?? 0
}
