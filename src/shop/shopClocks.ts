import 'server-only'
import type { ServedClock } from './servedClocks'
import { shopSummaries } from './shopSummaries'

/** The clocks of a build, to be told from those of others. */
export interface BuildClocks {
  readonly build: string
  readonly clocks: readonly ServedClock[]
}

/** The clocks of the builds in hand. */
export async function shopClocks(): Promise<readonly BuildClocks[]> {
  const { builds } = await shopSummaries()
  return builds.flatMap(({ summary: { name, clocks } }) => (clocks.length > 0 ? [{ build: name, clocks }] : []))
}
