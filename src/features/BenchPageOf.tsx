'use client'
import { Suspense } from 'react'
import type { BenchId } from '@/core/bench/bench'
import { BenchPage } from '@/features/benchFrame/BenchPage'
import type { BenchPageProps } from '@/features/benchFrame/useBenchPage'
import { BENCH_PAGES } from './benchPages'

/** The page of a bench, in the frame of all of them. */
export function BenchPageOf({ benchId, ...props }: BenchPageProps & { benchId: BenchId }) {
  const Page = BENCH_PAGES[benchId]
  return (
    <Suspense>
      <Page Frame={BenchPage} {...props} />
    </Suspense>
  )
}
