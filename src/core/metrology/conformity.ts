import { studentCdf, studentCoverageFactor } from '../numerics/distributions'
import { coverageFactor } from './expanded'
import { effectiveDof, standardUncertainty, type Uncertain } from './uncertain'

/** Bounds something must keep, in its canonical unit. */
export interface Bounds {
  readonly lower?: number
  readonly upper?: number
  readonly target?: number
}

/**
 * How a verdict is drawn from a value and its uncertainty. `strict`: value ± U inside (ISO 14253-1:1998 and :2013, k = 2).
 * `probable`: at least 95 % sure on each side, a guard band of 1.65 u (default of ISO 14253-1:2017; JCGM 106:2012, 8.3).
 */
export type DecisionRule = 'strict' | 'probable'

export type Verdict = 'within' | 'inDoubt' | 'over' | 'under'

export interface Conformity {
  readonly verdict: Verdict
  readonly rule: DecisionRule
  /** Probability that the true value keeps the bounds (JCGM 106:2012, 7.2). */
  readonly probability: number
  readonly U: number
  readonly k: number
  /** How far the value stands outside its nearest bound; 0 when inside. */
  readonly excess: number
  /** No value of this uncertainty could be called within: the band is narrower than the guard needs. */
  readonly gaugeCannotDecide: boolean
  /** Within by what is known, and not called so: what it rests on is not all read, or of a part that is out. */
  readonly isHeldBack?: true
}

/** One-sided 95 % point of the normal distribution, to the digits the standard gives. */
const GUARD_FACTOR = 1.65
/** The two-sided coverage whose factor leaves 5 % on one side. */
const ONE_SIDED_COVERAGE = 0.9
const LEAST_PROBABILITY = 0.95

/** `isNeverNegative`: the value is a size (a spread, an out-of-roundness), so that zero is a bound of its own. */
export function judge(x: Uncertain, bounds: Bounds, rule: DecisionRule, isNeverNegative = false): Conformity {
  const u = standardUncertainty(x)
  const dof = effectiveDof(x)
  const k = coverageFactor(dof)
  const U = k * u
  const guard = rule === 'strict' ? U : probableGuard(u, dof)
  const lower = bounds.lower ?? -Infinity
  const upper = bounds.upper ?? Infinity
  const { value } = x
  // Two readings of one bound are the same bound: 1e-9 of its size keeps 0.1 + 0.2 from failing 0.3.
  const slack = 1e-9 * Math.max(Math.abs(value), U)
  const probability = probabilityWithin(value, u, dof, lower, upper)
  const verdict = verdictOf(value, guard, lower, upper, slack)
  return {
    // In a band hardly wider than the guards both sides may be sure enough and the whole is not.
    verdict: verdict === 'within' && rule === 'probable' && probability < LEAST_PROBABILITY ? 'inDoubt' : verdict,
    rule,
    probability,
    U,
    k,
    excess: Math.max(0, value - upper, lower - value),
    gaugeCannotDecide: cannotDecide(bounds, guard, isNeverNegative),
  }
}

/** Student's t where few repeats are behind the uncertainty, and never less than the standard's own factor. */
function probableGuard(u: number, dof: number): number {
  return Math.max(GUARD_FACTOR, studentCoverageFactor(ONE_SIDED_COVERAGE, Math.max(1, dof))) * u
}

function verdictOf(value: number, guard: number, lower: number, upper: number, slack: number): Verdict {
  if (value - guard > upper + slack) return 'over'
  if (value + guard < lower - slack) return 'under'
  return value - guard >= lower - slack && value + guard <= upper + slack ? 'within' : 'inDoubt'
}

/** Whether even the best value there can be, the middle of the band, the target or zero, would stay in doubt. */
function cannotDecide({ lower, upper, target }: Bounds, guard: number, isNeverNegative: boolean): boolean {
  if (lower !== undefined && upper !== undefined) return upper - lower < 2 * guard
  if (upper !== undefined && isNeverNegative) return upper < guard
  if (target === undefined) return false
  return Math.abs(target - (lower ?? upper ?? target)) < guard
}

function probabilityWithin(value: number, u: number, dof: number, lower: number, upper: number): number {
  if (u === 0) return value >= lower && value <= upper ? 1 : 0
  const shareBelow = (bound: number) => {
    if (Number.isFinite(bound)) return studentCdf((bound - value) / u, dof)
    return bound > 0 ? 1 : 0
  }
  return Math.max(0, shareBelow(upper) - shareBelow(lower))
}

/**
 * A go/no-go interval against bounds: judged as an interval, not by 2u. Within when all of it is inside, probability = the share
 * inside. A leaf that goes at the minimum is within; one that does not go at the minimum is under; one that goes at the maximum
 * is over (common practice). `leafTolerance` widens the interval by what a checked leaf may be off, at both ends.
 */
export function judgeInterval(low: number, high: number, bounds: Bounds, rule: DecisionRule, leafTolerance = 0): Conformity {
  const from = low - leafTolerance
  const to = high + leafTolerance
  const lower = bounds.lower ?? -Infinity
  const upper = bounds.upper ?? Infinity
  const slack = 1e-9 * Math.max(Math.abs(from), Math.abs(to))
  const inside = Math.max(0, Math.min(to, upper) - Math.max(from, lower))
  const middle = (from + to) / 2
  const verdict = intervalVerdict(from, to, lower - slack, upper + slack, slack)
  return {
    verdict,
    rule,
    probability: verdict === 'within' ? 1 : inside / (to - from),
    U: (to - from) / 2,
    k: Math.sqrt(3),
    excess: Math.max(0, middle - upper, lower - middle),
    gaugeCannotDecide: upper - lower < to - from,
  }
}

function intervalVerdict(from: number, to: number, lower: number, upper: number, slack: number): Verdict {
  if (from >= upper - 2 * slack) return 'over'
  if (to <= lower + 2 * slack) return 'under'
  return from >= lower && to <= upper ? 'within' : 'inDoubt'
}
