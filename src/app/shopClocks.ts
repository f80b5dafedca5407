import 'server-only'
import { database } from '@/data/database'
import { SUMMARY_PROGRAM, summarise } from '@/features/board/summary'
import type { BuildClocks } from '@/features/clocks/clocksCalendar'

/** A shop keeps fewer builds on its board than this. */
const ALL = 100_000

/** The clocks of every build on the board that has any. */
export async function shopClocks(): Promise<readonly BuildClocks[]> {
  const { builds } = await database()
  const { rows } = await builds.board({ offset: 0, size: ALL }, SUMMARY_PROGRAM, ({ document }) => summarise(document))
  return rows.flatMap(({ summary }) => (summary && summary.clocks.length > 0 ? [{ build: summary.name, clocks: summary.clocks }] : []))
}
