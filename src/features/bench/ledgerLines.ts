import type { BenchDefinition, Finding } from '@/core/benches'
import { standingOf, subjectWords, type Standing } from '@/wording'

/** A line of the ledger: one finding, or several alike that need no line each. */
export type LedgerLine =
  | { readonly kind: 'one'; readonly finding: Finding; readonly standing: Standing }
  | { readonly kind: 'several'; readonly output: string; readonly findings: readonly Finding[]; readonly standing: Standing }

const WEIGHT: Readonly<Record<Standing, number>> = { over: 0, under: 0, inDoubt: 1, within: 2, noLimit: 3, stale: 3, notMeasured: 4 }

/**
 * The findings with the largest consequence first: what is out, then what is in doubt, each on its own; what is within,
 * not judged, not measured or beyond the gauge gathered by output.
 */
export function ledgerLines(definition: BenchDefinition, findings: readonly Finding[]): readonly LedgerLine[] {
  const groups = new Map<string, LedgerLine>()
  for (const finding of findings) {
    const standing = standingOf(finding)
    const alone = subjectWords(finding) === '' || (WEIGHT[standing] < 2 && !cannotDecide(finding))
    const key = alone ? finding.id : `${finding.output}/${standing}`
    const known = groups.get(key)
    if (known?.kind === 'several') groups.set(key, { ...known, findings: [...known.findings, finding] })
    else if (known) groups.set(key, { kind: 'several', output: finding.output, findings: [known.finding, finding], standing })
    else groups.set(key, { kind: 'one', finding, standing })
  }
  const outputs = Object.keys(definition.outputs)
  const place = (line: LedgerLine) => outputs.indexOf(line.kind === 'one' ? line.finding.output : line.output)
  const rank = (line: LedgerLine) => WEIGHT[line.standing] + (isEstimate(definition, line) ? 0.5 : 0)
  return [...groups.values()].sort((a, b) => rank(a) - rank(b) || outness(b) - outness(a) || place(a) - place(b))
}

/** In doubt only because the band is narrower than any reading of this gauge: said once for all it is true of. */
export function cannotDecide({ conformity }: Finding): boolean {
  return conformity?.verdict === 'inDoubt' && conformity.gaugeCannotDecide
}

function isEstimate(definition: BenchDefinition, line: LedgerLine): boolean {
  return definition.outputs[line.kind === 'one' ? line.finding.output : line.output]?.estimate === true
}

/** How far out, in band widths, so that the worst stands on top. */
function outness(line: LedgerLine): number {
  if (line.kind !== 'one' || !line.finding.conformity || !line.finding.limit) return 0
  const { lower, upper } = line.finding.limit
  const width = lower !== undefined && upper !== undefined ? upper - lower : Math.abs(upper ?? lower ?? 1)
  return line.finding.conformity.excess / (width || 1)
}
