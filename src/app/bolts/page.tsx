import type { Metadata } from 'next'
import { BoltLedger } from '@/features/joints/BoltLedger'
import { boltLedger } from '../../shop/boltLedger'

export const metadata: Metadata = { title: 'Bolt ledger' }
export const dynamic = 'force-dynamic'

export default async function Page() {
  return <BoltLedger {...await boltLedger()} />
}
