import type { Metadata } from 'next'
import { BoltLedger } from '@/features/joints/BoltLedger'
import { boltLedger } from '../../shop/boltLedger'

export const metadata: Metadata = { title: 'Bolt ledger' }
export const dynamic = 'force-dynamic'

const MOST_FIND = 80

export default async function Page({ searchParams }: { searchParams: Promise<{ find?: string }> }) {
  const { find } = await searchParams
  const asked = typeof find === 'string' ? find.slice(0, MOST_FIND) : ''
  return <BoltLedger key={asked} {...await boltLedger(asked)} />
}
