import { proxy } from 'comlink'
import type { BuildDocument } from '@/core/document'
import type { Effect, Question, Settings } from '@/core/whatIf'
import type { FoundVariants, WhatIfWorker } from './protocol'
import { runInWorker } from './run'

const start = () => new Worker(new URL('./whatIf.worker.ts', import.meta.url), { type: 'module' })

/** Every combination of some knobs; `onProgress` with the variants tried. */
export function searchInWorker(
  document: BuildDocument,
  question: Question,
  onProgress: (done: number) => void,
  signal: AbortSignal,
): Promise<FoundVariants> {
  return runInWorker<WhatIfWorker, FoundVariants>(start, (worker) => worker.search(document, question, proxy(onProgress)), signal)
}

/** What a step of each knob does to one finding. */
export function sensitivityInWorker(
  document: BuildDocument,
  settings: Settings,
  findingId: string,
  signal: AbortSignal,
): Promise<readonly Effect[]> {
  return runInWorker<WhatIfWorker, readonly Effect[]>(start, (worker) => worker.sensitivity(document, settings, findingId), signal)
}
