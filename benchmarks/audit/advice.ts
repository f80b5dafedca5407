import { applyChanges } from '@/core/document/changes'
import { BENCHES, openBuild, startingLimits } from '@/core/benches'
import type { Advice, AdvisingBench } from '@/core/bench/bench'
import { cylinderStates, planAdvice, planCompression } from '@/core/benches/compression'
import { evaluate } from '@/core/evaluation/evaluate'
import { judgeAll } from '@/core/evaluation/judgeAdvice'
import { freshLayout, type Build, type FreshEngine, type Spec } from '@/core/document'
import { randomStream, seedOf } from '@/core/numerics/random'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS, type DemoBuild } from '@/demo/scenario'

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

type Frame = Pick<FreshEngine, 'kind' | 'cylinders' | 'bankAngleDeg' | 'crank' | 'bearings'>

/** Beside the demo's five and V8: singles, twins, boxers, and pins that are split. */
const UNUSUAL: readonly Frame[] = [
  { kind: 'single', cylinders: 1, bankAngleDeg: 0 },
  { kind: 'single', cylinders: 1, bankAngleDeg: 0, bearings: 'rolling' },
  { kind: 'v', cylinders: 2, bankAngleDeg: 45 },
  { kind: 'v', cylinders: 2, bankAngleDeg: 90 },
  { kind: 'flat', cylinders: 2, bankAngleDeg: 180 },
  { kind: 'flat', cylinders: 4, bankAngleDeg: 180 },
  { kind: 'flat', cylinders: 6, bankAngleDeg: 180 },
  { kind: 'inline', cylinders: 4, bankAngleDeg: 0 },
  { kind: 'v', cylinders: 6, bankAngleDeg: 90, crank: 'evenSplit' },
  { kind: 'v', cylinders: 12, bankAngleDeg: 60 },
]

/** A demo engine's paper on another frame, judged by what a fresh engine of the kind is judged by. */
function specOn(frame: Frame, { spec }: DemoBuild): Spec {
  const { valvesPerCylinder, valveDrive } = spec.layout
  const framed: Spec = {
    ...spec,
    name: `${frame.kind} ${frame.cylinders}`,
    layout: freshLayout({ ...frame, valvesPerCylinder, valveDrive }),
  }
  return { ...framed, limits: startingLimits(framed), stock: { ...framed.stock, pistons: otherPistons(framed) } }
}

/** A taller piston and one with a deeper dish, so that plans with other pistons are among what is judged. */
function otherPistons({ paper }: Spec): Spec['stock']['pistons'] {
  const heightMm = paper.compressionHeight?.value
  if (heightMm === undefined) return []
  const volumeCm3 = paper.pistonVolume?.value ?? 0
  return [
    { id: 'taller', name: 'Taller', volumeCm3, compressionHeightMm: heightMm + 0.2, source: 'audit' },
    { id: 'deeper', name: 'Deeper dish', volumeCm3: volumeCm3 + 3, compressionHeightMm: heightMm, source: 'audit' },
  ]
}

/** Engines with faults of every kind, strewn by chance: the demo's, and every unusual layout. */
function engines(count: number): Build[] {
  return Array.from({ length: count }, (_, index) => {
    const demo = DEMO_BUILDS[index % 2]!
    const spec = index % 3 === 0 ? demo.spec : specOn(UNUSUAL[index % UNUSUAL.length]!, demo)
    const random = randomStream(500 + index)
    const cylinder = () => 1 + Math.floor(random.uniform() * spec.layout.cylinders)
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
    return openBuild(demoDocument({ ...demo, spec, faults, seed: seedOf(900 + index), read: () => true }, new Date('2026-03-01T12:00:00Z')))
  })
}

/** What a bench advises, the planner's plans among it. */
function adviceOf(bench: AdvisingBench, build: Build): readonly Advice[] {
  const advice = bench.advise(build, bench.derive(build))
  if (bench.id !== 'compression') return advice
  return [...advice, ...planCompression(build, cylinderStates(build)).plans.map((plan) => planAdvice(build, plan))]
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
      const advice = adviceOf(bench, build)
      const judged = new Map(judgeAll(advice, build, evaluate(build)).map((one) => [one.id, one]))
      for (const { id, changes } of advice) {
        const said = judged.get(id)
        if (!changes || !said) continue
        pieces++
        const broken = [...outOf(applyChanges(build, changes))].filter((one) => !before.has(one))
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
