import { benchesOf, benchProgress, type BenchId } from '@/core/benches'
import type { Build } from '@/core/document'
import { stageProgress } from '@/core/walk'
import { STAGE_WORDS } from '@/wording/walk'
import { shareDone, type Stage } from './stages'

/** The rule of a build: the stages of its walk in order, those with benches by their benches; what is done there is done in both. */
export function stagesOf(build: Build, here: BenchId, nowMs: number): readonly Stage[] {
  const home = `/builds/${build.id}`
  return [
    ...stageProgress(build, nowMs).flatMap(({ stage, done, of, at }): Stage[] => {
      const benches = benchesOf(build.spec).filter((bench) => bench.stage === stage)
      const ownHref = `${home}/walk?at=${at}`
      const itself: Stage = { href: ownHref, words: STAGE_WORDS[stage].short, done: done / of, here: false }
      const byBench = benches.map((bench): Stage => ({
        href: `${home}/${bench.id}`,
        words: bench.definition.stage,
        bench: bench.id,
        done: shareDone(benchProgress(bench, build)),
        here: bench.id === here,
      }))
      // Bolts are stretched in the final assembly, which is more than bolts.
      return benches.length === 0 || stage === 'final' ? [...byBench, itself] : byBench
    }),
    { href: `${home}/book`, words: 'Book', here: false },
  ]
}
