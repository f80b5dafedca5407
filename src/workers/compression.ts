import { proxy, wrap } from 'comlink'
import type { BuildDocument } from '@/core/build'
import type { CompressionWorker, RatioDraws } from './protocol'
import type { PlannerResult } from '@/core/benches/compression'

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

export function drawRatios(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void, signal: AbortSignal): Promise<RatioDraws> {
  return run((worker) => worker.drawRatios(document, draws, seed, proxy(onProgress)), signal)
}

export function planInWorker(document: BuildDocument, signal: AbortSignal): Promise<PlannerResult> {
  return run((worker) => worker.plan(document), signal)
}
