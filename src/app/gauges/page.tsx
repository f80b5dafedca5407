import type { Metadata } from 'next'
import { database } from '@/data/database'
import { GaugeDrawer } from '@/features/gauges/GaugeDrawer'
import { shopDay } from '@/shop/shopDay'

export const metadata: Metadata = { title: 'Gauge drawer' }
export const dynamic = 'force-dynamic'

export default async function Page() {
  const { gauges } = await database()
  return <GaugeDrawer cards={await gauges.list()} today={shopDay()} />
}
