import type { Verdict } from '../metrology'

const SEVERITY = ['within', 'inDoubt', 'under', 'over'] as const

/** The verdict that counts when several figures are judged together. */
export function worst(verdicts: readonly Verdict[]): Verdict | 'notJudged' {
  return verdicts.length === 0 ? 'notJudged' : [...verdicts].sort((a, b) => SEVERITY.indexOf(b) - SEVERITY.indexOf(a))[0]!
}
