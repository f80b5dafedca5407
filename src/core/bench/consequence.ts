import type { BenchDefinition, Finding, Output } from './bench'

/** What is out comes before what is in doubt, that before what is within, not judged, or not measured. */
const RANK = { over: 0, under: 0, inDoubt: 1, within: 2, noLimit: 3, notMeasured: 4 } as const
/** A part that is out is what a hand can put right; the spread it makes comes after it. */
const SPREAD_RANK = 0.25
/** An estimate, or what may yet be tried, comes after what was measured. */
const ESTIMATE_RANK = 0.5

/** A finding with what its bench says of such findings. */
export interface Found {
  readonly finding: Finding
  readonly output: Output | undefined
}

/** The larger consequence first: how it stands, whether it is a part, a spread or an estimate, then how surely it is out. */
export function byConsequence(a: Found, b: Found): number {
  return rank(a) - rank(b) || sureness(b.finding) - sureness(a.finding)
}

/** The findings of one bench by consequence; where two are alike, in the order of its outputs. */
export function ofBench(definition: BenchDefinition): (a: Finding, b: Finding) => number {
  const outputs = Object.keys(definition.outputs)
  const found = (finding: Finding): Found => ({ finding, output: definition.outputs[finding.output] })
  return (a, b) => byConsequence(found(a), found(b)) || outputs.indexOf(a.output) - outputs.indexOf(b.output)
}

/** Findings that want a hand: out, or in doubt where another reading could settle it. The worst first. */
export function standsOut(definition: BenchDefinition, findings: readonly Finding[]): readonly Finding[] {
  return findings
    .filter((finding) => isOut(finding) || (finding.conformity?.verdict === 'inDoubt' && !cannotDecide(finding)))
    .sort(ofBench(definition))
}

function isOut({ conformity }: Finding): boolean {
  return conformity?.verdict === 'over' || conformity?.verdict === 'under'
}

/** In doubt only because the band is narrower than any reading of this gauge: said once for all it is true of. */
export function cannotDecide({ conformity }: Finding): boolean {
  return conformity?.verdict === 'inDoubt' && conformity.gaugeCannotDecide
}

function rank({ finding, output }: Found): number {
  return RANK[standing(finding)] + (output?.spread ? SPREAD_RANK : 0) + (output?.estimate || output?.prospective ? ESTIMATE_RANK : 0)
}

/** Finer than any gauge: a figure without uncertainty that is out is out for sure. */
const LEAST_UNCERTAINTY = 1e-9

/** How far outside its limit, in its own expanded uncertainties: a measure that lengths, volumes and masses share. */
function sureness({ conformity }: Finding): number {
  return conformity ? conformity.excess / Math.max(conformity.U, LEAST_UNCERTAINTY) : 0
}

function standing({ figure, conformity }: Finding): keyof typeof RANK {
  return figure ? (conformity?.verdict ?? 'noLimit') : 'notMeasured'
}
