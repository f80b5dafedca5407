import { rollup, sum } from 'd3-array'
import { ANGLE_TOL_DEG } from '../../numerics/tolerance'
import { pistonDropMm, type Crank } from './crankMotion'
import { topsDeg, withinTurn } from './crankPins'
import { bankCount, cylinderNumbers, cylinderPlaces, type EngineLayout } from './layout'

const TURN_DEG = 360

/** Crank degrees from a firing of a cylinder to its next. */
export function cycleDeg({ strokes }: Pick<EngineLayout, 'strokes'>): number {
  return strokes === 2 ? TURN_DEG : 2 * TURN_DEG
}

export type FiringIssue =
  | { readonly code: 'notEveryCylinderOnce'; readonly expected: number }
  | { readonly code: 'notEveryCylinderOnAPin'; readonly cylinder: number }
  | { readonly code: 'rodsOnOneBank'; readonly cylinders: readonly number[] }
  | { readonly code: 'rodsInOneRow'; readonly cylinders: readonly number[] }
  | { readonly code: 'throwsDisagree'; readonly totalDeg: number }

/**
 * Crank degrees from each firing to the next, in firing order: from one top to the next that the crank allows. Two neighbours in
 * the order with one top between them fire a turn apart; together only where more cylinders share the tops than two turns can fire
 * one by one. Where the order leaves a turn over (twins), it goes to the shortest interval, so that the firings come as evenly as
 * the throws let them.
 */
export function firingIntervals(layout: EngineLayout): readonly number[] {
  const tops = topsDeg(layout)
  const order = layout.firingOrder
  const shortest = order.map((cylinder, index) =>
    withinTurn((tops.get(order[(index + 1) % order.length]!) ?? 0) - (tops.get(cylinder) ?? 0)),
  )
  const turnApart = shortest.map((interval) => interval || TURN_DEG)
  const firesTogether = layout.cylinders > 2 * distinctTops(tops)
  const intervals = firesTogether ? shortest : turnApart
  if (Math.abs(cycleDeg(layout) - sum(intervals) - TURN_DEG) > ANGLE_TOL_DEG) return intervals
  const at = intervals.indexOf(Math.min(...intervals))
  return intervals.map((interval, index) => (index === at ? interval + TURN_DEG : interval))
}

/**
 * Crank degrees after number one's overlap TDC at which each cylinder is at its own, in [0, 720): firing comes half a cycle later for
 * all alike, so that these are the phases of the firings too.
 */
export function phasesDeg(layout: EngineLayout): ReadonlyMap<number, number> {
  const intervals = firingIntervals(layout)
  const { firingOrder } = layout
  const first = firingOrder.indexOf(1)
  let atDeg = 0
  return new Map(
    firingOrder.map((_, step) => {
      const index = (first + step) % firingOrder.length
      const phase = [firingOrder[index]!, atDeg] as const
      atDeg += intervals[index]!
      return phase
    }),
  )
}

function distinctTops(tops: ReadonlyMap<number, number>): number {
  return new Set([...tops.values()].map((top) => Math.round(top))).size
}

/** A pin carries one rod of each bank at most. */
function pinIssue(layout: EngineLayout): FiringIssue | undefined {
  const placeOf = new Map(cylinderPlaces(layout).map((place) => [place.cylinder, place]))
  for (const { cylinders } of layout.pins) {
    const places = cylinders.map((cylinder) => placeOf.get(cylinder)!)
    if (bankCount(layout) === 1 && cylinders.length > 1) return { code: 'rodsInOneRow', cylinders }
    if (new Set(places.map(({ bank }) => bank)).size < places.length) return { code: 'rodsOnOneBank', cylinders }
  }
  return undefined
}

/** Every cylinder fires once and stands on one pin, and the firing order is one that the throws allow: it closes in two turns. */
export function firingIssues(layout: EngineLayout): readonly FiringIssue[] {
  const numbers = cylinderNumbers(layout)
  const fired = [...layout.firingOrder].sort((a, b) => a - b)
  if (fired.length !== numbers.length || fired.some((cylinder, index) => cylinder !== numbers[index])) {
    return [{ code: 'notEveryCylinderOnce', expected: layout.cylinders }]
  }
  const misplaced = numbers.find(
    (cylinder) => layout.pins.flatMap(({ cylinders }) => cylinders).filter((one) => one === cylinder).length !== 1,
  )
  if (misplaced !== undefined) return [{ code: 'notEveryCylinderOnAPin', cylinder: misplaced }]
  const wrongPin = pinIssue(layout)
  if (wrongPin) return [wrongPin]
  const totalDeg = sum(firingIntervals(layout))
  return Math.abs(totalDeg - cycleDeg(layout)) > ANGLE_TOL_DEG ? [{ code: 'throwsDisagree', totalDeg }] : []
}

/** Orders met in engines of such a layout (common practice); some cranks allow several. */
const KNOWN_ORDERS: readonly { readonly kinds: readonly EngineLayout['kind'][]; readonly order: readonly number[] }[] = [
  { kinds: ['v'], order: [1, 8, 4, 3, 6, 5, 7, 2] },
  { kinds: ['flat', 'v'], order: [1, 3, 2, 4] },
  { kinds: ['v'], order: [1, 6, 5, 4, 3, 2] },
  { kinds: ['flat'], order: [1, 6, 2, 4, 3, 5] },
  { kinds: ['flat'], order: [1, 6, 3, 2, 5, 4] },
]

/**
 * A firing order the crank allows: a known one, or the most even, banks and ends in turn. The builder confirms it from the
 * engine's paperwork.
 */
export function usualFiringOrder(layout: EngineLayout): readonly number[] {
  const known = KNOWN_ORDERS.find(
    ({ kinds, order }) =>
      kinds.includes(layout.kind) && order.length === layout.cylinders && firingIssues({ ...layout, firingOrder: order }).length === 0,
  )
  return known?.order ?? mostEvenOrder(layout)
}

function mostEvenOrder(layout: EngineLayout): readonly number[] {
  const tops = topsDeg(layout)
  const placeOf = new Map(cylinderPlaces(layout).map((place) => [place.cylinder, place]))
  const even = cycleDeg(layout) / layout.cylinders
  const together = layout.cylinders > 2 * distinctTops(tops) ? 2 : 1
  const order = [1]
  for (let at = 0; order.length < layout.cylinders;) {
    const last = placeOf.get(order.at(-1)!)!
    const unfired = cylinderNumbers(layout).filter((cylinder) => !order.includes(cylinder))
    const latest = lastChance(unfired, tops, together)
    const open = unfired
      .flatMap((cylinder) => [0, TURN_DEG].map((turn) => ({ cylinder, angle: tops.get(cylinder)! + turn })))
      .filter(({ angle }) => angle > at + (together > 1 ? -ANGLE_TOL_DEG : ANGLE_TOL_DEG) && angle < latest + ANGLE_TOL_DEG)
    const costOf = ({ cylinder, angle }: { cylinder: number; angle: number }) => {
      const { bank, row } = placeOf.get(cylinder)!
      return Math.abs(angle - at - even) - (bank === last.bank ? 0 : 0.5) - Math.abs(row - last.row) * 0.01
    }
    const next = open.reduce((best, one) => (costOf(one) < costOf(best) ? one : best))
    order.push(next.cylinder)
    at = next.angle
  }
  return order
}

/** Beyond this angle one that has not fired never would: its second top, or its first where another waits for the second. */
function lastChance(unfired: readonly number[], tops: ReadonlyMap<number, number>, together: number): number {
  const waiting = rollup(
    unfired,
    (cylinders) => cylinders.length,
    (cylinder) => tops.get(cylinder)!,
  )
  return Math.min(...[...waiting].map(([top, count]) => top + TURN_DEG * (2 - Math.ceil(count / together))))
}

/**
 * The crank angles after number one's top at which the highest piston stands lowest, where the crank is parked before a cam is
 * turned alone. Midway between two neighbouring tops both pistons stand equally high, and nowhere between them does the higher
 * one stand lower; with an offset pin the two flanks differ, so the middle is refined by golden section to 0.001°.
 */
export function parkingAngle(layout: EngineLayout, crank: Crank): Parking {
  return parkingOf([...topsDeg(layout).values()], crank)
}

export interface Parking {
  readonly anglesDeg: readonly number[]
  /** How far the highest piston is down there, mm. */
  readonly dropMm: number
}

/** The same by the tops alone, crank degrees after any one of them. */
export function parkingOf(topsDeg: readonly number[], crank: Crank): Parking {
  const tops = [...new Set(topsDeg.map((top) => Number(withinTurn(top).toFixed(6))))].sort((a, b) => a - b)
  const leastDrop = (angleDeg: number) => Math.min(...tops.map((top) => pistonDropMm(crank, angleDeg - top)))
  const best = tops.map((top, index) => {
    const next = tops[index + 1] ?? tops[0]! + TURN_DEG
    const angleDeg = goldenSectionMaximum(leastDrop, top, next, 1e-3)
    return { angleDeg: withinTurn(angleDeg), dropMm: leastDrop(angleDeg) }
  })
  const dropMm = Math.max(...best.map((one) => one.dropMm))
  return {
    anglesDeg: best
      .filter((one) => dropMm - one.dropMm < PARKING_TOL_MM)
      .map(({ angleDeg }) => angleDeg)
      .sort((a, b) => a - b),
    dropMm,
  }
}

/** Angles whose pistons stand within this of each other are equally good places to park. */
const PARKING_TOL_MM = 0.01

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
