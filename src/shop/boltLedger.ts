import 'server-only'
import { ledgerOf, retiredLines, type LedgerLine, type RecordInBuild } from '@/core/parts/ledger'
import { database } from '@/data/database'
import { KEPT } from './summary'

/** Every bolt of the shop that is told apart, over all builds, also those put away; the builds last worked on first. */
export async function boltLedger(): Promise<readonly LedgerLine[]> {
  return ledgerOf(await boltRecords())
}

/** The bolts that are done with. */
export async function retiredBolts(): Promise<readonly LedgerLine[]> {
  return retiredLines(await boltRecords())
}

async function boltRecords(): Promise<readonly RecordInBuild[]> {
  const { builds } = await database()
  const kept = await builds.kept('bolts', KEPT)
  return kept.flatMap(({ id, name, items }) => items.map((bolt) => ({ ...bolt, buildId: id, build: name })))
}
