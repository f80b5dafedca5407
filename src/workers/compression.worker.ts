import { expose } from 'comlink'
import { openBuild } from '@/core/benches'
import { cylinderStates, planAdvice, planCompression, ratioModel } from '@/core/benches/compression'
import { evaluate } from '@/core/evaluation/evaluate'
import { judgeAll } from '@/core/evaluation/judgeAdvice'
import { monteCarlo } from '@/core/metrology'
import type { CompressionWorker } from './compression'

const worker: CompressionWorker = {
  async drawRatios(document, draws, seed, onProgress) {
    const build = openBuild(document)
    const model = ratioModel(cylinderStates(build), build.spec.limits['compression.compressionRatio'])
    let last
    for (const slice of monteCarlo(model, draws, seed)) {
      last = slice
      onProgress(slice.done)
    }
    return { cylinders: model.cylinders, results: last?.results ?? [] }
  },
  async plan(document) {
    const build = openBuild(document)
    const result = planCompression(build, cylinderStates(build))
    return {
      result,
      plans: judgeAll(
        result.plans.map((plan) => planAdvice(build, plan)),
        build,
        evaluate(build),
      ),
    }
  },
}

expose(worker)
