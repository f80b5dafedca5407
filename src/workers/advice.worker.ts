import { expose } from 'comlink'
import { benchById } from '@/core/benches'
import { judgedAdvice } from '@/core/evaluation/judgeAdvice'
import { openBuild } from '@/core/build'
import type { AdviceWorker } from './protocol'

const worker: AdviceWorker = {
  async advise(document, benchId) {
    return judgedAdvice(benchById(benchId), openBuild(document))
  },
}

expose(worker)
