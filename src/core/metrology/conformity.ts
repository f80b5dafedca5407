import { studentCdf } from '../numerics/distributions'
import { expand } from './expanded'
import { effectiveDof, standardUncertainty, type Uncertain } from './uncertain'

/** Bounds something must keep, in its canonical unit. */
export interface Bounds {
  readonly lower?: number
  readonly upper?: number
  readonly target?: number
}

/**
 * How a verdict is drawn from a value and its doubt. `strict`: value ± U inside (ISO 14253-1:1998 and :2013, k = 2).
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
  /** The band is narrower than 2U: no reading of this gauge could be called within. */
  readonly gaugeCannotDecide: boolean
}

/** One-sided 95 % point of the normal distribution, to the digits the standard gives. */
const GUARD_FACTOR = 1.65

export function judge(x: Uncertain, bounds: Bounds, rule: DecisionRule): Conformity {
  const { U, k } = expand(x)
  const guard = rule === 'strict' ? U : GUARD_FACTOR * standardUncertainty(x)
  const lower = bounds.lower ?? -Infinity
  const upper = bounds.upper ?? Infinity
  const { value } = x
  // Two readings of one bound are the same bound: 1e-9 of its size keeps 0.1 + 0.2 from failing 0.3.
  const slack = 1e-9 * Math.max(Math.abs(value), U)
  return {
    verdict: verdictOf(value, guard, lower, upper, slack),
    rule,
    probability: probabilityWithin(x, lower, upper),
    U,
    k,
    excess: Math.max(0, value - upper, lower - value),
    gaugeCannotDecide: upper - lower < 2 * U,
  }
}

function verdictOf(value: number, guard: number, lower: number, upper: number, slack: number): Verdict {
  if (value - guard > upper + slack) return 'over'
  if (value + guard < lower - slack) return 'under'
  return value - guard >= lower - slack && value + guard <= upper + slack ? 'within' : 'inDoubt'
}

function probabilityWithin(x: Uncertain, lower: number, upper: number): number {
  const u = standardUncertainty(x)
  if (u === 0) return x.value >= lower && x.value <= upper ? 1 : 0
  const dof = effectiveDof(x)
  const below = (bound: number) => (Number.isFinite(bound) ? studentCdf((bound - x.value) / u, dof) : bound > 0 ? 1 : 0)
  return Math.max(0, below(upper) - below(lower))
}

/**
 * A go/no-go interval against bounds: judged as an interval, not by 2u. Within when all of it is inside
 * (a feeler that goes at the minimum is within), probability = the share inside. `leafTolerance` widens the interval
 * by the leaf's own ± tolerance at both ends.
 */
export function judgeInterval(low: number, high: number, bounds: Bounds, rule: DecisionRule, leafTolerance = 0): Conformity {
  const from = low - leafTolerance
  const to = high + leafTolerance
  const lower = bounds.lower ?? -Infinity
  const upper = bounds.upper ?? Infinity
  const slack = 1e-9 * Math.max(Math.abs(from), Math.abs(to))
  const inside = Math.max(0, Math.min(to, upper) - Math.max(from, lower))
  const middle = (from + to) / 2
  const verdict = from > upper + slack ? 'over' : to < lower - slack ? 'under' : from >= lower - slack && to <= upper + slack ? 'within' : 'inDoubt'
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
