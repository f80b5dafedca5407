import type { Metadata } from 'next'
import { TodayPage } from '@/features/today/TodayPage'
import { shopDay } from '../shopDay'
import { shopSummaries } from '../shopSummaries'

export const metadata: Metadata = { title: 'Today' }
export const dynamic = 'force-dynamic'

export default async function Page() {
  return <TodayPage {...await shopSummaries()} day={shopDay()} />
}
