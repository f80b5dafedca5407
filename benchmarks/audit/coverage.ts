import { BENCHES } from '@/core/benches'
import type { Bench, OutputId } from '@/core/bench/bench'
import type { Spec } from '@/core/build'
import { freshLayout } from '@/core/build/fresh'
import { cylinderNumbers } from '@/core/engine'
import { expand } from '@/core/metrology'
import { seedOf } from '@/core/numerics/random'
import { span } from '@/core/numerics/span'
import { DEMO_BUILDS } from '@/demo/scenario'
import { measure, type Measured } from './simulatedShop'

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

/** A metric five and an inch V8, each by two schools, and one with parts that vary piece by piece. */
/** Whatever else can be read at a cam and what turns it. */
const ALL_OF_CAMS = { camLobes: true, camMark: true, camDwell: true, camSprockets: true, camAsFound: true } as const

/** A twin with cams in its heads: each bank is degreed at its own cylinder. */
function twinOf(spec: Spec): Spec {
  const layout = freshLayout({ kind: 'v', cylinders: 2, bankAngleDeg: 45, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' })
  return { ...schools(spec, { ringDepths: 1, ...ALL_OF_CAMS }, layout), joints: undefined, drive: undefined }
}

/** Valves by every way: drop, dial, clay; of the others what follows from them. */
const EVERY_WAY = { clearanceDial: 'every', clearanceClay: true, clearanceHead: true, clearanceRound: true } as const

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
}

const isSpread = (output: string) => /Spread|Fall|outOfRound|outOfLine|taper|Round|Taper|Apart/.test(output)
/**
 * May cover more: feeler intervals, coarse steps and a quench, 77 to 91 % of whose variance is its gasket's tolerance, whose errors
 * have hard limits; figures with assumptions (heat, gas, a warm engine, steel, what a wrench repeats, another bolt’s
 * friction, a piston that dwells unseen, what redline takes, how a crank is parked, sizes in
 * steps of a calliper) that the simulated shop has right; and the spread of piston clearances, each
 * from the smallest of six diameters: picking it makes all clearances a little too small alike, which their spread does not see,
 * and its doubt is counted in each (root mean square: 3.4 µm stated, 2.6 µm off).
 */
const MAY_BE_OVER = new RegExp(
  [
    'Gap|secondOverTop|endFloat|rodSide|hotGap|runOut|Round|Warm|Pressure|endTemperature|quench|clearanceSpread',
    'dwellOff',
    String.raw`clearance\.(?:roomToMove|atRedline|headAtRedline|parked|valveToValve|waysApart|spread|radial)`,
    String.raw`fasteners\.(?:load|ofYield|nutFactor|torque|pulled|clamp|even|warm)`,
  ].join('|'),
)
/** Drawn for the worst of what is not known, on purpose: no middle to cover. */
const ONE_SIDED: ReadonlySet<OutputId> = new Set(['rings.buttingTemperature'])
/** Of the wheel and its readings, not of the engine: another wheel shows another angle. */
const OF_THE_GAUGE: ReadonlySet<OutputId> = new Set(['cam.tdc', 'cam.depthsApart'])

function markOf(key: string, share: number, low: number, high: number): string {
  if (share < low) return 'SHORT'
  if (share <= high) return 'ok'
  return MAY_BE_OVER.test(key) ? 'over' : 'OVER'
}

/**
 * How often each kind of finding covers the truth at its stated 95 %, over simulated engines; prints what falls short.
 * @returns how many do.
 */
export function auditCoverage(seeds: number): number {
  const counts = new Map<string, Count>()
  for (const [name, spec] of VARIANTS) {
    for (let seed = 0; seed < seeds; seed++) {
      const { measured, truthOf, trueClosestMm } = measure(spec, seedOf(7919 * (seed + 1) + name.length))
      for (const bench of BENCHES) {
        const truths = truthsOf(bench, spec, truthOf)
        for (const { id, output, figure, valve } of bench.derive(measured)) {
          const exact = output === 'clearance.closest' && valve ? trueClosestMm(valve) : truths.get(id)
          if (!figure || exact === undefined || ONE_SIDED.has(output) || OF_THE_GAUGE.has(output)) continue
          // Each way of reading a valve is to cover by itself.
          const key = output === 'clearance.closest' ? `${output}, ${name}` : output
          const count = counts.get(key) ?? { tried: 0, covered: 0 }
          counts.set(key, {
            tried: count.tried + 1,
            covered: count.covered + Number(Math.abs(figure.value.value - exact) <= expand(figure.value).U + 1e-9),
          })
        }
      }
    }
  }
  let short = 0
  for (const [key, { tried, covered }] of [...counts].sort(([a], [b]) => (a < b ? -1 : 1))) {
    const share = covered / tried
    const [low, high] = isSpread(key) ? [0.92, 0.98] : [0.93, 0.97]
    const mark = markOf(key, share, low, high)
    if (mark === 'SHORT' || mark === 'OVER') short++
    console.log(
      `${mark.padEnd(5)} ${key.padEnd(56)} ${(share * 100).toFixed(1).padStart(5)} % of ${tried} (wanted ${low * 100} to ${high * 100} %)`,
    )
  }
  return short
}
