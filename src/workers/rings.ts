import { proxy } from 'comlink'
import type { ButtingResult } from '@/core/benches/rings'
import type { BuildDocument } from '@/core/document'
import { runInWorker } from './run'

/** What the ring worker does. */
export interface RingsWorker {
  drawButting(document: BuildDocument, draws: number, seed: number, onProgress: (done: number) => void): Promise<readonly ButtingResult[]>
}

const start = () => new Worker(new URL('./rings.worker.ts', import.meta.url), { type: 'module' })

/** Random draws of every top ring's hot gap. Empty while no ring is gapped. */
export function drawButting(
  document: BuildDocument,
  draws: number,
  seed: number,
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<readonly ButtingResult[]> {
  return runInWorker(start, (worker: RingsWorker) => worker.drawButting(document, draws, seed, proxy(onProgress)), signal)
}
