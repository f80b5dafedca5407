import 'server-only'
import { eq } from 'drizzle-orm'
import { BUILD_FORMAT, BUILD_VERSION, type BuildDocument, type Gauge, type Spec } from '@/core/document'
import type { Connection } from './connection'
import { lastSeqOf } from './entries'
import { entriesOfBuild } from './entryRows'
import type { GaugeStore } from './gauges'
import { latestRevision, startOf } from './revisions'
import { buildTable } from './schema'

export interface StoredBuild {
  readonly document: BuildDocument
  readonly revision: number
  readonly lastSeq: number
  /** Entries that came with its file, the first of them: nobody here saw them made. */
  readonly cameWithFile: number
}

/** A build without its entries. */
export interface BuildHead {
  readonly spec: Spec
  readonly gauges: readonly Gauge[]
  readonly revision: number
  /** The last entry there is, in the order of arrival. */
  readonly lastSeq: number
}

export async function loadBuild(connection: Connection, gauges: GaugeStore, id: string): Promise<StoredBuild | undefined> {
  const [head] = await connection.select().from(buildTable).where(eq(buildTable.id, id))
  if (!head) return undefined
  const [revision, startedAt, stored, cards] = await Promise.all([
    latestRevision(connection, id),
    startOf(connection, id),
    entriesOfBuild(connection, id),
    gauges.list(),
  ])
  if (!revision) throw new Error(`Build ${id} has no revision`)
  const document: BuildDocument = {
    format: BUILD_FORMAT,
    version: BUILD_VERSION,
    id,
    createdAt: head.createdAt,
    spec: revision.spec,
    gauges: [...cards] as Gauge[],
    entries: stored.map(({ entry }) => entry),
  }
  return {
    document,
    revision: revision.number,
    lastSeq: stored.at(-1)?.seq ?? 0,
    cameWithFile: stored.filter(({ receivedAt }) => receivedAt === startedAt).length,
  }
}

export async function headOf(connection: Connection, gauges: GaugeStore, id: string) {
  const [revision, cards, lastSeq] = await Promise.all([latestRevision(connection, id), gauges.list(), lastSeqOf(connection, id)])
  return revision && { spec: revision.spec, revision: revision.number, gauges: cards, lastSeq }
}
