import { solveLower, solveUpper } from '../../numerics/bandedCholesky'
import { basisAt } from '../../numerics/bSpline'
import { randomStream } from '../../numerics/random'
import { splineAt, type SmoothingSpline } from '../../numerics/smoothingSpline'
import { eventsAt, type CommonUncertainty, type LobeEvents } from './lobeEvents'
import type { LobeCurve, RowUncertainty } from './lobeCurve'

/** Where a number came out over many refits. */
export interface RefitSpread {
  readonly mean: number
  readonly sd: number
}

export interface RefitSlice {
  readonly done: number
  /** After the last slice. */
  readonly spread?: Readonly<Record<keyof LobeEvents, RefitSpread>>
}

const SLICE = 100
const RAD_PER_DEG = Math.PI / 180
/** Newton's steps from where the event stood: the third moves it by less than a millionth. */
const STEPS = 4

/**
 * Uncertainty of events and centreline without a line through it: the curve read again and again by a virtual hand (wheel and dial at every
 * row; TDC, a wheel off centre, the dial's zero and its tilt once a table), each table fitted with the same weights. Undefined where
 * the table has no event on one of its sides.
 */
export function* refits(
  curve: LobeCurve,
  { wheelDeg, dialMm }: RowUncertainty,
  { checkLiftMm, common = {}, count, seed }: { checkLiftMm: number; common?: CommonUncertainty; count: number; seed: number },
): Generator<RefitSlice, void> {
  const { open, close } = eventsAt(curve, checkLiftMm)
  if (!open || !close) return
  const { normal } = randomStream(seed)
  const refit = refitter(curve)
  const found: Record<keyof LobeEvents, number[]> = { open: [], close: [], duration: [], centreline: [] }
  const [tdcU, offU, tiltU] = [common.tdcDeg ?? 0, common.eccentricityDeg ?? 0, common.tiltShare ?? 0]
  for (let done = 1; done <= count; done++) {
    const [tdc, cos, sin, tilt, zero] = [tdcU * normal(), offU * normal(), offU * normal(), tiltU * normal(), curve.zeroU * normal()]
    const lifts = curve.rows.map(({ angleDeg }) => {
      const at = angleDeg * RAD_PER_DEG
      const trueDeg = angleDeg + tdc + cos * (Math.cos(at) - 1) + sin * Math.sin(at) + wheelDeg * normal()
      return (1 + tilt) * splineAt(curve.spline, trueDeg) + zero + dialMm * normal()
    })
    const again = refit(lifts)
    const [opens, closes] = [crossingNear(again, open.value, checkLiftMm), crossingNear(again, close.value, checkLiftMm)]
    found.open.push(opens)
    found.close.push(closes)
    found.duration.push(closes - opens)
    found.centreline.push((opens + closes) / 2)
    if (done % SLICE === 0 && done < count) yield { done }
  }
  yield {
    done: count,
    spread: {
      open: spreadOf(found.open),
      close: spreadOf(found.close),
      duration: spreadOf(found.duration),
      centreline: spreadOf(found.centreline),
    },
  }
}

/** Fits other lifts at the same angles with the same weights: what hangs on the angles alone is worked out once. */
function refitter({ spline, rows }: LobeCurve): (lifts: readonly number[]) => SmoothingSpline {
  const { knots, firstFree, precision } = spline
  const weighted = rows.map(({ angleDeg, sdMm }) => {
    const { first, values } = basisAt(knots, angleDeg)
    return { start: first - firstFree, values: values.map((value) => value / sdMm ** 2) }
  })
  return (lifts) => {
    const moments = new Float64Array(precision.size)
    weighted.forEach(({ start, values }, row) =>
      values.forEach((value, index) => {
        const at = start + index
        if (at >= 0 && at < moments.length) moments[at]! += value * lifts[row]!
      }),
    )
    return { ...spline, coefficients: solveUpper(precision, solveLower(precision, moments)) }
  }
}

function crossingNear(spline: SmoothingSpline, from: number, liftMm: number): number {
  let at = from
  for (let step = 0; step < STEPS; step++) at -= (splineAt(spline, at) - liftMm) / splineAt(spline, at, 1)
  return at
}

function spreadOf(values: readonly number[]): RefitSpread {
  const mean = values.reduce((sum, value) => sum + value, 0) / values.length
  return { mean, sd: Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1)) }
}
