import type { Build } from '../document/build'
import type { Bench, Finding, Station } from './bench'
import { standsOut } from './consequence'

export interface BenchProgress {
  readonly wanted: number
  readonly read: number
  readonly skipped: number
  /** The first station, in walking order, with neither a reading nor a skip. */
  readonly next: Station | undefined
}

/** Where a bench stands: how much is read, what the verdicts are, where to measure next. */
export interface BenchState extends BenchProgress {
  readonly verdicts: { readonly within: number; readonly inDoubt: number; readonly out: number; readonly notMeasured: number }
  /** What wants a hand first, if anything does. */
  readonly worst: Finding | undefined
}

export function benchState(bench: Bench, build: Build): BenchState {
  const findings = bench.derive(build)
  return { ...benchProgress(bench, build), verdicts: countVerdicts(findings), worst: standsOut(bench.definition, findings)[0] }
}

/** How far the readings have come, without working anything out: cheap enough for every keystroke. */
export function benchProgress(bench: Bench, build: Build): BenchProgress {
  const stations = bench.stations(build)
  const { current, skips } = build.readings
  return {
    wanted: stations.length,
    read: stations.filter((station) => current.has(station.id)).length,
    skipped: stations.filter((station) => skips.has(station.id) && !current.has(station.id)).length,
    next: stations.find((station) => !current.has(station.id) && !skips.has(station.id)),
  }
}

/** Verdicts of the findings that have a limit; a finding with none is information, not judgement. */
export function countVerdicts(findings: readonly Finding[]): BenchState['verdicts'] {
  const counts = { within: 0, inDoubt: 0, out: 0, notMeasured: 0 }
  for (const finding of findings) {
    if (!finding.limit) continue
    const verdict = finding.conformity?.verdict
    if (verdict === undefined) counts.notMeasured++
    else if (verdict === 'over' || verdict === 'under') counts.out++
    else counts[verdict]++
  }
  return counts
}
