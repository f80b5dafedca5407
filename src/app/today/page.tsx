import type { Metadata } from 'next'
import { TodayPage } from '@/features/today/TodayPage'
import { shopDay } from '../../shop/shopDay'
import { shopSummaries } from '../../shop/shopSummaries'

export const metadata: Metadata = { title: 'Today' }
export const dynamic = 'force-dynamic'

export default async function Page() {
  const { builds, more } = await shopSummaries()
  // The page is sent what it shows, not all that is kept beside a build.
  const shown = builds.map(({ id, summary: { name, today, openRuns, clocks, awaited } }) => ({
    id,
    summary: { name, today, openRuns, clocks, awaited },
  }))
  return <TodayPage builds={shown} more={more} day={shopDay()} />
}
