import type { Build } from '../../document/build'
import type { Bounds } from '../../metrology'
import { span } from '../../numerics/span'
import { UNITS } from '../../units'
import { bareRatio, numbersOf, type RatioNumbers } from './chain'
import { compressionHeightMm, equalisingCm3, outcomeOf, withKnobs, type Outcome } from './change'
import type { CylinderState } from './cylinder'
import { quench } from './formulas'
import { printed } from '../../numerics/printed'
import type { Gasket, PistonOption } from './stock'

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
  /** What each chamber is opened by, where they are opened alike. */
  readonly opened?: ReadonlyMap<number, number>
}

/** A limit that stands in the way: how it would have to move for some combination to pass. */
export interface BindingLimit {
  readonly limit: PlannedLimit
  readonly by: number
  readonly setup: Setup
}

export type PlannedLimit =
  | 'compression.compressionRatio'
  | 'compression.ratioSpread'
  | 'compression.quench'
  | 'compression.deckClearance'
  | 'compression.chamberVolume'
  | 'compression.deckCut'
  | 'compression.headCut'

export interface PlannerResult {
  readonly tried: number
  readonly plans: readonly Plan[]
  /** Only when there is no plan: limits whose easing alone would let one through, least easing first. */
  readonly binding: readonly BindingLimit[]
  /** When no single limit is to blame: the combination that misses by least, with everything it misses. */
  readonly nearest?: { readonly setup: Setup; readonly misses: readonly { readonly limit: PlannedLimit; readonly by: number }[] }
  /** Pistons left out, because the height of the measured ones is not known and theirs says nothing without it. */
  readonly heightUnknown: readonly string[]
}

/** What the search may ask of: a cut finer than a shop sets is no plan. */
const STEP_MM = { metric: 0.05, inch: 2 * UNITS.thou.factor } as const
/** Cuts are searched this many times past their limit, so that a binding cut limit can be named. */
const BEYOND_LIMIT = 3
const MOST_PLANS = 12
const MM_PER_CM = 10

/**
 * Searches gasket × piston × deck cut × head cut × chamber work for everything that brings every cylinder inside the ratio,
 * quench and spread limits within the cuts allowed and takes no deck or chamber out that was in; least metal first. Cuts are
 * searched on the grid a shop sets them to, and at their limits. A combination passes on its central values; each plan carries
 * the verdict with uncertainty over all the bench judges.
 */
export function planCompression(build: Build, states: readonly CylinderState[]): PlannerResult {
  const heightMm = compressionHeightMm(build)
  const others = otherPistons(build)
  const heightUnknown = heightMm === undefined ? others.map(({ name }) => name) : []
  const cylinders = states.flatMap((state) => (state.inputs ? [{ cylinder: state.cylinder, numbers: numbersOf(state.inputs) }] : []))
  if (cylinders.length === 0 || cylinders.length < states.length) return { tried: 0, plans: [], binding: [], heightUnknown }
  // To the largest, whatever its limit: where that takes chambers out, their limit is named as the one that binds.
  const equalising = equalisingCm3(states)
  const search: Search = { build, cylinders, equalising, heightMm: heightMm ?? 0, now: figuresOf(cylinders.map(({ numbers }) => numbers)) }
  const judged = combinations(build, equalising.size > 0, heightMm === undefined ? [] : others).map((setup) => ({
    setup,
    misses: missesOf(search, setup),
  }))
  const passing = judged
    .filter(({ misses }) => misses.length === 0)
    .map(({ setup }) => setup)
    .sort(leastMetalFirst(build))
  if (passing.length > 0) {
    const plans = withoutNeedlessMetal(passing)
      .slice(0, MOST_PLANS)
      .map((setup): Plan => {
        const opened = setup.equalise ? equalising : undefined
        return { setup, metalMm: metalOf(setup), opened, outcome: outcomeOf(withKnobs(build, { ...setup, openedCm3: opened })) }
      })
    return { tried: judged.length, plans, binding: [], heightUnknown }
  }
  return { tried: judged.length, plans: [], binding: bindingLimits(judged), nearest: nearestMiss(build, judged), heightUnknown }
}

interface Judged {
  readonly setup: Setup
  readonly misses: readonly { limit: PlannedLimit; by: number }[]
}

interface Search {
  readonly build: Build
  readonly cylinders: readonly { readonly cylinder: number; readonly numbers: RatioNumbers }[]
  readonly equalising: ReadonlyMap<number, number>
  readonly heightMm: number
  readonly now: EngineFigures
}

/** Central values of every cylinder, as the limits name them. */
interface EngineFigures {
  readonly ratios: readonly number[]
  readonly quenches: readonly number[]
  readonly decks: readonly number[]
  readonly chambers: readonly number[]
}

function otherPistons({ spec: { stock, choice } }: Build): readonly PistonOption[] {
  return stock.pistons.filter((piston) => piston.id !== choice.piston)
}

function combinations(build: Build, chambersDiffer: boolean, others: readonly PistonOption[]): Setup[] {
  const { stock, limits, units, paper } = build.spec
  const deckCuts = cutsTo(limits['compression.deckCut']?.upper, STEP_MM[units])
  const headCuts = paper.chamberOpenArea ? cutsTo(limits['compression.headCut']?.upper, STEP_MM[units]) : [0]
  const setups: Setup[] = []
  for (const gasket of stock.gaskets)
    for (const piston of [undefined, ...others])
      for (const deckCutMm of deckCuts) {
        for (const headCutMm of headCuts)
          for (const equalise of chambersDiffer ? [false, true] : [false]) {
            setups.push({ gasket, piston, deckCutMm, headCutMm, equalise })
          }
      }
  return setups
}

/** The grid a shop sets cuts to, and the limit itself, which need not lie on it. */
function cutsTo(mostMm = 0, stepMm: number): readonly number[] {
  const grid = Array.from({ length: Math.floor((BEYOND_LIMIT * mostMm) / stepMm + 1e-9) + 1 }, (_, index) => printed(index * stepMm))
  const isOnGrid = grid.some((cut) => Math.abs(cut - mostMm) < 1e-9)
  return isOnGrid ? grid : [...grid, mostMm].sort((a, b) => a - b)
}

function figuresOf(all: readonly RatioNumbers[]): EngineFigures {
  return {
    ratios: all.map(bareRatio),
    quenches: all.map((numbers) => quench.evaluate(numbers)),
    decks: all.map(({ deckMm }) => deckMm),
    chambers: all.map(({ chamberCm3 }) => chamberCm3),
  }
}

/** The numbers of a cylinder with a setup: the same changes as `withKnobs` makes to the build. */
function turned({ build, heightMm, equalising }: Search, cylinder: number, numbers: RatioNumbers, setup: Setup): RatioNumbers {
  const openAreaCm2 = build.spec.paper.chamberOpenArea?.value ?? 0
  const { gasket, piston } = setup
  // The fitted gasket stays as it was measured, where it was.
  const isFitted = gasket.id === build.spec.choice.gasket
  return {
    ...numbers,
    ...(isFitted ? {} : { gasketBoreMm: gasket.boreMm, gasketThicknessMm: gasket.thicknessMm }),
    ...(piston && { pistonCm3: piston.volumeCm3 }),
    deckMm: numbers.deckMm - setup.deckCutMm - (piston ? piston.compressionHeightMm - heightMm : 0),
    chamberCm3: numbers.chamberCm3 + (setup.equalise ? (equalising.get(cylinder) ?? 0) : 0) - (openAreaCm2 * setup.headCutMm) / MM_PER_CM,
  }
}

function missesOf(search: Search, setup: Setup): Judged['misses'] {
  const { limits, methods } = search.build.spec
  const then = figuresOf(search.cylinders.map(({ cylinder, numbers }) => turned(search, cylinder, numbers, setup)))
  const misses: { limit: PlannedLimit; by: number }[] = []
  const miss = (limit: PlannedLimit, by: number) => {
    if (by > 1e-9) misses.push({ limit, by })
  }
  const outside = (limit: PlannedLimit, values: readonly number[]) => Math.max(...values.map((value) => outsideBy(value, limits[limit])))
  // What no knob here can put right is no reason to offer nothing; what a knob would make worse is.
  const worse = (limit: PlannedLimit, before: readonly number[], after: readonly number[]) =>
    Math.max(...after.map((value, index) => outsideBy(value, limits[limit]) - outsideBy(before[index]!, limits[limit])))
  miss('compression.compressionRatio', outside('compression.compressionRatio', then.ratios))
  if (methods.squish === 'pad') miss('compression.quench', outside('compression.quench', then.quenches))
  miss('compression.ratioSpread', outside('compression.ratioSpread', [span(then.ratios)]))
  miss('compression.deckClearance', worse('compression.deckClearance', search.now.decks, then.decks))
  miss('compression.chamberVolume', worse('compression.chamberVolume', search.now.chambers, then.chambers))
  miss('compression.deckCut', outside('compression.deckCut', [setup.deckCutMm]))
  miss('compression.headCut', outside('compression.headCut', [setup.headCutMm]))
  return misses
}

function outsideBy(value: number, bounds: Bounds | undefined): number {
  return Math.max(0, value - (bounds?.upper ?? Infinity), (bounds?.lower ?? -Infinity) - value)
}

function metalOf(setup: Setup): number {
  return setup.deckCutMm + setup.headCutMm
}

/** Least metal, then no new pistons, then no chamber work, then the gasket that is already fitted. */
function leastMetalFirst(build: Build): (a: Setup, b: Setup) => number {
  const changes = (setup: Setup) =>
    Number(setup.piston !== undefined) * 4 + Number(setup.equalise) * 2 + Number(setup.gasket.id !== build.spec.choice.gasket)
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
