import { NextResponse } from 'next/server'
import type { ShopClocks } from '@/features/clocks/useOpenClocks'
import { answering } from '../../answer'
import { shopClocks } from '../../../shop/shopClocks'

/** The clocks of every build in hand, and the server's time. */
export function GET() {
  return answering(async () => {
    const builds = await shopClocks()
    const clocks = builds.flatMap(({ build, clocks: own }) => own.map((clock) => ({ ...clock, build })))
    return NextResponse.json({ nowMs: Date.now(), clocks } satisfies ShopClocks, { headers: { 'cache-control': 'no-store' } })
  })
}
