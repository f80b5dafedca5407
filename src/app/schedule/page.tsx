import type { Metadata } from 'next'
import { SchedulePage } from '@/features/schedule/SchedulePage'
import { shopPlan } from '../../shop/shopPlan'

export const metadata: Metadata = { title: 'Schedule' }
export const dynamic = 'force-dynamic'

export default async function Page() {
  return <SchedulePage served={await shopPlan()} />
}
