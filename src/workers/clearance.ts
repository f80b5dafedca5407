import type { MonteCarloResult } from '@/core/metrology'
import { proxy } from 'comlink'
import type { PhasingMap } from '@/core/benches/clearance'
import type { BuildDocument } from '@/core/document'
import type { Cam } from '@/core/geometry/valvetrain'
import { runInWorker } from './run'

/** What the clearance worker does. */
export interface ClearanceWorker {
  /** Random draws of every known valve's closest approach; calls `onProgress` between slices with the draws done. */
  drawClosest(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void): Promise<ClosestDraws>
  /** Undefined where numbers on paper, or the cams, are wanted. */
  mapPhasing(document: BuildDocument, intake: Cam, exhaust: Cam): Promise<PhasingMap | undefined>
}

export interface ClosestDraws {
  readonly valves: readonly string[]
  readonly results: readonly MonteCarloResult[]
}

const start = () => new Worker(new URL('./clearance.worker.ts', import.meta.url), { type: 'module' })

/** Random draws of every known valve's closest approach; `onProgress` with the draws done. */
export function drawClosestInWorker(
  document: BuildDocument,
  draws: number,
  seed: number,
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<ClosestDraws> {
  return runInWorker<ClearanceWorker, ClosestDraws>(start, (worker) => worker.drawClosest(document, draws, seed, proxy(onProgress)), signal)
}

/** Valve to valve over every setting of both cams; undefined where numbers are wanted. */
export function mapPhasingInWorker(
  document: BuildDocument,
  intake: Cam,
  exhaust: Cam,
  signal: AbortSignal,
): Promise<PhasingMap | undefined> {
  return runInWorker<ClearanceWorker, PhasingMap | undefined>(start, (worker) => worker.mapPhasing(document, intake, exhaust), signal)
}
