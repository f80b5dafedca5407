import { chiSquareTails } from '../../numerics/distributions'
import { smoothingSpline, splineAt, type Clamped, type SmoothingSpline } from '../../numerics/smoothingSpline'
import { indexOfMost, middleOfThree, type LiftRow } from './curveTable'

/** Standard uncertainties of one row of a lift table. */
export interface RowUncertainty {
  readonly wheelDeg: number
  readonly dialMm: number
}

/** A smooth lobe through the rows of a table. */
export interface LobeCurve {
  readonly spline: SmoothingSpline
  /** What the dial showed on the base circle, taken off every row, and how well that is known. */
  readonly zeroMm: number
  readonly zeroU: number
  /** Standard uncertainty of each row as a lift, wheel and dial together; rows on the base circle away from the lobe are left out. */
  readonly rows: readonly FittedRow[]
  /** Whether the rows scatter as their stated uncertainties say, or surely more or less. */
  readonly noise: 'asStated' | 'more' | 'less'
  /** What the stated uncertainties were multiplied by. */
  readonly noiseScale: number
}

export interface FittedRow extends LiftRow {
  /** Its place in the table, counted from one. */
  readonly row: number
  readonly sdMm: number
}

/** What a dial's zero may be off by when nobody read the base circle, mm (a fiftieth; common practice). */
export const USUAL_ZERO_U_MM = 0.02
/** How far beyond the first row on the base circle the lobe may still begin, degrees. */
const MARGIN_DEG = 12
/** One knot for so many degrees: less than any ramp is wide. */
const KNOT_DEG = 3
/** Weights hang on the slope, the slope on the fit: after four times nothing moves. */
const PASSES = 4
/** Strength of smoothing is looked for in the first passes only; it moves by less than a tenth after them. */
const PASSES_WITH_SEARCH = 2

/**
 * What restricted likelihood leaves of the strength of smoothing is skewed: its mean lies above the mode that the search finds. Half as
 * much again brings events and centrelines of known lobes a twentieth nearer (`tests/reference/lobeCurve.test.ts`).
 */
const MEAN_OVER_MODE = 1.5

/** Where a lobe stands in its table. */
interface LobeSpan {
  readonly from: number
  readonly to: number
  readonly clamped: Clamped
}

/**
 * A smoothing spline through a lift table, rows weighted by dial and by wheel on the slope they stand on; zero with all its
 * derivatives where the base circle is. `rows` in rising order, without what `curveIssues` finds; `without` are rows that are slips.
 */
export function lobeCurve(rows: readonly LiftRow[], uncertainty: RowUncertainty, without: ReadonlySet<number> = new Set()): LobeCurve {
  const numbered = rows.map((row, index) => ({ ...row, row: index + 1 })).filter(({ row }) => !without.has(row))
  const base = baseCircle(numbered, uncertainty.dialMm)
  const span = spanOf(numbered, base)
  const used = numbered.filter(({ angleDeg }) => angleDeg >= span.from && angleDeg <= span.to)
  const x = used.map(({ angleDeg }) => angleDeg)
  const y = used.map(({ liftMm }) => liftMm - base.zeroMm)
  const knots = { from: span.from, to: span.to, spans: Math.max(8, Math.round((span.to - span.from) / KNOT_DEG)) }
  let sd = firstWeights(x, y, uncertainty)
  let spline: SmoothingSpline | undefined
  let found: number | undefined
  for (let pass = 0; pass < PASSES; pass++) {
    spline = smoothingSpline({ x, y, sd }, knots, span.clamped, pass < PASSES_WITH_SEARCH ? undefined : found)
    if (pass === PASSES_WITH_SEARCH - 1) found = MEAN_OVER_MODE * spline.smoothing
    sd = x.map((at) => rowSdMm(spline!, at, uncertainty))
  }
  const fitted = spline!
  return { spline: fitted, ...base, rows: used.map((row, index) => ({ ...row, sdMm: sd[index]! })), noise: noiseOf(fitted), noiseScale: 1 }
}

/** Wheel on the slope, wheel on the curvature, dial: the standard uncertainty of a row as a lift. */
function rowSdMm(spline: SmoothingSpline, at: number, { wheelDeg, dialMm }: RowUncertainty): number {
  return Math.hypot(dialMm, wheelDeg * splineAt(spline, at, 1), (wheelDeg ** 2 / Math.SQRT2) * splineAt(spline, at, 2))
}

/** Before there is a curve its slope is taken from the rows on either side. */
function firstWeights(x: readonly number[], y: readonly number[], { wheelDeg, dialMm }: RowUncertainty): number[] {
  return x.map((_, index) => {
    const [a, b] = [Math.max(0, index - FAR_ROWS), Math.min(x.length - 1, index + FAR_ROWS)]
    return Math.hypot(dialMm, (wheelDeg * (y[b]! - y[a]!)) / (x[b]! - x[a]!))
  })
}
const FAR_ROWS = 3

interface Base {
  readonly zeroMm: number
  readonly zeroU: number
  readonly onBase: ReadonlySet<number>
}

type Numbered = LiftRow & { readonly row: number }

/** A row that far from the level of the base circle is not on it, in the dial's own standard uncertainties. */
const OFF_BASE = 3.5
const LEAST_ON_BASE = 3
const PASSES_FOR_BASE = 8

/** The level the lowest rows stand at, found from below and then from the middle of those that agree. */
function baseCircle(rows: readonly Numbered[], dialMm: number): Base {
  const sorted = rows.map(({ liftMm }) => liftMm).sort((a, b) => a - b)
  // A slip may be the lowest of all: the second counts.
  let level = sorted[Math.min(1, sorted.length - 1)]! + 2 * dialMm
  let on: Numbered[] = []
  for (let pass = 0; pass < PASSES_FOR_BASE; pass++) {
    on = rows.filter(({ liftMm }) => Math.abs(liftMm - level) <= OFF_BASE * dialMm)
    if (on.length === 0) break
    level = on.reduce((sum, { liftMm }) => sum + liftMm, 0) / on.length
  }
  if (on.length < LEAST_ON_BASE || Math.abs(level) > FAR_FROM_ZERO_MM) return { zeroMm: 0, zeroU: USUAL_ZERO_U_MM, onBase: new Set() }
  return { zeroMm: level, zeroU: dialMm / Math.sqrt(on.length), onBase: new Set(on.map(({ row }) => row)) }
}
/** A lowest level further from zero is no base circle: the table begins and ends on the flanks. */
const FAR_FROM_ZERO_MM = 0.25

/** From a little before the lobe leaves its base circle to a little after it is back; as far as the table goes where it does not. */
function spanOf(rows: readonly Numbered[], { onBase }: Base): LobeSpan {
  const peak = indexOfMost(middleOfThree(rows))
  const isBase = (index: number) => onBase.has(rows[index]!.row)
  let start = peak
  while (start > 0 && !(isBase(start) && isBase(start - 1))) start--
  let end = peak
  while (end < rows.length - 1 && !(isBase(end) && isBase(end + 1))) end++
  const clamped = { start: start > 0, end: end < rows.length - 1 }
  const [first, last] = [rows[0]!.angleDeg, rows.at(-1)!.angleDeg]
  return {
    from: clamped.start ? Math.max(first, rows[start]!.angleDeg - MARGIN_DEG) : first,
    to: clamped.end ? Math.min(last, rows[end]!.angleDeg + MARGIN_DEG) : last,
    clamped,
  }
}

/** Only one table in a hundred scatters so much, or so little, by chance. */
const SURE = 0.005

/** χ² of a fit against what the stated uncertainties allow. */
function noiseOf({ chiSquare, freedom }: SmoothingSpline): LobeCurve['noise'] {
  const { below, above } = chiSquareTails(chiSquare, freedom)
  if (above < SURE) return 'more'
  return below < SURE ? 'less' : 'asStated'
}

/** Scale and smoothing hang on each other; after so many times neither moves. */
const SCALE_PASSES = 8

/**
 * The curve with its uncertainties as the rows scatter, where that is surely more than stated: restricted likelihood for the scale as well.
 * Rows that scatter less are said so, and nothing is taken to be surer than its gauges for it.
 */
export function lobeCurveAsScattered(rows: readonly LiftRow[], uncertainty: RowUncertainty, without?: ReadonlySet<number>): LobeCurve {
  let curve = lobeCurve(rows, uncertainty, without)
  const { noise } = curve
  if (noise !== 'more') return curve
  let noiseScale = 1
  for (let pass = 0; pass < SCALE_PASSES; pass++) {
    noiseScale *= Math.sqrt(curve.spline.chiSquare / curve.spline.freedom)
    curve = lobeCurve(rows, { wheelDeg: uncertainty.wheelDeg * noiseScale, dialMm: uncertainty.dialMm * noiseScale }, without)
  }
  return { ...curve, noise, noiseScale }
}
