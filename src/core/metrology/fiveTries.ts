/** Mean range of five readings in standard deviations: d₂ for n = 5, AIAG, Measurement Systems Analysis, 4th ed., appendix C. */
const D2_OF_FIVE = 2.326

/** Tries at one thing that a range is taken over. */
export const TRIES = 5

/**
 * Standard deviation of one reading from the largest less the smallest of five, in the unit of the range. It counts as five
 * readings would: the coverage of what is expanded with it is tested by simulation.
 */
export function repeatabilityOfRange(range: number): number {
  return range / D2_OF_FIVE
}
