import { dot, solveLower } from '../../numerics/bandedCholesky'
import { normalQuantile } from '../../numerics/distributions'
import { basisAt } from '../../numerics/bSpline'
import { uncertaintyAt, splineAt } from '../../numerics/smoothingSpline'
import type { LiftRow } from './curveTable'
import { lobeCurve, lobeCurveAsScattered, type FittedRow, type LobeCurve, type RowUncertainty } from './lobeCurve'

/** A row that does not belong to the others. */
export type LobeSlip =
  /** It alone stands off: a digit, a millimetre. */
  | { readonly kind: 'row'; readonly row: number; readonly sigmas: number; readonly offMm: number }
  /** From it on every row is at another angle: one was skipped, or the wheel slipped. */
  | { readonly kind: 'skipped'; readonly row: number; readonly sigmas: number; readonly byDeg: number }

/** Of clean tables about one in a hundred has a row named: rows beside each other share their chances, so that it is less than this. */
const CLEAN_NAMED = 0.015
const MOST_SLIPS = 6

export interface CheckedLobe {
  readonly curve: LobeCurve
  readonly slips: readonly LobeSlip[]
}

/**
 * The curve without the rows that are slips. The worst is taken out, the rest fitted again, until none stands off by more than
 * chance allows; then those that only stood beside a worse one come back. What was skipped is put right to look for more, never in
 * the curve: which side of it is true nobody can tell from the table.
 */
export function checkedLobe(rows: readonly LiftRow[], stated: RowUncertainty): CheckedLobe {
  const found: LobeSlip[] = []
  const first = asMostScatter(rows, stated)
  const { uncertainty } = first
  let { curve } = first
  let asRead = rows
  while (found.length < MOST_SLIPS) {
    const worst = worstSlip(curve, asRead, uncertainty, rowsOf(found))
    if (!worst) break
    const taken = bestWithout(worst, asRead, uncertainty, rowsOf(found))
    found.push(taken.slip)
    ;({ asRead, curve } = taken)
  }
  const slips = found.flatMap((slip) => (slip.kind === 'skipped' ? slip : (stillOff(curve, asRead, uncertainty, slip.row) ?? [])))
  if (found.length > 0 || uncertainty !== stated || curve.noise === 'more') curve = lobeCurveAsScattered(rows, stated, rowsOf(slips))
  return { curve, slips: slips.toSorted((a, b) => a.row - b.row) }
}

interface Taken {
  readonly slip: LobeSlip
  readonly asRead: readonly LiftRow[]
  readonly curve: LobeCurve
}

/**
 * The table with a slip put right. One row far off bends the curve so that a skipped angle may seem the better word for it: whichever
 * leaves the rest smoother is the one.
 */
function bestWithout(worst: LobeSlip, rows: readonly LiftRow[], uncertainty: RowUncertainty, without: ReadonlySet<number>): Taken {
  const rowOut = (row: number, slip: LobeSlip): Taken => ({
    slip,
    asRead: rows,
    curve: lobeCurve(rows, uncertainty, new Set([...without, row])),
  })
  if (worst.kind === 'row') return rowOut(worst.row, worst)
  const ways: Taken[] = [broughtBack(worst, rows, uncertainty, without)]
  for (const row of [worst.row - 1, worst.row])
    if (!without.has(row)) ways.push(rowOut(row, { kind: 'row', row, sigmas: worst.sigmas, offMm: 0 }))
  return ways.reduce((best, one) => (one.curve.spline.chiSquare < best.curve.spline.chiSquare ? one : best))
}

type Skipped = Extract<LobeSlip, { kind: 'skipped' }>

/** A curve that was bent by what was skipped says too little of it: what is left once that is put right is added, until nothing is. */
const BACK_PASSES = 4
const LEFT_DEG = 0.05

function broughtBack(skipped: Skipped, rows: readonly LiftRow[], uncertainty: RowUncertainty, without: ReadonlySet<number>): Taken {
  const taken = (byDeg: number): Taken => {
    const asRead = rows.map((row, index) => (index + 1 >= skipped.row ? { ...row, angleDeg: row.angleDeg - byDeg } : row))
    return { slip: { ...skipped, byDeg }, asRead, curve: lobeCurve(asRead, uncertainty, without) }
  }
  let byDeg = skipped.byDeg
  for (let pass = 0; pass < BACK_PASSES; pass++) {
    const left = skippedAngles(taken(byDeg).curve).find(({ row }) => row === skipped.row)?.byDeg ?? 0
    if (Math.abs(left) < LEFT_DEG) break
    byDeg += left
  }
  return taken(byDeg)
}

/** Rows that are slips of their own. */
function rowsOf(slips: readonly LobeSlip[]): ReadonlySet<number> {
  return new Set(slips.flatMap(({ kind, row }) => (kind === 'row' ? row : [])))
}

/** A row that was taken out, against the curve of the others; undefined where it agrees with them after all. */
function stillOff(curve: LobeCurve, rows: readonly LiftRow[], { wheelDeg, dialMm }: RowUncertainty, row: number): LobeSlip | undefined {
  const read = rows[row - 1]!
  const predicted = uncertaintyAt(curve.spline, read.angleDeg)
  const u = Math.hypot(dialMm, wheelDeg * splineAt(curve.spline, read.angleDeg, 1), Math.sqrt(dot(predicted, predicted)))
  const offMm = residualMm(curve, read)
  const sigmas = offMm / u
  return Math.abs(sigmas) > sureSigmas(rows.length) ? { kind: 'row', row, sigmas, offMm } : undefined
}

function worstSlip(
  curve: LobeCurve,
  rows: readonly LiftRow[],
  { dialMm }: RowUncertainty,
  without: ReadonlySet<number>,
): LobeSlip | undefined {
  const candidates = [...rowSlips(curve), ...skippedAngles(curve), ...offBase(curve, rows, dialMm, without)]
  const worst = candidates.reduce<LobeSlip | undefined>(
    (most, one) => (Math.abs(one.sigmas) > Math.abs(most?.sigmas ?? 0) ? one : most),
    undefined,
  )
  return worst && Math.abs(worst.sigmas) > sureSigmas(rows.length) ? worst : undefined
}

/** Standard uncertainties off at which a row of so many is named. */
function sureSigmas(rows: number): number {
  return normalQuantile(1 - CLEAN_NAMED / 2 / rows)
}

/** Uncertainty and smoothing hang on each other; after so many times neither moves. */
const SCALE_PASSES = 5

/** The uncertainty of a row by the middle of all rows, where that is more than stated: what a few slips do not reach. */
function asMostScatter(
  rows: readonly LiftRow[],
  stated: RowUncertainty,
): { readonly curve: LobeCurve; readonly uncertainty: RowUncertainty } {
  let uncertainty = stated
  let curve = lobeCurve(rows, uncertainty)
  for (let pass = 0; pass < SCALE_PASSES; pass++) {
    const scale = scatterScale(curve)
    if (scale === 1) break
    uncertainty = { wheelDeg: uncertainty.wheelDeg * scale, dialMm: uncertainty.dialMm * scale }
    curve = lobeCurve(rows, uncertainty)
  }
  return { curve, uncertainty }
}

/** How much more than stated the middle of the rows scatters; what is within chance counts as stated. */
function scatterScale(curve: LobeCurve): number {
  const sizes = rowSlips(curve)
    .map(({ sigmas }) => Math.abs(sigmas))
    .sort((a, b) => a - b)
  const median = (sizes[Math.floor(sizes.length / 2)] ?? 0) / MEDIAN_OF_NORMAL
  return median > 1 + CHANCE_OF_MEDIAN / Math.sqrt(sizes.length) ? median : 1
}
/** Twice what the median of so many varies by, for one. */
const CHANCE_OF_MEDIAN = 2.4
/** Half of a standard normal lies within so many standard deviations. */
const MEDIAN_OF_NORMAL = 0.6745

function residualMm({ spline, zeroMm }: LobeCurve, { angleDeg, liftMm }: LiftRow): number {
  return liftMm - zeroMm - splineAt(spline, angleDeg)
}

/** Every row against the curve as it would be without it: residual over √(1 − leverage) (the deleted residual of regression texts). */
function rowSlips(curve: LobeCurve): LobeSlip[] {
  return curve.rows.map((row) => {
    const uncertainty = uncertaintyAt(curve.spline, row.angleDeg)
    const leverage = Math.min(dot(uncertainty, uncertainty) / row.sdMm ** 2, MOST_LEVERAGE)
    const offMm = residualMm(curve, row)
    return { kind: 'row', row: row.row, sigmas: offMm / (row.sdMm * Math.sqrt(1 - leverage)), offMm: offMm / (1 - leverage) }
  })
}
/** A row that the curve goes through whatever it says proves nothing. */
const MOST_LEVERAGE = 0.95

/** A step smaller than this many degrees that cannot be told from noise at a row is not looked for there. */
const LEAST_KNOWN_DEG = 3

/**
 * For every row the hypothesis that from it on all angles are off by one amount: the generalised least squares estimate of the
 * amount, its residuals projected off the curve, by its own standard error.
 */
function skippedAngles(curve: LobeCurve): Skipped[] {
  const { spline, rows } = curve
  const { firstFree, precision, knots } = spline
  const moments = new Float64Array(precision.size)
  let [score, squares] = [0, 0]
  const slips: Skipped[] = []
  for (let index = rows.length - 1; index > 0; index--) {
    const row = rows[index]!
    const slope = splineAt(spline, row.angleDeg, 1)
    const weight = 1 / row.sdMm ** 2
    score += slope * weight * residualMm(curve, row)
    squares += weight * slope ** 2
    const { first, values } = basisAt(knots, row.angleDeg)
    values.forEach((value, i) => {
      const at = first + i - firstFree
      if (at >= 0 && at < moments.length) moments[at]! += weight * slope * value
    })
    const taken = solveLower(precision, moments)
    const information = squares - dot(taken, taken)
    if (information * LEAST_KNOWN_DEG ** 2 < 1) continue
    // Angles that read too much show the lift of an earlier one.
    slips.push({ kind: 'skipped', row: row.row, sigmas: score / Math.sqrt(information), byDeg: -score / information })
  }
  return slips
}

/** Rows away from the lobe that are not on its base circle. */
function offBase(
  { rows: fitted, zeroMm, spline }: LobeCurve,
  rows: readonly LiftRow[],
  dialMm: number,
  without: ReadonlySet<number>,
): LobeSlip[] {
  if (!(spline.firstFree > 0)) return []
  const inFit = new Set(fitted.map(({ row }: FittedRow) => row))
  return rows.flatMap(({ liftMm }, index): LobeSlip[] => {
    const row = index + 1
    if (inFit.has(row) || without.has(row)) return []
    return [{ kind: 'row', row, sigmas: (liftMm - zeroMm) / dialMm, offMm: liftMm - zeroMm }]
  })
}
