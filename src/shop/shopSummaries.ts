import 'server-only'
import { database } from '@/data/database'
import { KEPT } from './kept'
import type { BuildSummary } from './summary'

/**
 * As many engines as anybody has in hand. A shop of years has a thousand, and to work all of them out again after the program has moved on
 * would hold the server up for minutes.
 */
const IN_HAND = 48

export interface ShopSummaries {
  readonly builds: readonly { readonly id: string; readonly summary: BuildSummary }[]
  /** Builds on the board that were not looked at. */
  readonly more: number
}

/** The builds of the board last worked on, those that can be worked out. */
export async function shopSummaries(): Promise<ShopSummaries> {
  const { builds } = await database()
  const { rows, total } = await builds.board({ offset: 0, size: IN_HAND }, KEPT)
  const waiting = rows.filter((row) => row.waiting !== undefined).length
  return { builds: rows.flatMap(({ id, summary }) => (summary ? [{ id, summary }] : [])), more: total - rows.length + waiting }
}
