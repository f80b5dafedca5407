import type { Metadata } from 'next'
import { ShopParts } from '@/features/parts/ShopParts'
import { shopDay } from '../shopDay'
import { shopSummaries } from '../shopSummaries'

export const metadata: Metadata = { title: 'Parts' }
export const dynamic = 'force-dynamic'

export default async function Page() {
  const { builds } = await shopSummaries()
  const own = builds.map(({ id, summary: { name, awaited, interchange, shelf } }) => ({
    id,
    summary: { name, awaited, interchange, shelf },
  }))
  return <ShopParts builds={own} today={shopDay()} />
}
