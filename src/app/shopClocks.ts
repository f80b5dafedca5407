import 'server-only'
import type { BuildClocks } from '@/features/clocks/clocksCalendar'
import { shopSummaries } from './shopSummaries'

/** The clocks of the builds in hand. */
export async function shopClocks(): Promise<readonly BuildClocks[]> {
  const { builds } = await shopSummaries()
  return builds.flatMap(({ summary: { name, clocks } }) => (clocks.length > 0 ? [{ build: name, clocks }] : []))
}
