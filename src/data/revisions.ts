import 'server-only'
import { and, desc, eq, max } from 'drizzle-orm'
import { withUsual } from '@/core/benches'
import { BUILD_VERSION, migrateSpec, type Spec } from '@/core/document'
import type { Connection } from './connection'
import { causesOf, Refused } from './failure'
import { buildTable, revisionTable } from './schema'

export interface Revision {
  readonly number: number
  readonly at: string
  readonly by: string
  readonly reason: string
}

export async function reviseSpec(
  connection: Connection,
  id: string,
  basedOn: number,
  spec: Spec,
  by: string,
  reason: string,
): Promise<number> {
  const [latest] = await connection
    .select({ number: max(revisionTable.number) })
    .from(revisionTable)
    .where(eq(revisionTable.buildId, id))
  if (latest?.number == null) throw new Refused('noSuchBuild', id)
  if (latest.number !== basedOn) throw new Refused('staleRevision', String(latest.number))
  const at = new Date().toISOString()
  const number = basedOn + 1
  try {
    await connection.batch([
      connection.insert(revisionTable).values({ buildId: id, number, spec: JSON.stringify(spec), version: BUILD_VERSION, at, by, reason }),
      connection
        .update(buildTable)
        .set({ touchedAt: at, putAway: spec.putAway === true })
        .where(eq(buildTable.id, id)),
    ])
  } catch (cause) {
    // Two people saved at once: the database let one through.
    if (/UNIQUE|PRIMARY KEY|is stored already/i.test(causesOf(cause))) throw new Refused('staleRevision', String(number))
    throw cause
  }
  return number
}

export async function revisionsOf(connection: Connection, id: string): Promise<readonly Revision[]> {
  return connection
    .select({ number: revisionTable.number, at: revisionTable.at, by: revisionTable.by, reason: revisionTable.reason })
    .from(revisionTable)
    .where(eq(revisionTable.buildId, id))
    .orderBy(desc(revisionTable.number))
}

export async function specAt(connection: Connection, id: string, number: number): Promise<Spec | undefined> {
  const [row] = await connection
    .select({ spec: revisionTable.spec, version: revisionTable.version })
    .from(revisionTable)
    .where(and(eq(revisionTable.buildId, id), eq(revisionTable.number, number)))
  return row && specOf(row)
}

/** When a build was put here: its file's entries arrived in the same moment. */
export async function startOf(connection: Connection, buildId: string): Promise<string | undefined> {
  const [first] = await connection
    .select({ at: revisionTable.at })
    .from(revisionTable)
    .where(and(eq(revisionTable.buildId, buildId), eq(revisionTable.number, 1)))
  return first?.at
}

export async function latestRevision(connection: Connection, id: string) {
  const [latest] = await connection
    .select()
    .from(revisionTable)
    .where(eq(revisionTable.buildId, id))
    .orderBy(desc(revisionTable.number))
    .limit(1)
  return latest && { number: latest.number, spec: specOf(latest) }
}

/** A spec as this program knows it, whichever version of the program stored it. @throws Refused where that was a newer one. */
function specOf(row: { spec: string; version: number }): Spec {
  if (row.version > BUILD_VERSION) throw new Refused('newerBuild', String(row.version))
  return withUsual(migrateSpec(JSON.parse(row.spec) as object, row.version))
}
