import 'server-only'
import { database } from '@/data/database'
import { SUMMARY_PROGRAM, summarise, type BuildSummary } from '@/features/board/summary'

/** A shop keeps fewer builds on its board than this. */
const ALL = 100_000

export interface ShopSummary {
  readonly id: string
  readonly summary: BuildSummary
}

/** Every build on the board that can be worked out, latest work first. */
export async function shopSummaries(): Promise<readonly ShopSummary[]> {
  const { builds } = await database()
  const { rows } = await builds.board({ offset: 0, size: ALL }, SUMMARY_PROGRAM, ({ document }) => summarise(document))
  return rows.flatMap(({ id, summary }) => (summary ? [{ id, summary }] : []))
}
