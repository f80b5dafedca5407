import { proxy, wrap } from 'comlink'
import type { BuildDocument } from '@/core/build'
import type { CompressionWorker, RatioDraws } from './protocol'
import type { PlannerResult } from '@/core/benches/compression'
import { pooled } from '@/core/metrology'

/** Long enough for ten times the work on a slow machine; a worker that died would otherwise be waited for for ever. */
const GIVE_UP_MS = 60_000

export class WorkStopped extends Error {}

/** Runs one job in a worker of its own and ends the worker with it: stopping a job is ending its worker. */
function run<Answer>(job: (worker: CompressionWorker) => Promise<Answer>, signal: AbortSignal): Promise<Answer> {
  const thread = new Worker(new URL('./compression.worker.ts', import.meta.url), { type: 'module' })
  return new Promise<Answer>((resolve, reject) => {
    const timer = setTimeout(() => reject(new Error('The computation did not answer within a minute.')), GIVE_UP_MS)
    signal.addEventListener('abort', () => reject(new WorkStopped('stopped')), { once: true })
    thread.addEventListener('error', (event) => reject(new Error(event.message || 'The computation broke off.')))
    job(wrap<CompressionWorker>(thread) as unknown as CompressionWorker).then(resolve, reject).finally(() => clearTimeout(timer))
  }).finally(() => thread.terminate())
}

/** Two hands are enough: a bench computer with more cores still has the page to draw. */
const HANDS = 2

/** Draws in two workers side by side, each with a seed of its own, and pools what they found. */
export async function drawRatios(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void, signal: AbortSignal): Promise<RatioDraws> {
  const started = performance.now()
  const done = Array.from({ length: HANDS }, () => 0)
  const runs = await Promise.all(done.map((_, hand) => run((worker) => worker.drawRatios(document, Math.ceil(draws / HANDS), seed + hand, proxy((own) => {
    done[hand] = own
    onProgress(done.reduce((sum, one) => sum + one, 0))
  })), signal)))
  const [first, ...others] = runs
  const results = first!.results.map((result, index) => others.reduce((sum, other) => pooled(sum, other.results[index]!), result))
  return { cylinders: first!.cylinders, results, elapsedMs: performance.now() - started }
}

export function planInWorker(document: BuildDocument, signal: AbortSignal): Promise<PlannerResult> {
  return run((worker) => worker.plan(document), signal)
}
