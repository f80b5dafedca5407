import type { Metadata } from 'next'
import { ShopParts } from '@/features/parts/ShopParts'
import { shopDay } from '../../shop/shopDay'
import { shopSummaries } from '../../shop/shopSummaries'

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
