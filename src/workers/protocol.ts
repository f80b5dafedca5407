import type { BuildDocument } from '@/core/build'
import type { MonteCarloResult } from '@/core/metrology'
import type { PlannerResult } from '@/core/benches/compression'
import type { ButtingResult } from '@/core/benches/rings'

/** What the compression worker does. Arguments and answers are plain data. */
export interface CompressionWorker {
  /** Random draws of every known cylinder's ratio; calls `onProgress` between slices with the draws done. */
  drawRatios(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void): Promise<Omit<RatioDraws, 'elapsedMs'>>
  plan(document: BuildDocument): Promise<PlannerResult>
}

/** What the ring worker does. */
export interface RingsWorker {
  drawButting(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void): Promise<readonly ButtingResult[]>
}

export interface RatioDraws {
  readonly cylinders: readonly number[]
  readonly results: readonly MonteCarloResult[]
  readonly elapsedMs: number
}
