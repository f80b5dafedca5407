import type { PlannerResult } from '@/core/benches/compression'
import type { JudgedAdvice } from '@/core/bench/bench'
import type { MonteCarloResult } from '@/core/metrology'
import { proxy } from 'comlink'
import type { BuildDocument } from '@/core/document'
import { pooled } from '@/core/metrology'
import { runInWorker } from './run'

/** What the compression worker does. Arguments and answers are plain data. */
export interface CompressionWorker {
  /** Random draws of every known cylinder's ratio; calls `onProgress` between slices with the draws done. */
  drawRatios(
    document: BuildDocument,
    draws: number,
    seed: number,
    onProgress: (done: number) => void,
  ): Promise<Omit<RatioDraws, 'elapsedMs'>>
  plan(document: BuildDocument): Promise<JudgedPlans>
}

/** What the planner found, and its plans as every bench judges them. */
export interface JudgedPlans {
  readonly result: PlannerResult
  readonly plans: readonly JudgedAdvice[]
}

export interface RatioDraws {
  readonly cylinders: readonly number[]
  readonly results: readonly MonteCarloResult[]
  readonly elapsedMs: number
}

const start = () => new Worker(new URL('./compression.worker.ts', import.meta.url), { type: 'module' })

/** Two threads are enough: a bench computer with more cores still has the page to draw. */
const THREADS = 2

/** Draws in two workers side by side, each with a seed of its own, and pools what they found. */
export async function drawRatios(
  document: BuildDocument,
  draws: number,
  seed: number,
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<RatioDraws> {
  const started = performance.now()
  const done = Array.from({ length: THREADS }, () => 0)
  const runs = await Promise.all(
    done.map((_, thread) =>
      runInWorker(
        start,
        (worker: CompressionWorker) =>
          worker.drawRatios(
            document,
            Math.ceil(draws / THREADS),
            seed + thread,
            proxy((own) => {
              done[thread] = own
              onProgress(done.reduce((sum, one) => sum + one, 0))
            }),
          ),
        signal,
      ),
    ),
  )
  const [first, ...others] = runs
  const results = first!.results.map((result, index) => others.reduce((sum, other) => pooled(sum, other.results[index]!), result))
  return { cylinders: first!.cylinders, results, elapsedMs: performance.now() - started }
}

export function planInWorker(document: BuildDocument, signal: AbortSignal): Promise<JudgedPlans> {
  return runInWorker(start, (worker: CompressionWorker) => worker.plan(document), signal)
}
