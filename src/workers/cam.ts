import { proxy } from 'comlink'
import type { RefitOfCam } from '@/core/benches/cam'
import type { OutOfStep, OutOfStepQuestion } from '@/core/benches/clearance/outOfStep'
import type { BuildDocument } from '@/core/document'
import { runInWorker } from './run'

/** What the cam worker does. */
export interface CamWorker {
  refit(document: BuildDocument, count: number, seed: number, onProgress: (done: number) => void): Promise<readonly RefitOfCam[]>
  /** Undefined where numbers on paper are wanted. */
  outOfStep(document: BuildDocument, question: OutOfStepQuestion): Promise<OutOfStep | undefined>
}

const start = () => new Worker(new URL('./cam.worker.ts', import.meta.url), { type: 'module' })

/** Refits of every curve that was read; `onProgress` with the refits done over all of them. */
export function refitInWorker(
  document: BuildDocument,
  count: number,
  seed: number,
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<readonly RefitOfCam[]> {
  return runInWorker(start, (worker: CamWorker) => worker.refit(document, count, seed, proxy(onProgress)), signal)
}

/** The map of crank against one shaft, and the way asked for; undefined where numbers on paper are wanted. */
export function outOfStepInWorker(
  document: BuildDocument,
  question: OutOfStepQuestion,
  signal: AbortSignal,
): Promise<OutOfStep | undefined> {
  return runInWorker(start, (worker: CamWorker) => worker.outOfStep(document, question), signal)
}
