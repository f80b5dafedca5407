/**
 * The page of every bench, fetched with its own part of the core and no other’s.
 * Written by `npm run benches`: a bench is one line in `core/benches/benches.json`.
 */
import { lazy, type ComponentType } from 'react'
import type { BenchId } from '@/core/bench/bench'
import type { BenchInFrame } from './benchFrame/BenchPage'

export const BENCH_PAGES: Readonly<Record<BenchId, ComponentType<BenchInFrame>>> = {
  bores: lazy(async () => ({ default: (await import('./bores/BoresBench')).BoresBench })),
  bearings: lazy(async () => ({ default: (await import('./bearings/BearingsBench')).BearingsBench })),
  rings: lazy(async () => ({ default: (await import('./rings/RingsBench')).RingsBench })),
  rods: lazy(async () => ({ default: (await import('./rods/RodsBench')).RodsBench })),
  fasteners: lazy(async () => ({ default: (await import('./fasteners/FastenersBench')).FastenersBench })),
  compression: lazy(async () => ({ default: (await import('./compression/CompressionBench')).CompressionBench })),
  cam: lazy(async () => ({ default: (await import('./cam/CamBench')).CamBench })),
  clearance: lazy(async () => ({ default: (await import('./clearance/ClearanceBench')).ClearanceBench })),
}
