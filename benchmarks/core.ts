/** Figures of the core alone, in Node: the compiler warm, nothing remembered but where it is said. */
import { Bench } from 'tinybench'
import { engineOf, mayDo, partsOf, READINGS, TURNS, usualOrder, type Act } from '@/core/assembly'
import { cam } from '@/core/benches/cam'
import { checkedLobe } from '@/core/geometry/valvetrain'
import { closedLiftMm } from '@/core/geometry/valvetrain/closedLobe'
import { refits } from '@/core/geometry/valvetrain/refits'
import { randomStream, seedOf } from '@/core/numerics/random'
import { compression, cylinderStates, planCompression, ratioChain } from '@/core/benches/compression'
import { benchById, BENCHES, openBuild, PAPER, uncertaintyBudget } from '@/core/benches'
import { withEntries, type Build, type BuildDocument, type Joint, type Pull, type Reading } from '@/core/document'
import { fasteners } from '@/core/benches/fasteners'
import { clampEstimates } from '@/core/joints/bolts'
import { headPattern, jointsOf, oddAngles, planIssues, runsOf, stepsOf } from '@/core/joints'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { selectShells } from '@/core/benches/bearings'
import { matchPistons } from '@/core/benches/bores'
import { serveBuild } from '@/features/entries/servedBuild'
import type { Report } from './report'
import { sixteen } from './sixteen'

/** The demo's V8 with every place read that the five benches of the short block could ask for. */
function eight(): BuildDocument {
  const petrel = DEMO_BUILDS[1]!
  const { methods } = petrel.spec
  const asked = { deckPlaces: 4, ringDepths: 3, chamberRepeats: 2, rodBolts: 'torque', camEvents: false, clearanceDrop: false } as const
  const spec = { ...petrel.spec, methods: { ...methods, ...asked } }
  return demoDocument({ ...petrel, spec, read: () => true }, new Date())
}

/** What the bounds of a whole evaluation were set for: each further bench may take a fifth more. */
const SHORT_BLOCK = (['bores', 'bearings', 'rings', 'rods', 'compression'] as const).map((id) => benchById(id))

/** The build with one deck reading corrected, another value every time. */
function correcting(build: Build): () => Build {
  const old = build.entries.find(
    (entry): entry is Reading & typeof entry => entry.kind === 'reading' && entry.characteristic === 'bores.bore',
  )!
  let count = 0
  return () => {
    count++
    const id = `0199f000-0000-7000-8000-${String(count).padStart(12, '0')}`
    return withEntries(build, [{ ...old, id, value: old.value + 0.0001 * (count % 50), supersedes: old.id }])
  }
}

/** Four tables of half a degree's wheel, a row every other degree over two turns. */
function curvesMs(): number {
  const uncertainty = { wheelDeg: 0.25, dialMm: 0.005 }
  const tables = Array.from({ length: 4 }, (_, seed) => {
    const random = randomStream(seedOf(seed + 1))
    return Array.from({ length: 360 }, (_, index) => {
      const angleDeg = -360 + 2 * index
      const at = angleDeg - 109.5 + uncertainty.wheelDeg * random.normal()
      return { angleDeg, liftMm: closedLiftMm({ liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }, at) + uncertainty.dialMm * random.normal() }
    })
  })
  const run = () => {
    for (const rows of tables)
      for (const _ of refits(checkedLobe(rows, uncertainty).curve, uncertainty, { checkLiftMm: 1.27, count: 1000, seed: 1 }));
  }
  run()
  const started = performance.now()
  run()
  return performance.now() - started
}

/** A whole engine that nothing is remembered of, and one reading of it changed: by the five benches of the short block, and by all. */
function engineFigures(bench: Bench, bounds: number[]): void {
  const engines = [
    ['V8', eight(), 12, 2],
    ['sixteen cylinders', sixteen(), 25, 4],
  ] as const
  for (const [name, document, whole, one] of engines) {
    const readings = document.entries.filter(({ kind }) => kind === 'reading').length
    for (const { words, benches } of [
      { words: 'the five benches of the short block', benches: SHORT_BLOCK },
      { words: 'all benches', benches: BENCHES },
    ]) {
      const evaluateAll = (build: Build) => benches.flatMap(({ derive }) => derive(build))
      const times = benches.length / SHORT_BLOCK.length
      let unseen = structuredClone(document)
      bench.add(`${name}, ${readings} readings: opened and evaluated, ${words}`, () => void evaluateAll(openBuild(unseen)), {
        // Another document every time: nothing of it is remembered from before.
        beforeEach: () => {
          unseen = structuredClone(document)
        },
      })
      bounds.push(Number((whole * times).toFixed(2)))
      const known = openBuild(document)
      evaluateAll(known)
      const corrected = correcting(known)
      bench.add(`${name}: one reading changed, ${words}`, () => void evaluateAll(corrected()))
      bounds.push(Number((one * times).toFixed(2)))
    }
  }
}

export async function coreFigures(report: Report): Promise<void> {
  const tern = openBuild(demoDocument(DEMO_BUILDS[0]!, new Date()))
  const states = cylinderStates(tern)
  const inputs = states[0]!.inputs!
  const bench = new Bench({ time: 1500, warmupTime: 500 })
  const bounds: number[] = []
  const figure = (name: string, most: number, run: () => void) => {
    bench.add(name, run)
    bounds.push(most)
  }
  engineFigures(bench, bounds)
  figure('one ratio with its budget', 0.2, () => void uncertaintyBudget(tern, PAPER, ratioChain(inputs).ratio.value))
  figure('planner, every combination', 500, () => void planCompression(tern, cylinderStates(tern)))
  const { id, spec, entries, gauges } = tern
  const unseen = () => openBuild({ id, spec, entries: [...entries], gauges: [...gauges.values()] })
  figure('compression bench alone, opened and derived', 10, () => void compression.derive(unseen()))
  figure('rod bolts of a five, a curve of each, opened and derived', 12, () => void fasteners.derive(unseen()))
  const big = sixteen()
  figure('sixteen pistons matched to their bores', 50, () => void matchPistons(openBuild(big)))
  figure('rod shells of sixteen from forty halves', 100, () => void selectShells(openBuild(big), 'rod'))
  report.figure('four curves of 360 rows, fitted and refitted a thousand times each', curvesMs(), 'ms', 2000)
  figure('cam bench of a five, two curves, opened and derived', 50, () => void cam.derive(unseen()))
  const again = (build: Build): Build =>
    withEntries(
      build,
      [...build.readings.current.values()].map((reading, index) => ({
        ...reading,
        id: `0199f000-${String(build.entries.length).padStart(4, '0')}-7000-8000-${String(index).padStart(12, '0')}`,
        supersedes: reading.id,
      })),
    )
  figure('64 fasteners in three stages, four runs: where they stand, what is odd, what they clamp', 5, largeJoint())
  figure('what is missing before every act on a whole V8', 5, lawsOfV8())
  const often = Array.from({ length: 7 }).reduce<Build>(again, openBuild(big))
  report.figure('data of a bench page, sixteen read eight times over', JSON.stringify(serveBuild(often, 1)).length / 1000, 'kB', 200)
  figure('that build made ready for its page', 50, () => void serveBuild(often, 1))
  await bench.run()
  bench.tasks.forEach((task, index) => {
    const median = task.result?.latency.p50
    if (median === undefined) throw new Error(`${task.name} did not complete`)
    report.figure(`${task.name}, median`, median, 'ms', bounds[index]!)
  })
}

/** Every act that can be asked for of a V8 that is ready to fire. */
function lawsOfV8(): () => void {
  const parts = partsOf(engineOf(DEMO_BUILDS[1]!.spec))
  const { standing } = usualOrder(parts)
  const handled = parts.all.flatMap(({ id: part }): Act[] => [
    { act: 'on', part, grade: 'final' },
    ...(['off', 'loosen', 'torque', 'settle', 'wash', 'change'] as const).map((act) => ({ act, part })),
  ])
  const turned = TURNS.map((kind): Act => ({ act: 'turn', kind }))
  const read = READINGS.map((reading): Act => ({ act: 'read', reading }))
  return () => {
    for (const act of [...handled, ...turned, ...read]) mayDo(parts, standing, act)
  }
}

/** What a page of a joint works out: every run of it pull by pull, fasteners that turn otherwise, the plan, the clamp. */
function largeJoint(): () => void {
  const positions = headPattern(31, 40, [
    { yMm: 50, at: 'between' },
    { yMm: -50, at: 'between' },
  ])
  const tern = jointsOf(DEMO_BUILDS[0]!.spec).find(({ id }) => id === 'head')!
  const [group] = tern.groups
  const joint: Joint = {
    ...tern,
    fasteners: positions.map((position) => ({ ...position, type: 'A' })),
    groups: [{ ...group!, order: positions.map((_, index) => index + 1) }],
  }
  const pulls = [0, 1, 2, 3].flatMap((run) => runOf(joint, run))
  return () => {
    for (const run of runsOf(joint, pulls)) oddAngles(joint, run)
    planIssues(joint)
    clampEstimates(joint, joint.groups[0]!)
  }
}

function runOf(joint: Joint, run: number): Pull[] {
  const id = (number: number) => `0199f00${run}-0000-7000-8000-${String(number).padStart(12, '0')}`
  const stamp = { kind: 'pull', at: '2026-03-01T10:00:00Z', by: 'KV', joint: joint.id, run: id(0), device: 'bench' } as const
  const steps = stepsOf(joint)
  return [
    { ...stamp, id: id(0), did: 'begin' },
    ...steps.map(({ stage, fastener }, index): Pull => ({
      ...stamp,
      id: id(index + 1),
      did: 'pulled',
      follows: id(index),
      stage,
      fastener,
      angleDeg: 40 + ((fastener * 7) % 5),
    })),
  ]
}
