import type { Build } from '../../build/build'
import { exactly, type Bounds, type Figure } from '../../metrology'
import type { Gasket, PistonOption } from '../../build/types'
import { span } from '../../numerics/span'
import { equalisingCm3, outcomeOf, turned, type Knobs, type Outcome } from './change'
import { bareRatio, numbersOf, type RatioInputs } from './chain'
import type { CylinderState } from './cylinder'
import { quench } from './formulas'

/** One combination of gasket, piston, cuts and chamber work. */
export interface Setup {
  readonly gasket: Gasket
  readonly piston?: PistonOption
  readonly deckCutMm: number
  readonly headCutMm: number
  /** Chambers opened to the largest one. */
  readonly equalise: boolean
}

export interface Plan {
  readonly setup: Setup
  readonly outcome: Outcome
  /** Metal off deck and head together. */
  readonly metalMm: number
}

/** A limit that stands in the way: how it would have to move for some combination to pass. */
export interface BindingLimit {
  readonly limit: PlannedLimit
  readonly by: number
  readonly setup: Setup
}

export type PlannedLimit = 'compressionRatio' | 'ratioSpread' | 'quench' | 'deckCut' | 'headCut'

export interface PlannerResult {
  readonly tried: number
  readonly plans: readonly Plan[]
  /** Only when there is no plan: limits whose easing alone would let one through, least easing first. */
  readonly binding: readonly BindingLimit[]
  /** When no single limit is to blame: the combination that misses by least, with everything it misses. */
  readonly nearest?: { readonly setup: Setup; readonly misses: readonly { readonly limit: PlannedLimit; readonly by: number }[] }
}

/** What the search may ask of: a cut finer than a shop sets is no plan. */
const STEP_MM = { metric: 0.05, inch: 0.002 * 25.4 } as const
/** Cuts are searched this many times past their limit, so that a binding cut limit can be named. */
const BEYOND_LIMIT = 3
const MOST_PLANS = 12

/**
 * Searches gasket × piston × deck cut × head cut × chamber work for everything that brings every cylinder inside the ratio,
 * quench and spread limits within the cuts allowed; least metal first. Cuts are searched on the grid a shop sets them to.
 * A combination passes on its central values; each plan carries the verdict with doubt.
 */
export function planCompression(build: Build, states: readonly CylinderState[]): PlannerResult {
  const cylinders = states.flatMap((state) => (state.inputs ? [{ cylinder: state.cylinder, inputs: withoutDoubt(state.inputs) }] : []))
  if (cylinders.length === 0 || cylinders.length < states.length) return { tried: 0, plans: [], binding: [] }
  const equalising = equalisingCm3(states)
  const judged = combinations(build, equalising.size > 0).map((setup) => ({ setup, misses: missesOf(build, cylinders, setup, equalising) }))
  const passing = judged.filter(({ misses }) => misses.length === 0).map(({ setup }) => setup).sort(leastMetalFirst(build))
  if (passing.length > 0) {
    const plans = withoutNeedlessMetal(passing).slice(0, MOST_PLANS)
      .map((setup): Plan => ({ setup, metalMm: metalOf(setup), outcome: outcomeOf(build, states, knobsOf(setup, equalising)) }))
    return { tried: judged.length, plans, binding: [] }
  }
  return { tried: judged.length, plans: [], binding: bindingLimits(judged), nearest: nearestMiss(build, judged) }
}

export function knobsOf(setup: Setup, equalising: ReadonlyMap<number, number>): Knobs {
  return { ...setup, openedCm3: setup.equalise ? equalising : undefined }
}

interface Judged { readonly setup: Setup; readonly misses: readonly { limit: PlannedLimit; by: number }[] }

function combinations(build: Build, chambersDiffer: boolean): Setup[] {
  const { stock, limits, units, choice, paper } = build.spec
  const step = STEP_MM[units]
  const cuts = (most: number | undefined) => Array.from({ length: Math.floor((BEYOND_LIMIT * (most ?? 0)) / step + 1e-9) + 1 }, (_, index) => Number((index * step).toPrecision(12)))
  const fitted = stock.pistons.find((piston) => piston.id === choice.piston)
  const pistons = [undefined, ...stock.pistons.filter((piston) => piston !== fitted)]
  const headCuts = paper.chamberOpenArea ? cuts(limits.headCut?.upper) : [0]
  const setups: Setup[] = []
  for (const gasket of stock.gaskets) for (const piston of pistons) for (const deckCutMm of cuts(limits.deckCut?.upper)) {
    for (const headCutMm of headCuts) for (const equalise of chambersDiffer ? [false, true] : [false]) {
      setups.push({ gasket, piston, deckCutMm, headCutMm, equalise })
    }
  }
  return setups
}

function missesOf(build: Build, cylinders: readonly { cylinder: number; inputs: RatioInputs }[], setup: Setup, equalising: ReadonlyMap<number, number>): Judged['misses'] {
  const { limits } = build.spec
  const knobs = knobsOf(setup, equalising)
  const ratios: number[] = []
  const quenches: number[] = []
  for (const { cylinder, inputs } of cylinders) {
    const numbers = numbersOf(turned(build, cylinder, inputs, knobs))
    ratios.push(bareRatio(numbers))
    quenches.push(quench.evaluate(numbers))
  }
  const misses: { limit: PlannedLimit; by: number }[] = []
  const check = (limit: PlannedLimit, values: readonly number[]) => {
    const by = Math.max(...values.map((value) => outsideBy(value, limits[limit])))
    if (by > 1e-9) misses.push({ limit, by })
  }
  check('compressionRatio', ratios)
  check('quench', quenches)
  check('ratioSpread', [span(ratios)])
  check('deckCut', [setup.deckCutMm])
  check('headCut', [setup.headCutMm])
  return misses
}

/** Central values only: a search looks at thousands of setups, and only the ones it keeps are worked out with their doubt. */
function withoutDoubt(inputs: RatioInputs): RatioInputs {
  const bare = (figure: Figure): Figure => ({ ...figure, value: exactly(figure.value.value) })
  const { crevice, rod, pinOffset } = inputs
  return {
    bore: bare(inputs.bore), stroke: bare(inputs.stroke), chamber: bare(inputs.chamber), piston: bare(inputs.piston), deck: bare(inputs.deck),
    gasketBore: bare(inputs.gasketBore), gasketThickness: bare(inputs.gasketThickness),
    rod: rod && bare(rod), pinOffset: pinOffset && bare(pinOffset), crevice: crevice && { crown: bare(crevice.crown), landHeight: bare(crevice.landHeight) },
  }
}

function outsideBy(value: number, bounds: Bounds | undefined): number {
  return Math.max(0, value - (bounds?.upper ?? Infinity), (bounds?.lower ?? -Infinity) - value)
}

function metalOf(setup: Setup): number {
  return setup.deckCutMm + setup.headCutMm
}

/** Least metal, then no new pistons, then no chamber work, then the gasket that is already fitted. */
function leastMetalFirst(build: Build): (a: Setup, b: Setup) => number {
  const changes = (setup: Setup) => Number(setup.piston !== undefined) * 4 + Number(setup.equalise) * 2 + Number(setup.gasket.id !== build.spec.choice.gasket)
  return (a, b) => metalOf(a) - metalOf(b) || changes(a) - changes(b) || a.deckCutMm - b.deckCutMm
}

/** For the same parts and chamber work only the setup with least metal is worth listing. */
function withoutNeedlessMetal(sorted: readonly Setup[]): Setup[] {
  const seen = new Set<string>()
  return sorted.filter((setup) => {
    const parts = [setup.gasket.id, setup.piston?.id, setup.equalise].join()
    if (seen.has(parts)) return false
    seen.add(parts)
    return true
  })
}

/** Limits that alone keep some combination from passing, each with the least it would have to give. */
function bindingLimits(judged: readonly Judged[]): BindingLimit[] {
  const least = new Map<PlannedLimit, BindingLimit>()
  for (const { setup, misses } of judged) {
    const [only] = misses
    if (!only || misses.length > 1) continue
    const known = least.get(only.limit)
    if (!known || only.by < known.by) least.set(only.limit, { ...only, setup })
  }
  return [...least.values()]
}

/** The combination that misses least, each miss weighed by the width of its limit. */
function nearestMiss(build: Build, judged: readonly Judged[]): PlannerResult['nearest'] {
  const weight = (limit: PlannedLimit) => {
    const { lower, upper } = build.spec.limits[limit] ?? {}
    return upper !== undefined && lower !== undefined ? upper - lower : Math.abs(upper ?? lower ?? 1)
  }
  const badness = ({ misses }: Judged) => Math.max(...misses.map(({ limit, by }) => by / weight(limit)))
  return judged.reduce<Judged | undefined>((best, one) => (best === undefined || badness(one) < badness(best) ? one : best), undefined)
}
