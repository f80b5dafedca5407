import { cannotDecide, ofBench } from '@/core/bench/consequence'
import type { BenchDefinition, Finding, OutputId } from '@/core/bench/bench'
import { isMarked, standingOf, subjectWords, type Standing } from '@/wording'

/** A line of the ledger: one finding, or several alike that need no line each. */
export type LedgerLine =
  | { readonly kind: 'one'; readonly finding: Finding; readonly standing: Standing }
  | { readonly kind: 'several'; readonly output: OutputId; readonly findings: readonly Finding[]; readonly standing: Standing }

/**
 * The findings with the largest consequence first: what is out, then what is in doubt, each on its own; what is within,
 * not judged, not measured or beyond the gauge gathered by output.
 */
export function ledgerLines(definition: BenchDefinition, findings: readonly Finding[]): readonly LedgerLine[] {
  const groups = new Map<string, LedgerLine>()
  for (const finding of findings) {
    const standing = standingOf(finding)
    const alone = subjectWords(finding) === '' || (isMarked(standing) && !cannotDecide(finding))
    const key = alone || saysMore(finding) ? finding.id : `${finding.output}/${standing}`
    const known = groups.get(key)
    if (known) groups.set(key, { kind: 'several', output: finding.output, findings: [...findingsOf(known), finding], standing })
    else groups.set(key, { kind: 'one', finding, standing })
  }
  const compare = ofBench(definition)
  return [...groups.values()].sort((a, b) => compare(findingsOf(a)[0]!, findingsOf(b)[0]!))
}

/** Intake and exhaust are no two of a kind: what is known of each is said of each. */
function saysMore({ cam, figure }: Finding): boolean {
  return cam !== undefined && figure !== undefined
}

export function findingsOf(line: LedgerLine): readonly Finding[] {
  return line.kind === 'one' ? [line.finding] : line.findings
}
