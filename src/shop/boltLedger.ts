import 'server-only'
import { ledgerOf, type LedgerLine } from '@/core/parts/ledger'
import { database } from '@/data/database'
import { SUMMARY_PROGRAM, summarise } from './summary'

/** A shop keeps fewer builds than this. */
const ALL = 100_000

/** Every bolt of the shop that is told apart, over all builds, also those put away; the builds last worked on first. */
export async function boltLedger(): Promise<readonly LedgerLine[]> {
  const { builds } = await database()
  const pages = await Promise.all(
    [false, true].map((putAway) =>
      builds.board({ offset: 0, size: ALL, putAway }, SUMMARY_PROGRAM, ({ document, cameWithFile }) => summarise(document, cameWithFile)),
    ),
  )
  return ledgerOf(
    pages
      .flatMap(({ rows }) => rows)
      .flatMap(({ id, summary }) => (summary?.bolts ?? []).map((bolt) => ({ ...bolt, buildId: id, build: summary!.name }))),
  )
}

/** The bolts that are done with. */
export async function retiredBolts(): Promise<readonly LedgerLine[]> {
  return (await boltLedger()).filter(({ retired }) => retired.length > 0)
}
