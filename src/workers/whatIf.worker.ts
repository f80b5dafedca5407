import { expose } from 'comlink'
import { openBuild } from '@/core/benches'
import { search, sensitivity } from '@/core/whatIf'
import type { WhatIfWorker } from './whatIf'

const worker: WhatIfWorker = {
  async search(document, question, onProgress) {
    let found
    for (const { done, result } of search(openBuild(document), question)) {
      onProgress(done)
      found = result
    }
    if (!found) throw new Error('The search came to no end.')
    const { tried, passed, broken, binding, nearest } = found
    return { tried, passed, broken, binding, settings: found.front.map(({ settings }) => settings), ...(nearest && { nearest }) }
  },
  async sensitivity(document, settings, findingId) {
    const steps = sensitivity(openBuild(document), settings, findingId)
    for (let step = steps.next(); ; step = steps.next()) if (step.done) return step.value
  },
}

expose(worker)
