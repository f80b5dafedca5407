import {
  addTo,
  bandedZeros,
  choleskyOf,
  dot,
  logDeterminant,
  solveLower,
  solveUpper,
  sumOf,
  trace,
  type BandedMatrix,
} from './bandedCholesky'
import { basisAt, basisSize, DEGREE, type EvenKnots } from './bSpline'

/** What is to be smoothed: `y` read at `x` with a standard uncertainty each. */
export interface Scatter {
  readonly x: readonly number[]
  readonly y: readonly number[]
  readonly sd: readonly number[]
}

/** Ends at which the curve leaves zero with all its derivatives: the base circle of a lobe. */
export interface Clamped {
  readonly start: boolean
  readonly end: boolean
}

/** A curve through scatter, and how far its coefficients are known. */
export interface SmoothingSpline {
  readonly knots: EvenKnots
  /** The first coefficient that is free; those before it, and after the last, are zero. */
  readonly firstFree: number
  readonly coefficients: Float64Array
  /** L of the inverse of the free coefficients' covariance, L Lᵀ, for a noise as stated. */
  readonly precision: BandedMatrix
  readonly smoothing: number
  /** Weighted squares of residuals and penalty together: χ² with `freedom` degrees of freedom where the stated noise is true. */
  readonly chiSquare: number
  readonly freedom: number
}

/** Differences of this order are penalised: those of the third derivative's coefficients, so that a parabola costs nothing. */
const PENALTY_ORDER = 3

/**
 * A quintic smoothing spline with its third derivative penalised (P. Eilers, B. Marx, Flexible smoothing with B-splines and
 * penalties, 1996), the strength of the penalty by restricted likelihood with the noise as stated (G. Wahba, 1985; S. Wood,
 * Generalized Additive Models, 6.2). Its covariance is the posterior one, which covers the bias of smoothing as well (Wahba,
 * Bayesian "confidence intervals", 1983). `smoothing` given is taken. Throws RangeError where a parabola wants more points.
 */
export function smoothingSpline(scatter: Scatter, knots: EvenKnots, clamped: Clamped, smoothing?: number): SmoothingSpline {
  const firstFree = clamped.start ? DEGREE : 0
  const size = basisSize(knots) - firstFree - (clamped.end ? DEGREE : 0)
  const nullity = clamped.start || clamped.end ? 0 : PENALTY_ORDER
  if (scatter.x.length <= PENALTY_ORDER) throw new RangeError(`${scatter.x.length} points are too few for a curve`)
  const { gram, moments, squares } = normalEquations(scatter, knots, { firstFree, size })
  const penalty = differencePenalty(basisSize(knots), { firstFree, size })
  const scale = trace(gram) / trace(penalty)
  const fitted = (strength: number) => {
    const precision = choleskyOf(sumOf(gram, penalty, strength))
    const half = solveLower(precision, moments)
    const chiSquare = squares - dot(half, half)
    return { precision, half, chiSquare, score: logDeterminant(precision) - (size - nullity) * Math.log(strength) + chiSquare }
  }
  const strength = smoothing ?? scale * 10 ** leastOf((log) => fitted(scale * 10 ** log).score, LOG_SMOOTHING)
  const { precision, half, chiSquare } = fitted(strength)
  const freedom = scatter.x.length - nullity
  return { knots, firstFree, coefficients: solveUpper(precision, half), precision, smoothing: strength, chiSquare, freedom }
}

/** Decades of smoothing, of that at which data and penalty weigh alike, in which the best is looked for. */
const LOG_SMOOTHING = { from: -6, to: 8 }
const SCAN_STEP = 1
const GOLDEN = (Math.sqrt(5) - 1) / 2
const LOG_TOL = 0.02

/** Where a function of one number is least: the lowest of a scan, then by golden section between its neighbours. */
function leastOf(of: (x: number) => number, { from, to }: { from: number; to: number }): number {
  let [least, lowest] = [from, Infinity]
  for (let x = from; x <= to; x += SCAN_STEP) {
    const value = of(x)
    if (value < lowest) [least, lowest] = [x, value]
  }
  let [low, high] = [least - SCAN_STEP, least + SCAN_STEP]
  let [a, b] = [high - GOLDEN * (high - low), low + GOLDEN * (high - low)]
  let [atA, atB] = [of(a), of(b)]
  while (high - low > LOG_TOL) {
    if (atA < atB) {
      ;[high, b, atB] = [b, a, atA]
      a = high - GOLDEN * (high - low)
      atA = of(a)
    } else {
      ;[low, a, atA] = [a, b, atB]
      b = low + GOLDEN * (high - low)
      atB = of(b)
    }
  }
  return (low + high) / 2
}

interface Free {
  readonly firstFree: number
  readonly size: number
}

function normalEquations({ x, y, sd }: Scatter, knots: EvenKnots, { firstFree, size }: Free) {
  const gram = bandedZeros(size, DEGREE)
  const moments = new Float64Array(size)
  let squares = 0
  x.forEach((at, row) => {
    const weight = 1 / sd[row]! ** 2
    squares += weight * y[row]! ** 2
    const { first, values } = basisAt(knots, at)
    const start = first - firstFree
    values.forEach((value, i) => {
      if (start + i >= 0 && start + i < size) moments[start + i]! += weight * value * y[row]!
      for (let j = 0; j <= i; j++) addTo(gram, start + i, start + j, weight * value * values[j]!)
    })
  })
  return { gram, moments, squares }
}

const THIRD_DIFFERENCE = [-1, 3, -3, 1]

function differencePenalty(whole: number, { firstFree, size }: Free): BandedMatrix {
  const penalty = bandedZeros(size, DEGREE)
  for (let row = 0; row + PENALTY_ORDER < whole; row++)
    THIRD_DIFFERENCE.forEach((a, i) => {
      for (let j = 0; j <= i; j++) addTo(penalty, row + i - firstFree, row + j - firstFree, a * THIRD_DIFFERENCE[j]!)
    })
  return penalty
}

/** The curve, or its derivative of order 0 to 3, at `x`. */
export function splineAt({ knots, firstFree, coefficients }: SmoothingSpline, x: number, derivative = 0): number {
  const { first, values } = basisAt(knots, x, derivative)
  return values.reduce((sum, value, index) => sum + value * (coefficients[first + index - firstFree] ?? 0), 0)
}

/**
 * What the curve at `x`, or a derivative of it, is known by: its standard uncertainty is the length of this vector, the covariance
 * of two such numbers the product of theirs.
 */
export function uncertaintyAt({ knots, firstFree, precision }: SmoothingSpline, x: number, derivative = 0): Float64Array {
  const weights = new Float64Array(precision.size)
  const { first, values } = basisAt(knots, x, derivative)
  values.forEach((value, index) => {
    const at = first + index - firstFree
    if (at >= 0 && at < weights.length) weights[at] = value
  })
  return solveLower(precision, weights)
}
