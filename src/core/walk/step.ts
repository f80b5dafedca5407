/** A step of the walk: what is done, what it waits for, what it hides. */
import type { Id } from '../document/ids'
import type { StepName } from './handbook'
import type { HoldId, StageId } from '../document/walkStages'
import type { AskedId, Attitude, TemporaryId } from './asked'
import type { ClockRule } from './clocks'

/** Where a step comes from: what the handbook says is done, a bench's readings or looks, or a joint that is pulled. */
export type StepSource =
  | { readonly from: 'handbook'; readonly name: StepName }
  | { readonly from: 'readings'; readonly characteristic: Id; readonly label: string; readonly stations: readonly string[] }
  | { readonly from: 'checks'; readonly bench: string; readonly title: string }
  | { readonly from: 'joint'; readonly joint: string; readonly name: string }
  | { readonly from: 'own'; readonly title: string; readonly why: string }

export interface Step {
  /** Known by it also once the walk is generated again: `heads.gasket.left`, `read.bores.bore`, `pull.head-left`. */
  readonly id: string
  readonly stage: StageId
  readonly source: StepSource
  readonly bank?: 'left' | 'right'
  /** Of one pin: its pistons go in before the crank is rolled. */
  readonly cylinders?: readonly number[]
  /** Usual duration, minutes (common practice). */
  readonly minutes: number
  /** On trial it comes apart again. */
  readonly isTrial: boolean
  readonly attitude?: Attitude
  /** Steps that are done before it. */
  readonly after: readonly string[]
  readonly holds: readonly HoldId[]
  /** Steps it covers: the last chance to see them. */
  readonly hides: readonly string[]
  readonly asks?: AskedId
  readonly putsIn?: TemporaryId
  readonly takesOut?: TemporaryId
  /** Hours it stays true by itself; then it is done again. */
  readonly keepsHours?: number
  readonly needsSecond: boolean
  /** Runs from when it is done; ids of the steps that end it. */
  readonly clock?: ClockRule
  /** Another way of what other steps do: nothing waits for it. */
  readonly isOptional: boolean
}
