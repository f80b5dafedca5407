/** A row of a lift table: how far the wheel had turned, crank degrees after overlap TDC, and what the dial showed. */
export interface LiftRow {
  readonly angleDeg: number
  readonly liftMm: number
}

/** Rows count from one, the first after a header. */
export type CurveIssue =
  | { readonly code: 'tooFew'; readonly rows: number; readonly least: number }
  | { readonly code: 'outOfOrder'; readonly row: number; readonly angleDeg: number; readonly beforeDeg: number }
  | { readonly code: 'repeated'; readonly row: number; readonly angleDeg: number }
  | { readonly code: 'angleOutOfRange'; readonly row: number; readonly angleDeg: number }
  /** No lobe lifts so far: thou read as mm, or a decimal lost. */
  | { readonly code: 'liftTooGreat'; readonly row: number; readonly liftMm: number }
  | { readonly code: 'neverLifts'; readonly mostMm: number }
  /** The lift is still on its way up, or already on its way down, at the end of the table. */
  | { readonly code: 'missesPeak'; readonly at: 'start' | 'end' }

const LEAST_ROWS = 12
const ANGLES = { low: -360, high: 720 }
const MOST_LIFT_MM = 25
/** Less is no lobe: the follower stood still, or metres were meant. */
const LEAST_PEAK_MM = 1
/** Within this many rows of an end a peak has no flank beyond it. */
const PEAK_ROWS = 3

/** What keeps a table from being a lobe's; none: it may be fitted. */
export function curveIssues(rows: readonly LiftRow[]): readonly CurveIssue[] {
  const issues: CurveIssue[] = []
  rows.forEach(({ angleDeg, liftMm }, index) => {
    const row = index + 1
    const before = rows[index - 1]
    if (angleDeg < ANGLES.low || angleDeg > ANGLES.high) issues.push({ code: 'angleOutOfRange', row, angleDeg })
    else if (before && angleDeg === before.angleDeg) issues.push({ code: 'repeated', row, angleDeg })
    else if (before && angleDeg < before.angleDeg) issues.push({ code: 'outOfOrder', row, angleDeg, beforeDeg: before.angleDeg })
    if (Math.abs(liftMm) > MOST_LIFT_MM) issues.push({ code: 'liftTooGreat', row, liftMm })
  })
  if (issues.length > 0) return issues
  if (rows.length < LEAST_ROWS) return [{ code: 'tooFew', rows: rows.length, least: LEAST_ROWS }]
  const lifts = middleOfThree(rows)
  const peak = indexOfMost(lifts)
  if (lifts[peak]! - Math.min(...lifts) < LEAST_PEAK_MM) return [{ code: 'neverLifts', mostMm: lifts[peak]! }]
  if (peak < PEAK_ROWS) return [{ code: 'missesPeak', at: 'start' }]
  return peak >= rows.length - PEAK_ROWS ? [{ code: 'missesPeak', at: 'end' }] : []
}

/** Each lift as the middle one of three rows beside each other: one row that is a slip makes no peak. */
export function middleOfThree(rows: readonly LiftRow[]): number[] {
  return rows.map((_, index) => {
    const at = Math.min(Math.max(index, 1), Math.max(1, rows.length - 2))
    const [a, b, c] = [at - 1, at, at + 1].map((place) => (rows[place] ?? rows[index]!).liftMm) as [number, number, number]
    return Math.max(Math.min(a, b), Math.min(b, c), Math.min(a, c))
  })
}

export function indexOfMost(values: readonly number[]): number {
  return values.reduce((most, value, index) => (value > values[most]! ? index : most), 0)
}
