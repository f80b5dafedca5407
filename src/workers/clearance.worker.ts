import { expose } from 'comlink'
import { openBuild } from '@/core/benches'
import { closestModel, phasingMap } from '@/core/benches/clearance'
import { monteCarlo } from '@/core/metrology'
import type { ClearanceWorker } from './clearance'

const worker: ClearanceWorker = {
  async drawClosest(document, draws, seed, onProgress) {
    const model = closestModel(openBuild(document))
    let last
    for (const slice of monteCarlo(model, draws, seed)) {
      last = slice
      onProgress(slice.done)
    }
    return { valves: model.valves, results: last?.results ?? [] }
  },
  async mapPhasing(document, intake, exhaust) {
    return phasingMap(openBuild(document), intake, exhaust)
  },
}

expose(worker)
