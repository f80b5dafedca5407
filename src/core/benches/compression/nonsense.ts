/** Parts that cannot go together, however soundly each was read or typed: asked by the bench and by the quick sum alike. */
import { expand, type Figure } from '../../metrology'

export type Nonsense = 'gasketUnderBore' | 'crownOverBore' | 'absurdRatio'

/** No engine that burns fuel has less or more (common practice: 6 to 17 with a spark, to 25 without). */
const RATIO = { low: 3, high: 30 }

interface Parts {
  readonly bore: Figure
  readonly gasketBore: Figure
  readonly crown: Figure | undefined
  readonly ratio: Figure | undefined
}

/** The first that is wrong for sure: by more than the uncertainty of both. */
export function nonsenseOf({ bore, gasketBore, crown, ratio }: Parts): Nonsense | undefined {
  if (isSmaller(gasketBore, bore)) return 'gasketUnderBore'
  if (crown && isSmaller(bore, crown)) return 'crownOverBore'
  if (ratio && !(ratio.value.value >= RATIO.low && ratio.value.value <= RATIO.high)) return 'absurdRatio'
  return undefined
}

function isSmaller(one: Figure, other: Figure): boolean {
  return one.value.value + expand(one.value).U < other.value.value - expand(other.value).U
}
