import type { SearchResult } from '@/core/whatIf'
import { proxy } from 'comlink'
import type { BuildDocument } from '@/core/document'
import type { Effect, Question, Settings } from '@/core/whatIf'
import { runInWorker } from './run'

/** What the what-if worker does. */
export interface WhatIfWorker {
  search(document: BuildDocument, question: Question, onProgress: (done: number) => void): Promise<FoundVariants>
  /** The knob that moves the finding most first. */
  sensitivity(document: BuildDocument, settings: Settings, findingId: string): Promise<readonly Effect[]>
}

/** What a search found, as settings: whoever shows them works them out for himself. */
export interface FoundVariants extends Omit<SearchResult, 'front'> {
  readonly settings: readonly Settings[]
}

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
