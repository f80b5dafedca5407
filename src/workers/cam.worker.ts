import { expose } from 'comlink'
import { openBuild } from '@/core/benches'
import { refitCurves } from '@/core/benches/cam'
import { outOfStep } from '@/core/benches/clearance/outOfStep'
import type { CamWorker } from './cam'

const worker: CamWorker = {
  async refit(document, count, seed, onProgress) {
    const results = []
    for (const slice of refitCurves(openBuild(document), count, seed)) {
      onProgress(slice.done)
      if (slice.result) results.push(slice.result)
    }
    return results
  },
  async outOfStep(document, question) {
    return outOfStep(openBuild(document), question)
  },
}

expose(worker)
