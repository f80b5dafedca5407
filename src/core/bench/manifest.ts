import type { AdvisingBench, CharacteristicId, Finding } from './bench'
import type { Build } from '../document/build'
import type { Joint } from '../document/types'
import type { ChangeId, HoldId, StageId } from '../document/walkStages'
import type { Retirement } from '../joints'

/**
 * A bench and its part in the whole engine. What is fetched only where it is used stands in files of its own beside the manifest
 * (`methods`, `stock`, `presets`, `twin`, `knobs`, `kernel`, `gauges`, `sums`) and is listed by `npm run benches`.
 */
export interface Manifest extends AdvisingBench {
  /** The stage of a build in which it measures and looks. */
  readonly stage: StageId
  /** Readings that are taken at another stage than the rest, wait for a step, or are of no use before something is proven. */
  readonly steps: Readonly<Partial<Record<CharacteristicId, ReadingStep>>>
  /** What of the engine its findings prove, for steps that wait for it. */
  readonly proofs?: Readonly<Partial<Record<HoldId, Proof>>>
  /** By what is changed on an engine: beginnings of the names of its readings that are then not true any more (common practice). */
  readonly staleBy: Readonly<Partial<Record<ChangeId, readonly string[]>>>
  /** What its readings say of the fasteners of a joint, worked out once a build. */
  readonly boltLives?: (build: Build) => (joint: Joint, fastener: number, hasRun: boolean) => BoltLife | undefined
}

/** What readings say of a fastener, beside the runs it was in. */
export interface BoltLife {
  /** Times it was tightened and measured, but for those its runs count. */
  readonly cycles: number
  readonly growthMm?: number
  readonly retired: readonly Retirement[]
}

export interface ReadingStep {
  readonly stage?: StageId
  /** Steps that are done before it: those of the handbook by name, a joint as `joint:` and its kind. */
  readonly after?: readonly string[]
  readonly holds?: readonly HoldId[]
}

export interface Proof {
  /** Beginning of the names of the readings it rests on: none of them may be stale. */
  readonly readings?: string
  readonly isProven: (findings: readonly Finding[]) => boolean
}

/** Whether each of some findings there are is known, and within its limit. */
export function allWithin(findings: readonly Finding[], output: Finding['output']): boolean {
  const all = findings.filter((one) => one.output === output)
  return all.length > 0 && all.every(({ conformity, missing }) => missing.length === 0 && conformity?.verdict === 'within')
}
