import { wrap, type Remote } from 'comlink'
import type { BenchId, JudgedAdvice } from '@/core/benches'
import type { BuildDocument } from '@/core/document'

/** What the adviser does. */
export interface AdviceWorker {
  advise(document: BuildDocument, bench: BenchId): Promise<readonly JudgedAdvice[]>
}

/** One worker for as long as a bench is open: every bench is evaluated after every way to put things right, off the page. */
export function adviser(): {
  readonly ask: (document: BuildDocument, bench: BenchId) => Promise<readonly JudgedAdvice[]>
  readonly stop: () => void
} {
  let thread: Worker | undefined
  let worker: Remote<AdviceWorker> | undefined
  const stop = () => {
    thread?.terminate()
    thread = undefined
    worker = undefined
  }
  return {
    stop,
    ask(document, bench) {
      if (!thread || !worker) {
        thread = new Worker(new URL('./advice.worker.ts', import.meta.url), { type: 'module' })
        worker = wrap<AdviceWorker>(thread)
      }
      const asked = worker
      const broken = thread
      return new Promise((resolve, reject) => {
        // A worker that has died would be waited for for ever: the next question starts another.
        broken.addEventListener(
          'error',
          (event) => {
            stop()
            reject(new Error(event.message || 'The advice broke off.'))
          },
          { once: true },
        )
        asked.advise(document, bench).then(resolve, reject)
      })
    },
  }
}
