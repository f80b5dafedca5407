/** The draws as a page's worker makes them: a run for each seed it is sent. */
import { openBuild } from '@/core/benches'
import { cylinderStates, ratioModel } from '@/core/benches/compression'
import { monteCarlo } from '@/core/metrology'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'

const build = openBuild(demoDocument({ ...DEMO_BUILDS[0]!, read: () => true }, new Date()))
const model = ratioModel(cylinderStates(build), undefined)
const scope = globalThis as unknown as Worker

scope.addEventListener('message', ({ data }: MessageEvent<{ seed: number; draws: number }>) => {
  let quickestMs = Infinity
  let deviation = 0
  let from = performance.now()
  for (const { results } of monteCarlo(model, data.draws, data.seed)) {
    deviation = results[0]!.standardDeviation
    quickestMs = Math.min(quickestMs, performance.now() - from)
    from = performance.now()
  }
  // Between a worker and its page there is no origin to name.
  // oxlint-disable-next-line unicorn/require-post-message-target-origin
  scope.postMessage([quickestMs, deviation])
})
