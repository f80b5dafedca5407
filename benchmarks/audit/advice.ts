import { BENCHES } from '@/core/benches'
import { judgedAdvice } from '@/core/benches/judgeAdvice'
import { openBuild, type Build } from '@/core/build'
import { randomStream } from '@/core/numerics/random'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'

const isOut = (verdict: string | undefined) => verdict === 'over' || verdict === 'under'
const outOf = (build: Build) =>
  new Set(
    BENCHES.flatMap((bench) =>
      bench
        .derive(build)
        .filter(({ conformity }) => isOut(conformity?.verdict))
        .map(({ id }) => `${bench.id} ${id}`),
    ),
  )

/** Engines with faults of every kind, strewn by chance. */
function engines(count: number): Build[] {
  return Array.from({ length: count }, (_, index) => {
    const demo = DEMO_BUILDS[index % 2]!
    const random = randomStream(500 + index)
    const cylinder = () => 1 + Math.floor(random.uniform() * demo.spec.layout.cylinders)
    const some = (size: number) => ({
      [cylinder()]: (random.uniform() - 0.5) * 2 * size,
      [cylinder()]: (random.uniform() - 0.5) * 2 * size,
    })
    const faults = {
      deckMm: some(0.1),
      chamberCm3: some(1.2),
      boreMm: some(0.03),
      ringTopMm: some(0.1),
      ringSecondMm: some(0.1),
      skirtMm: some(0.04),
      mainClearanceMm: some(0.02),
      rodClearanceMm: some(0.02),
      pistonMassG: some(2),
      rodBigG: some(2),
    }
    return openBuild(demoDocument({ ...demo, faults, seed: 900 + index, read: () => true }, new Date('2026-03-01T12:00:00Z')))
  })
}

/**
 * Every piece of advice beside brute force: each bench worked out after the change. What comes out of its limit that was in it
 * must be named by the advice, and nothing else may be. @returns how many pieces hide or invent something.
 */
export function auditAdvice(count: number): number {
  let [pieces, hidden, invented] = [0, 0, 0]
  for (const build of engines(count)) {
    const before = outOf(build)
    for (const bench of BENCHES) {
      const judged = new Map(judgedAdvice(bench, build).map((one) => [one.id, one]))
      for (const { id, after } of bench.advise(build, bench.derive(build))) {
        const said = judged.get(id)
        if (!after || !said) continue
        pieces++
        const broken = [...outOf(after)].filter((one) => !before.has(one))
        if (broken.length > 0 && said.breaks.length === 0) {
          hidden++
          console.log(`HIDES ${build.spec.name} ${id}: ${broken.join(', ')}`)
        }
        if (broken.length === 0 && said.breaks.length > 0) {
          invented++
          console.log(`WRONG ${build.spec.name} ${id}: says it breaks ${said.breaks.map(({ output }) => output).join(', ')}`)
        }
      }
    }
  }
  console.log(
    `${hidden + invented === 0 ? 'ok   ' : 'SHORT'} advice: ${pieces} pieces over ${count} engines, ` +
      `${hidden} hide what they break, ${invented} say what is not so`,
  )
  return hidden + invented
}
