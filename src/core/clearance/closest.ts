/** Where a valve comes nearest to its piston, and how far its cam may be moved before it comes too near. */
import { pistonDropMm, type Crank } from '../engine'
import { rootBetween } from '../numerics/roots'
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

/** Further from overlap TDC a piston is out of reach of any valve. */
const REACH_DEG = 120
const STEP_DEG = 0.5
const GOLDEN = (Math.sqrt(5) - 1) / 2
/** Each step leaves 0.618 of the stretch: a thousand-millionth of a degree. */
const GOLDEN_STEPS = 42

/** The least gap and where it is; looked for every half degree, then by golden section. */
export function closestApproach(sweep: ValveSweep): { readonly gapMm: number; readonly atDeg: number } {
  let nearest = -REACH_DEG
  for (let deg = -REACH_DEG; deg <= REACH_DEG; deg += STEP_DEG) if (gapMm(sweep, deg) < gapMm(sweep, nearest)) nearest = deg
  let [low, high] = [nearest - STEP_DEG, nearest + STEP_DEG]
  for (let step = 0; step < GOLDEN_STEPS; step++) {
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
      if (!isSafe(deg + side * WINDOW_STEP_DEG)) return rootBetween(spareMm, deg, deg + side * WINDOW_STEP_DEG)
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
