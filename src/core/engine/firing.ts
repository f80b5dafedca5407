import { ANGLE_TOL_DEG } from '../numerics/tolerance'
import { pistonDropMm, type Crank } from './crankMotion'
import { cylinderNumbers, type EngineLayout } from './layout'

const CYCLE_DEG = 720
const TURN_DEG = 360

export type FiringIssue =
  | { readonly code: 'notEveryCylinderOnce'; readonly expected: number }
  | { readonly code: 'intervalsDoNotClose'; readonly totalDeg: number }
  | { readonly code: 'throwsDisagree'; readonly cylinder: number; readonly firesAtDeg: number; readonly throwTdcDeg: number }

/** Crank degrees (0–720 from number one's firing TDC) at which each cylinder fires. */
export function firingAnglesDeg(layout: EngineLayout): ReadonlyMap<number, number> {
  const even = CYCLE_DEG / layout.cylinders
  let angle = 0
  return new Map(layout.firingOrder.map((cylinder, index) => {
    const at = angle
    angle += layout.firingIntervalsDeg?.[index] ?? even
    return [cylinder, at] as const
  }))
}

/** Crank degrees (0–360) at which each piston is at the top; both its TDCs of a cycle fall there. */
export function tdcAnglesDeg(layout: EngineLayout): ReadonlyMap<number, number> {
  return new Map([...firingAnglesDeg(layout)].map(([cylinder, angle]) => [cylinder, angle % TURN_DEG]))
}

/**
 * Every cylinder fires once, the intervals close the cycle and, where throw TDCs are given, each firing falls on
 * one of the two TDCs its throw and bank allow.
 */
export function firingIssues(layout: EngineLayout, throwTdcsDeg?: ReadonlyMap<number, number>): readonly FiringIssue[] {
  const numbers = cylinderNumbers(layout)
  const fired = [...layout.firingOrder].sort((a, b) => a - b)
  if (fired.length !== numbers.length || fired.some((cylinder, index) => cylinder !== numbers[index])) {
    return [{ code: 'notEveryCylinderOnce', expected: layout.cylinders }]
  }
  const issues: FiringIssue[] = []
  const totalDeg = layout.firingIntervalsDeg?.reduce((sum, interval) => sum + interval, 0) ?? CYCLE_DEG
  if (Math.abs(totalDeg - CYCLE_DEG) > ANGLE_TOL_DEG) issues.push({ code: 'intervalsDoNotClose', totalDeg })
  for (const [cylinder, firesAtDeg] of firingAnglesDeg(layout)) {
    const throwTdcDeg = throwTdcsDeg?.get(cylinder)
    if (throwTdcDeg === undefined) continue
    const apart = Math.abs(((firesAtDeg - throwTdcDeg) % TURN_DEG + TURN_DEG + TURN_DEG / 2) % TURN_DEG - TURN_DEG / 2)
    if (apart > ANGLE_TOL_DEG) issues.push({ code: 'throwsDisagree', cylinder, firesAtDeg, throwTdcDeg })
  }
  return issues
}

/** Crank degrees between successive firings, in firing order. */
export function firingIntervals(layout: EngineLayout): readonly number[] {
  const angles = [...firingAnglesDeg(layout).values()]
  return angles.map((angle, index) => (angles[index + 1] ?? CYCLE_DEG) - angle)
}

/**
 * The crank angle at which the highest piston stands lowest, where the crank is parked before a cam is turned alone.
 * Searched over the turn at 0.1° and refined by golden section to 0.001°: the function is a minimum of smooth drops,
 * so between two neighbours of the best grid point it has one peak.
 */
export function parkingAngle(layout: EngineLayout, crank: Crank): { readonly angleDeg: number; readonly dropMm: number } {
  const tdcs = [...new Set(tdcAnglesDeg(layout).values())]
  const leastDrop = (angleDeg: number) => Math.min(...tdcs.map((tdc) => pistonDropMm(crank, angleDeg - tdc)))
  const step = 0.1
  let best = 0
  for (let angle = 0; angle < TURN_DEG; angle += step) if (leastDrop(angle) > leastDrop(best)) best = angle
  const angleDeg = goldenSectionMaximum(leastDrop, best - step, best + step, 1e-3)
  return { angleDeg, dropMm: leastDrop(angleDeg) }
}

function goldenSectionMaximum(f: (x: number) => number, from: number, to: number, tolerance: number): number {
  const ratio = (Math.sqrt(5) - 1) / 2
  let [low, high] = [from, to]
  while (high - low > tolerance) {
    const left = high - ratio * (high - low)
    const right = low + ratio * (high - low)
    if (f(left) > f(right)) high = right
    else low = left
  }
  return (low + high) / 2
}
