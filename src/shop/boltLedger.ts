import 'server-only'
import type { Joint } from '@/core/document'
import type { BoltRecord } from '@/core/parts'
import { boltKey, ledgerOf, retiredLines, type LedgerLine, type RecordInBuild } from '@/core/parts/ledger'
import { database } from '@/data/database'
import type { Wanted } from '@/data/board'
import { KEPT } from './summary'

/** Bolts of the shop, and of how many builds they are not worked out yet. */
export interface ShopBolts {
  readonly lines: readonly LedgerLine[]
  readonly waiting: number
}

/** Every bolt of the shop that is told apart, over all builds, also those put away; the builds last worked on first. */
export async function boltLedger(): Promise<ShopBolts> {
  const { records, waiting } = await shopRecords()
  return { lines: ledgerOf(records), waiting }
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
