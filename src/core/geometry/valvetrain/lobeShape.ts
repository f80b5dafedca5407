import { rootBetween } from '../../numerics/roots'
import { splineAt } from '../../numerics/smoothingSpline'
import { eventsAt, peakAngleDeg } from './lobeEvents'
import type { LobeCurve } from './lobeCurve'

/** What a lobe does between its events; crank degrees. */
export interface LobeShape {
  /** Lift over crank angle above the check lift, mm · °. */
  readonly areaMmDeg: number
  /** How far the peak lies after the centreline: nothing on an even lobe. */
  readonly unevenDeg: number
  /** Greatest velocity going up and coming down, mm/°. */
  readonly opensMmPerDeg: number
  readonly closesMmPerDeg: number
  /** Greatest acceleration on the flanks, and the greatest the other way, over the nose, mm/°². */
  readonly flankMmPerDeg2: number
  readonly noseMmPerDeg2: number
  /** Velocity at which the follower takes up its lash, going up and coming down, mm/°; none where the lash is not known, or the
   * table does not reach from it. */
  readonly rampMmPerDeg: { readonly up: number; readonly down: number } | undefined
}

const STEP_DEG = 0.5

/** The shape of a lobe that has both events at the check lift; undefined where its table does not come down to it on both sides. */
export function lobeShape(curve: LobeCurve, checkLiftMm: number, lashMm?: number): LobeShape | undefined {
  const { open, close, centreline } = eventsAt(curve, checkLiftMm)
  if (!open || !close || !centreline) return undefined
  const { spline } = curve
  const { from, to } = spline.knots
  const all = angles(from, to)
  const over = (derivative: number) => all.map((at) => splineAt(spline, at, derivative))
  const [velocities, accelerations] = [over(1), over(2)]
  return {
    areaMmDeg: areaOf(curve, open.value, close.value),
    unevenDeg: peakAngleDeg(curve) - centreline.value,
    opensMmPerDeg: Math.max(...velocities),
    closesMmPerDeg: -Math.min(...velocities),
    flankMmPerDeg2: Math.max(...accelerations),
    noseMmPerDeg2: -Math.min(...accelerations),
    rampMmPerDeg: lashMm !== undefined && lashMm > 0 ? rampAt(curve, lashMm) : undefined,
  }
}

function angles(from: number, to: number): number[] {
  return Array.from({ length: Math.floor((to - from) / STEP_DEG) + 1 }, (_, index) => from + index * STEP_DEG)
}

/** By the trapezoidal rule between the events, in steps a knot is six of. */
function areaOf({ spline }: LobeCurve, open: number, close: number): number {
  const count = Math.ceil((close - open) / STEP_DEG)
  const step = (close - open) / count
  const lifts = Array.from({ length: count + 1 }, (_, index) => splineAt(spline, open + index * step))
  return step * (lifts.reduce((sum, lift) => sum + lift, 0) - (lifts[0]! + lifts.at(-1)!) / 2)
}

function rampAt(curve: LobeCurve, lashMm: number): LobeShape['rampMmPerDeg'] {
  const { spline } = curve
  const peak = peakAngleDeg(curve)
  const over = (at: number) => splineAt(spline, at) - lashMm
  const up = rootBetween(over, spline.knots.from, peak)
  const down = rootBetween(over, peak, spline.knots.to)
  if (up.status !== 'found' || down.status !== 'found') return undefined
  return { up: splineAt(spline, up.x, 1), down: -splineAt(spline, down.x, 1) }
}

const MM_PER_M = 1000
const STANDARD_GRAVITY = 9.806_65
const DEG_PER_TURN = 360
const S_PER_MIN = 60

/** An acceleration by crank angle as what it is at a speed, in standard gravities. */
export function gAt(mmPerDeg2: number, rpm: number): number {
  const degPerS = (DEG_PER_TURN * rpm) / S_PER_MIN
  return (mmPerDeg2 * degPerS ** 2) / MM_PER_M / STANDARD_GRAVITY
}
