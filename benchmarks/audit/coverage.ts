import { BENCHES } from '@/core/benches'
import type { Bench, OutputId } from '@/core/bench/bench'
import type { Spec } from '@/core/document'
import { freshLayout } from '@/core/document/fresh'
import { cylinderNumbers } from '@/core/geometry/crank'
import { expand } from '@/core/metrology'
import { randomStream, seedOf } from '@/core/numerics/random'
import { span } from '@/core/numerics/span'
import { DEMO_BUILDS } from '@/demo/scenario'
import { measure, type Measured } from './simulatedShop'
import { assumedErr, expectedShare } from './shapes'

const [tern, petrel] = DEMO_BUILDS.map(({ spec }) => spec) as [Spec, Spec]
const schools = (spec: Spec, methods: Partial<Spec['methods']>, layout: Partial<Spec['layout']> = {}): Spec => ({
  ...spec,
  methods: { ...spec.methods, ...methods },
  layout: { ...spec.layout, ...layout },
})

/** Pistons and rods bought one by one: each errs for itself. */
function piecesVary(spec: Spec): Spec {
  const keys = ['rodLength', 'compressionHeight', 'pistonVolume', 'crownDiameter', 'landHeight'] as const
  const paper = Object.fromEntries(keys.map((key) => [key, { ...spec.paper[key]!, varies: 'piece' as const }]))
  return schools({ ...spec, paper: { ...spec.paper, ...paper } }, { ringDepths: 1 })
}

/** Whatever else can be read at a cam and what turns it. */
const ALL_OF_CAMS = { camLobes: true, camMark: true, camDwell: true, camSprockets: true, camAsFound: true } as const

/** A twin with cams in its heads: each bank is degreed at its own cylinder. */
function twinOf(spec: Spec): Spec {
  const layout = freshLayout({ kind: 'v', cylinders: 2, bankAngleDeg: 45, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
  return { ...schools(spec, { ringDepths: 1, ...ALL_OF_CAMS }, layout), joints: undefined, drive: undefined }
}

/** Valves by every way: drop, dial, clay; of the others what follows from them. */
const EVERY_WAY = { clearanceDial: 'every', clearanceClay: true, clearanceHead: true, clearanceRound: true } as const

/** A metric five and an inch V8 by several schools, one with parts that vary piece by piece, and a twin. */
const VARIANTS: readonly (readonly [string, Spec])[] = [
  ['metric five', schools(tern, { ringDepths: 1, ...ALL_OF_CAMS, camCurve: true })],
  [
    'metric five, other schools',
    schools(tern, { bore: 'measured', chamber: 'mass', piston: 'downTheBore', gasket: 'measured', bearings: 'separate', ringDepths: 1 }),
  ],
  ['metric five, pieces that vary', piecesVary(tern)],
  ['inch V8', schools(petrel, ALL_OF_CAMS)],
  ['metric five, valves by dial', schools(tern, { ringDepths: 1, ...EVERY_WAY, clearanceDrop: false })],
  ['metric five, valves by clay', schools(tern, { ringDepths: 1, ...EVERY_WAY, clearanceDial: 'none', clearanceDrop: false })],
  ['metric five, valves of one cylinder', schools(tern, { ringDepths: 1, clearanceValves: 'first', clearanceGasket: 'none' })],
  ['metric twin, cams in the heads', twinOf(tern)],
  ['inch V8, other schools', schools(petrel, { bore: 'measured', chamber: 'buretteVolume', gasket: 'measured', bearings: 'strip' })],
]

/** Every finding as it truly is; a spread over cylinders from the truth of each. */
function truthsOf(bench: Bench, spec: Spec, truthOf: Measured['truthOf']): ReadonlyMap<string, number | undefined> {
  const whole = new Map(bench.derive(truthOf(undefined)).map((finding) => [finding.id, finding.figure?.value.value]))
  if (!Object.values(spec.paper).some(({ varies }) => varies === 'piece')) return whole
  const own = cylinderNumbers(spec.layout).flatMap((cylinder) =>
    bench.derive(truthOf(cylinder)).filter((finding) => finding.cylinder === cylinder),
  )
  for (const { id, figure } of own) whole.set(id, figure?.value.value)
  const ratios = own.flatMap(({ output, figure }) => (output === 'compression.compressionRatio' && figure ? [figure.value.value] : []))
  if (ratios.length > 1) whole.set('compression.ratioSpread', span(ratios))
  return whole
}

interface Count {
  tried: number
  covered: number
  /** Sum of the shares that are to be covered by what each figure rests on. */
  wanted: number
  /** Engines it was tried on: figures of one engine err together. */
  readonly engines: Set<number>
  /** The extreme of several. */
  picked: boolean
  /** A size, with no sign. */
  readonly isSize: boolean
}

/** Drawn for the worst of what is not known, on purpose: no middle to cover. */
const ONE_SIDED: ReadonlySet<OutputId> = new Set(['rings.buttingTemperature'])
/** Of the wheel and its readings, not of the engine: another wheel shows another angle. */
const OF_THE_GAUGE: ReadonlySet<OutputId> = new Set(['cam.tdc', 'cam.depthsApart'])

/** The least share of figures that the wanted share stands for, and the most: two hundredths and what so many engines leave to chance. */
function band({ wanted, tried, engines, picked, isSize }: Count): readonly [number, number] {
  const share = wanted / tried
  const chance = 2 * Math.sqrt((share * (1 - share)) / engines.size)
  // A size near nothing cannot be read below nothing: what would miss on that side is turned back.
  const most = isSize ? (1 + share) / 2 : share
  // The extreme of several is in doubt as if all were truly alike, where picking it errs the most; where they are not it errs less.
  return [share - 0.02 - chance, picked ? 1 : Math.min(1, most + 0.02 + chance)]
}

type Counts = Map<string, Count>

/** One engine, measured: every figure of it beside the truth. */
function countEngine(counts: Counts, [name, spec]: (typeof VARIANTS)[number], seed: number): void {
  const { measured, truthOf, trueClosestMm } = measure(spec, seedOf(seed))
  const random = randomStream(seedOf(seed + 1))
  const assumed = assumedErr(spec, random)
  for (const bench of BENCHES) {
    const truths = truthsOf(bench, spec, truthOf)
    for (const { id, output, figure, valve } of bench.derive(measured)) {
      const exact = output === 'clearance.closest' && valve ? trueClosestMm(valve) : truths.get(id)
      if (!figure || exact === undefined || ONE_SIDED.has(output) || OF_THE_GAUGE.has(output)) continue
      // Each way of reading a valve is to cover by itself.
      const count = countOf(counts, output === 'clearance.closest' ? `${output}, ${name}` : output, bench.definition.outputs[output]!)
      const off = figure.value.value - exact + assumed(figure)
      count.tried++
      count.covered += Number(Math.abs(off) <= expand(figure.value).U + 1e-9)
      count.wanted += expectedShare(figure, spec, random)
      count.engines.add(seed)
      count.picked ||= figure.value.components.some(({ source: { owner } }) => owner === 'selection')
    }
  }
}

function countOf(counts: Counts, key: string, { neverNegative: isSize = false }: { readonly neverNegative?: boolean }): Count {
  const known = counts.get(key)
  if (known) return known
  const count: Count = { tried: 0, covered: 0, wanted: 0, engines: new Set(), picked: false, isSize }
  counts.set(key, count)
  return count
}

/**
 * How often each kind of finding covers the truth, over simulated engines, beside how often it is to by what it rests on: 95 %
 * where that is normal, more where most of it has hard ends, as a feeler leaf that goes and the next that does not. Prints what is
 * outside. @returns how many are.
 */
export function auditCoverage(seeds: number): number {
  const counts: Counts = new Map()
  for (const variant of VARIANTS) for (let seed = 1; seed <= seeds; seed++) countEngine(counts, variant, 7919 * seed + variant[0].length)
  let outside = 0
  for (const [key, count] of [...counts].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const share = count.covered / count.tried
    const [low, high] = band(count)
    const mark = markOf(share, low, high)
    if (mark !== 'ok') outside++
    const percent = (one: number) => `${(one * 100).toFixed(1).padStart(5)} %`
    console.log(`${mark.padEnd(5)} ${key.padEnd(56)} ${percent(share)} of ${count.tried} (wanted ${percent(low)} to ${percent(high)})`)
  }
  return outside
}

function markOf(share: number, low: number, high: number): 'SHORT' | 'ok' | 'OVER' {
  if (share < low) return 'SHORT'
  return share <= high ? 'ok' : 'OVER'
}
