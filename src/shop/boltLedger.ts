import 'server-only'
import type { BoltRecord } from '@/core/parts'
import { ledgerOf, retiredLines, type LedgerLine, type RecordInBuild } from '@/core/parts/ledger'
import { database } from '@/data/database'
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

/** The bolts that are done with. */
export async function retiredBolts(): Promise<ShopBolts> {
  const { records, waiting } = await shopRecords()
  return { lines: retiredLines(records), waiting }
}

async function shopRecords(): Promise<{ readonly records: readonly RecordInBuild[]; readonly waiting: number }> {
  const { builds } = await database()
  const kept = await builds.kept<BoltRecord, 'bolts'>('bolts', KEPT)
  return {
    records: kept.builds.flatMap(({ id, name, items }) => items.map((bolt) => ({ ...bolt, buildId: id, build: name }))),
    waiting: kept.waiting,
  }
}
