/** Quintic: a third derivative that is continuous and smooth is what a lobe's jerk is. */
export const DEGREE = 5
/** Knots evenly spaced from `from` to `to`, `spans` between them; the basis has `spans` + 5 functions. */
export interface EvenKnots {
  readonly from: number
  readonly to: number
  readonly spans: number
}

export function basisSize({ spans }: EvenKnots): number {
  return spans + DEGREE
}

/** The six quintic B-splines that are not zero at `x`, from the `first` on; their derivative of order 0 to 3 by x. */
export interface BasisAt {
  readonly first: number
  readonly values: Float64Array
}

/**
 * Basis of quintic B-splines on evenly spaced knots (C. de Boor, A Practical Guide to Splines, chapters IX and X): values by his
 * recurrence, derivatives as differences of splines of lower degree. `x` beyond the ends is taken at the end.
 */
export function basisAt(knots: EvenKnots, x: number, derivative = 0): BasisAt {
  const { from, to, spans } = knots
  const spanWidth = (to - from) / spans
  const at = Math.min(Math.max((x - from) / spanWidth, 0), spans)
  const first = Math.min(Math.floor(at), spans - 1)
  const values = uniformBSplines(at - first, DEGREE - derivative)
  for (let order = derivative; order > 0; order--) difference(values, DEGREE - order)
  const scale = spanWidth ** -derivative
  if (scale !== 1) for (let index = 0; index <= DEGREE; index++) values[index]! *= scale
  return { first, values }
}

/** The degree + 1 cardinal B-splines at `t`, the share of a span that is passed; room behind them for those of the basis’ own degree. */
function uniformBSplines(t: number, degree: number): Float64Array {
  const values = new Float64Array(DEGREE + 1)
  values[0] = 1
  for (let d = 1; d <= degree; d++) {
    let saved = 0
    for (let index = 0; index < d; index++) {
      const share = values[index]! / d
      values[index] = saved + (index + 1 - t) * share
      saved = (t + d - 1 - index) * share
    }
    values[d] = saved
  }
  return values
}

/** Splines of a degree to the derivative of those of the next: each minus the one after it (de Boor, X.12). */
function difference(values: Float64Array, degree: number): void {
  for (let index = degree + 1; index >= 0; index--) values[index] = (values[index - 1] ?? 0) - values[index]!
}
