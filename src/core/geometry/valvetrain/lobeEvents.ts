import { dot } from '../../numerics/bandedCholesky'
import { uncertaintyAt, splineAt } from '../../numerics/smoothingSpline'
import { rootBetween, rootOr } from '../../numerics/roots'
import type { LobeCurve } from './lobeCurve'

/** What all rows of a table share, so that no number of rows averages it out; standard uncertainties. */
export interface CommonUncertainty {
  /** Of where true TDC is, crank degrees. */
  readonly tdcDeg?: number
  /** Of the wheel being off centre, along and across alike; TDC was found by it too, so that what it errs there is taken off. */
  readonly eccentricityDeg?: number
  /** Of the lift being read aslant: a share of it. */
  readonly tiltShare?: number
}

/** A number read off a curve, with what its uncertainty is made of: signed standard uncertainties of independent causes. */
export interface FromCurve {
  readonly value: number
  readonly parts: Readonly<Record<UncertaintyName, number>>
}

export const UNCERTAINTY_NAMES = ['rows', 'zero', 'tdc', 'eccentricityCos', 'eccentricitySin', 'tilt'] as const
export type UncertaintyName = (typeof UNCERTAINTY_NAMES)[number]

export interface LobeEvents {
  /** Crank degrees after overlap TDC at which the follower has just the check lift, opening and closing. */
  readonly open: FromCurve
  readonly close: FromCurve
  readonly duration: FromCurve
  /** The middle of both events. */
  readonly centreline: FromCurve
}

const RAD_PER_DEG = Math.PI / 180

/** How a number hangs on the curve and on what is common: signed, so that a difference of two is the difference of theirs. */
interface Sensitivity {
  readonly value: number
  readonly onRows: Float64Array
  readonly on: Readonly<Record<Exclude<UncertaintyName, 'rows'>, number>>
}

/** The standard uncertainty of a number read off a curve. */
export function uOf({ parts }: FromCurve): number {
  return Math.hypot(...Object.values(parts))
}

/** Where a curve has a lift, on either side of its peak; undefined on a side where the table does not come down to it. */
export function eventsAt(curve: LobeCurve, checkLiftMm: number, common: CommonUncertainty = {}): Partial<LobeEvents> {
  const peak = peakAngleDeg(curve)
  const open = crossing(curve, checkLiftMm, peak, -1)
  const close = crossing(curve, checkLiftMm, peak, 1)
  const [atOpen, atClose] = [open, close].map((at) => (at === undefined ? undefined : eventSensitivity(curve, at, checkLiftMm, common)))
  return {
    ...(atOpen && { open: fromCurve(atOpen) }),
    ...(atClose && { close: fromCurve(atClose) }),
    ...(atOpen &&
      atClose && { duration: fromCurve(combined(atClose, 1, atOpen, -1)), centreline: fromCurve(combined(atClose, 0.5, atOpen, 0.5)) }),
  }
}

/** The peak is information: flat as it is, nobody finds its angle well. */
export function peakOf(curve: LobeCurve, common: CommonUncertainty = {}): { readonly lift: FromCurve; readonly angle: FromCurve } {
  const at = peakAngleDeg(curve)
  const liftMm = splineAt(curve.spline, at)
  const curvature = splineAt(curve.spline, at, 2)
  const asAngle = angleErrors(at, common)
  return {
    lift: fromCurve({
      value: liftMm,
      onRows: uncertaintyAt(curve.spline, at),
      on: { zero: curve.zeroU, tdc: 0, eccentricityCos: 0, eccentricitySin: 0, tilt: (common.tiltShare ?? 0) * liftMm },
    }),
    angle: fromCurve({
      value: at,
      onRows: uncertaintyAt(curve.spline, at, 1).map((value) => -value / curvature),
      on: { zero: 0, ...asAngle, tilt: 0 },
    }),
  }
}

/** The lift of a curve where the wheel shows an angle; what TDC and the wheel leave open is a matter of whose angle it is. */
export function liftAt(curve: LobeCurve, atDeg: number): FromCurve {
  return fromCurve({
    value: splineAt(curve.spline, atDeg),
    onRows: uncertaintyAt(curve.spline, atDeg),
    on: { zero: curve.zeroU, tdc: 0, eccentricityCos: 0, eccentricitySin: 0, tilt: 0 },
  })
}

function fromCurve({ value, onRows, on }: Sensitivity): FromCurve {
  return { value, parts: { ...on, rows: Math.sqrt(dot(onRows, onRows)) } }
}

function combined(a: Sensitivity, shareA: number, b: Sensitivity, shareB: number): Sensitivity {
  const on = (name: keyof Sensitivity['on']) => shareA * a.on[name] + shareB * b.on[name]
  return {
    value: shareA * a.value + shareB * b.value,
    onRows: a.onRows.map((value, index) => shareA * value + shareB * b.onRows[index]!),
    on: {
      zero: on('zero'),
      tdc: on('tdc'),
      eccentricityCos: on('eccentricityCos'),
      eccentricitySin: on('eccentricitySin'),
      tilt: on('tilt'),
    },
  }
}

function eventSensitivity(curve: LobeCurve, at: number, checkLiftMm: number, common: CommonUncertainty): Sensitivity {
  const slope = splineAt(curve.spline, at, 1)
  return {
    value: at,
    onRows: uncertaintyAt(curve.spline, at).map((value) => -value / slope),
    on: { zero: -curve.zeroU / slope, ...angleErrors(at, common), tilt: (-(common.tiltShare ?? 0) * checkLiftMm) / slope },
  }
}

/** What TDC and a wheel off centre do at an angle. */
function angleErrors(at: number, { tdcDeg = 0, eccentricityDeg = 0 }: CommonUncertainty) {
  return {
    tdc: tdcDeg,
    eccentricityCos: eccentricityDeg * (Math.cos(at * RAD_PER_DEG) - 1),
    eccentricitySin: eccentricityDeg * Math.sin(at * RAD_PER_DEG),
  }
}

/** Peaks and crossings are looked for in steps of this. */
const STEP_DEG = 0.5

/** Where the lift is greatest, crank degrees. */
export function peakAngleDeg({ spline }: LobeCurve): number {
  const { from, to } = spline.knots
  let best = from
  for (let at = from; at <= to; at += STEP_DEG) if (splineAt(spline, at) > splineAt(spline, best)) best = at
  return rootOr(
    rootBetween((at) => splineAt(spline, at, 1), best - STEP_DEG, best + STEP_DEG),
    best,
  )
}

/** The first crossing of a lift from the peak towards one end. */
function crossing({ spline }: LobeCurve, liftMm: number, peakDeg: number, towards: 1 | -1): number | undefined {
  const { from, to } = spline.knots
  if (splineAt(spline, peakDeg) <= liftMm) return undefined
  for (let at = peakDeg; at > from && at < to; at += towards * STEP_DEG) {
    const next = Math.min(Math.max(at + towards * STEP_DEG, from), to)
    if (splineAt(spline, next) < liftMm)
      return rootOr(
        rootBetween((angle) => splineAt(spline, angle) - liftMm, at, next),
        undefined,
      )
  }
  return undefined
}
