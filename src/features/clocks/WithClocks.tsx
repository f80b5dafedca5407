'use client'
import type { ReactNode } from 'react'
import { lazyPart } from '@/ui/lazyPart'
import { BarAside } from '@/ui/Page'
import { useOpenClocks } from './useOpenClocks'

const ClockStrip = lazyPart(() => import('./ClockStrip').then((module) => module.ClockStrip))

/** Every page's bar shows the clock of the shop that runs out next; where none runs, nothing is fetched for it. */
export function WithClocks({ children }: { children: ReactNode }) {
  return <BarAside value={<OpenClocks />}>{children}</BarAside>
}

function OpenClocks() {
  const clocks = useOpenClocks()
  return clocks.length > 0 ? <ClockStrip clocks={clocks} /> : null
}
