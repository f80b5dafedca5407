/** Where a valve comes nearest to its piston, and how far its cam may be moved before it comes too near. */
import { pistonDropMm, type Crank } from '../crank'
import { rootBetween, rootOr } from '../../numerics/roots'
import { valveGapMm, type ValveOverPiston } from './valveGap'

/** One valve through the cycle: how it stands over its piston, and how far it is off its seat. */
export interface ValveSweep {
  readonly over: ValveOverPiston
  readonly crank: Crank
  /** At a crank angle after overlap TDC, mm. */
  readonly liftMm: (deg: number) => number
}

/** The gap at a crank angle after overlap TDC, mm. */
export function gapMm({ over, crank, liftMm }: ValveSweep, deg: number): number {
  return valveGapMm(over, pistonDropMm(crank, deg), liftMm(deg))
}

/** A gap, and the crank angle after overlap TDC that has it. */
export interface Approach {
  readonly gapMm: number
  readonly atDeg: number
}

/** Further from overlap TDC a piston is out of reach of any valve. */
const REACH_DEG = 120
const STEP_DEG = 0.5
const GOLDEN = (Math.sqrt(5) - 1) / 2
/** Each step leaves 0.618 of the stretch: a thousand-millionth of a degree. */
const GOLDEN_STEPS = 42

/** The least gap and where it is; looked for every half degree, then by golden section. */
export function closestApproach(sweep: ValveSweep): Approach {
  let nearest = -REACH_DEG
  for (let deg = -REACH_DEG; deg <= REACH_DEG; deg += STEP_DEG) if (gapMm(sweep, deg) < gapMm(sweep, nearest)) nearest = deg
  return leastBetween(sweep, nearest - STEP_DEG, nearest + STEP_DEG, GOLDEN_STEPS)
}

/** The least gap between two angles, of which it has one minimum; each step leaves 0.618 of the stretch. */
export function leastBetween(sweep: ValveSweep, from: number, to: number, steps: number): Approach {
  let [low, high] = [from, to]
  for (let step = 0; step < steps; step++) {
    const [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)]
    if (gapMm(sweep, a) < gapMm(sweep, b)) high = b
    else low = a
  }
  const atDeg = (low + high) / 2
  return { gapMm: gapMm(sweep, atDeg), atDeg }
}

/** Nobody moves a cam further on a dyno. */
export const WINDOW_DEG = 20
const WINDOW_STEP_DEG = 0.5

/**
 * From how far later to how far earlier a cam may be set with the gap at least `limitMm`, crank degrees, earlier is positive, searched
 * to ±20°: about where it stands, or where it is too near there, the nearest settings at which it is not. Undefined where there are none.
 */
export function safeWindow(sweep: ValveSweep, limitMm: number): { readonly fromDeg: number; readonly toDeg: number } | undefined {
  const spareMm = (advanceDeg: number) => closestApproach(advanced(sweep, advanceDeg)).gapMm - limitMm
  const isSafe = (deg: number) => spareMm(deg) >= 0
  const start = WINDOW_STEPS.find(isSafe)
  if (start === undefined) return undefined
  const edge = (side: 1 | -1) => {
    for (let deg = start; Math.abs(deg + side * WINDOW_STEP_DEG) <= WINDOW_DEG; deg += side * WINDOW_STEP_DEG)
      if (!isSafe(deg + side * WINDOW_STEP_DEG)) return rootOr(rootBetween(spareMm, deg, deg + side * WINDOW_STEP_DEG), deg)
    return side * WINDOW_DEG
  }
  return { fromDeg: edge(-1), toDeg: edge(1) }
}

/** From where it stands outwards, later and earlier in turn. */
const WINDOW_STEPS = Array.from({ length: (2 * WINDOW_DEG) / WINDOW_STEP_DEG + 1 }, (_, index) => {
  const away = Math.ceil(index / 2) * WINDOW_STEP_DEG
  return index % 2 === 0 ? away : -away
})

/** The same valve with its cam set earlier: what it did at an angle it does so much before it. */
export function advanced(sweep: ValveSweep, byDeg: number): ValveSweep {
  return byDeg === 0 ? sweep : { ...sweep, liftMm: (deg) => sweep.liftMm(deg + byDeg) }
}

/** The closest approach with the cam set so far earlier, crank degrees; later is negative. */
export interface Phased extends Approach {
  readonly advanceDeg: number
}

/** Where a valve comes closest moves by less than the cam does. */
const BESIDE_DEG = 3
/** To a hundredth of a degree: at a minimum the gap is then known to less than any gauge sees. */
const PHASING_STEPS = 14

/** The closest approach over every setting of the cam, degree by degree to ±20°, latest first. */
export function overPhasing(sweep: ValveSweep): readonly Phased[] {
  const from = (start: Approach, way: 1 | -1): readonly Phased[] => {
    let last = start
    return Array.from({ length: WINDOW_DEG }, (_, index) => {
      const advanceDeg = way * (index + 1)
      last = leastBetween(advanced(sweep, advanceDeg), last.atDeg - BESIDE_DEG, last.atDeg + BESIDE_DEG, PHASING_STEPS)
      return { advanceDeg, ...last }
    })
  }
  const here = closestApproach(sweep)
  return [...from(here, -1).toReversed(), { advanceDeg: 0, ...here }, ...from(here, 1)]
}

/** The gap at a setting between those of the curve, mm: on a straight line between its neighbours. */
export function phasedGapMm(curve: readonly Phased[], advanceDeg: number): number {
  const at = Math.min(curve.length - 2, Math.max(0, Math.floor(advanceDeg + WINDOW_DEG)))
  const [low, high] = [curve[at]!, curve[at + 1]!]
  return low.gapMm + (high.gapMm - low.gapMm) * (advanceDeg - low.advanceDeg)
}
