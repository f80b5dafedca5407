/** What is wrong with a quick sum, and what is to be said beside it: apart from the rest, since no bench page says it. */
import type { UnitSystem } from '@/core/document'
import type { Kind, UnitId } from '@/core/units'
import type { SumIssue, SumRemarks } from '@/core/sums'
import { curveIssueWords, disagreementWords, filedKeyWords, lobeSlipWords } from './cam'
import { entryIssueWords } from './entryIssues'
import { shownOf } from './figures'
import { notBetween } from './issues'
import { valveRemarkWords } from './valve'

export function sumIssueWords(issue: SumIssue, system: UnitSystem = 'metric'): string {
  switch (issue.code) {
    case 'missing':
      return 'is needed'
    case 'unknownInput':
      return 'is not an input of this sum'
    case 'entry':
      return entryIssueWords(issue.issue, unitFor(issue.kind, system))
    case 'outOfRange':
      return notBetween(issue, unitFor(issue.kind, system))
    case 'unknownUnit':
      return `“${issue.typed}” is no unit for this value`
    case 'impossible':
      return issue.reason
    case 'liftTable':
      return curveIssueWords(issue.issue)
  }
}

/** What is to be said beside the results of a sum. */
export function sumRemarkWords(remarks: SumRemarks = {}): readonly string[] {
  const { disagreements = [], slips = [], filed } = remarks
  return [
    ...disagreements.map(disagreementWords),
    ...slips.map(lobeSlipWords),
    ...(filed ? [filedKeyWords(filed)] : []),
    ...valveRemarkWords(remarks),
  ]
}

function unitFor(kind: Kind, system: UnitSystem): UnitId {
  return shownOf(kind).units[system]
}
