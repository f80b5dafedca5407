import 'server-only'
import { ledgerOf, type LedgerLine } from '@/core/parts/ledger'
import { database } from '@/data/database'
import { KEPT } from './summary'

/** Every bolt of the shop that is told apart, over all builds, also those put away; the builds last worked on first. */
export async function boltLedger(): Promise<readonly LedgerLine[]> {
  const { builds } = await database()
  const kept = await builds.kept('bolts', KEPT)
  return ledgerOf(kept.flatMap(({ id, name, items }) => items.map((bolt) => ({ ...bolt, buildId: id, build: name }))))
}

/** The bolts that are done with. */
export async function retiredBolts(): Promise<readonly LedgerLine[]> {
  return (await boltLedger()).filter(({ retired }) => retired.length > 0)
}
