'use client'
import dynamic from 'next/dynamic'
import type { ComponentType } from 'react'
import type { BenchId } from '@/core/bench/bench'
import { BenchPage, type BenchInFrame, type BenchPageProps } from './bench/BenchPage'

/** What each bench adds to the frame, fetched with its own part of the core and no other's. */
const BENCH_PAGES: Readonly<Record<BenchId, ComponentType<BenchInFrame>>> = {
  bores: dynamic(() => import('./bores/BoresBench').then((module) => module.BoresBench)),
  bearings: dynamic(() => import('./bearings/BearingsBench').then((module) => module.BearingsBench)),
  rings: dynamic(() => import('./rings/RingsBench').then((module) => module.RingsBench)),
  rods: dynamic(() => import('./rods/RodsBench').then((module) => module.RodsBench)),
  compression: dynamic(() => import('./compression/CompressionBench').then((module) => module.CompressionBench)),
}

export function BenchPageOf({ benchId, ...props }: BenchPageProps & { benchId: BenchId }) {
  const Page = BENCH_PAGES[benchId]
  return <Page Frame={BenchPage} {...props} />
}
