'use client'
import { lazy, Suspense, type ComponentType } from 'react'
import type { BenchId } from '@/core/bench/bench'
import { BenchPage, type BenchInFrame } from './bench/BenchPage'
import type { BenchPageProps } from './bench/useBenchPage'

/** What each bench adds to the frame, fetched with its own part of the core and no other's. */
const BENCH_PAGES: Readonly<Record<BenchId, ComponentType<BenchInFrame>>> = {
  bores: lazy(async () => ({ default: (await import('./bores/BoresBench')).BoresBench })),
  bearings: lazy(async () => ({ default: (await import('./bearings/BearingsBench')).BearingsBench })),
  rings: lazy(async () => ({ default: (await import('./rings/RingsBench')).RingsBench })),
  rods: lazy(async () => ({ default: (await import('./rods/RodsBench')).RodsBench })),
  fasteners: lazy(async () => ({ default: (await import('./fasteners/FastenersBench')).FastenersBench })),
  cam: lazy(async () => ({ default: (await import('./cam/CamBench')).CamBench })),
  clearance: lazy(async () => ({ default: (await import('./clearance/ClearanceBench')).ClearanceBench })),
  compression: lazy(async () => ({ default: (await import('./compression/CompressionBench')).CompressionBench })),
}

export function BenchPageOf({ benchId, ...props }: BenchPageProps & { benchId: BenchId }) {
  const Page = BENCH_PAGES[benchId]
  return (
    <Suspense>
      <Page Frame={BenchPage} {...props} />
    </Suspense>
  )
}
