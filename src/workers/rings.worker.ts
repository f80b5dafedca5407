import { expose } from 'comlink'
import { openBuild } from '@/core/benches'
import { buttingDraws, ringsToDraw } from '@/core/benches/rings'
import type { RingsWorker } from './rings'

const worker: RingsWorker = {
  async drawButting(document, draws, seed, onProgress) {
    const rings = ringsToDraw(openBuild(document))
    if (!rings) return []
    let last
    for (const slice of buttingDraws(rings, draws, seed)) {
      last = slice
      onProgress(slice.done)
    }
    return last?.results ?? []
  },
}

expose(worker)
