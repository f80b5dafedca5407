import { expose } from 'comlink'
import { benchById, openBuild } from '@/core/benches'
import { judgedAdvice } from '@/core/evaluation/judgeAdvice'
import type { AdviceWorker } from './advice'

const worker: AdviceWorker = {
  async advise(document, benchId) {
    return judgedAdvice(benchById(benchId), openBuild(document))
  },
}

expose(worker)
