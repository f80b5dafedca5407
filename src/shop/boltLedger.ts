import 'server-only'
import type { Joint } from '@/core/document'
import type { BoltRecord } from '@/core/parts'
import { boltKey, isFound, ledgerOf, retiredLines, type LedgerLine, type RecordInBuild } from '@/core/parts/ledger'
import { database } from '@/data/database'
import type { Wanted } from '@/data/board'
import { KEPT } from './kept'

/** Bolts of the shop, and of how many builds they are not worked out yet. */
export interface ShopBolts {
  readonly lines: readonly LedgerLine[]
  readonly waiting: number
}

/** A page of them, and how many there are. */
export interface FoundBolts extends ShopBolts {
  readonly total: number
  readonly find: string
}

/** As many as a page shows: of more, a mark or a name is looked for. */
const MOST_LINES = 200

/**
 * Bolts of the shop that are told apart, over all builds, also those put away, with `find` in mark, thread or build: what is done with
 * first, then those of the builds last worked on.
 */
export async function boltLedger(find: string): Promise<FoundBolts> {
  const { records, waiting } = await shopRecords()
  const found = ledgerOf(records)
    .filter((line) => isFound(line, find))
    .toSorted((a, b) => Number(b.retired.length > 0) - Number(a.retired.length > 0))
  return { lines: found.slice(0, MOST_LINES), total: found.length, find, waiting }
}

/** Bolts that are done with, among those a joint of a build may have: by their marks, and by their places in it. */
export async function retiredBolts(build: string, { fasteners }: Joint): Promise<ShopBolts> {
  const keys = fasteners.flatMap(({ mark }) => (mark === undefined ? [] : [boltKey({ mark })]))
  const { records, waiting } = await shopRecords({ build, keys })
  return { lines: retiredLines(records), waiting }
}

async function shopRecords(wanted?: Wanted): Promise<{ readonly records: readonly RecordInBuild[]; readonly waiting: number }> {
  const { builds } = await database()
  const kept = await builds.kept<BoltRecord, 'bolts'>('bolts', KEPT, wanted)
  return {
    records: kept.builds.flatMap(({ id, name, items }) => items.map((bolt) => ({ ...bolt, buildId: id, build: name }))),
    waiting: kept.waiting,
  }
}
