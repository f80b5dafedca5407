/** The walk: every step in order, what holds it, and what is not true any more. */
export { AFFECTED, CHANGE_IDS, type ChangeId } from './changes'
export { HANDBOOK, STEP_NAMES, type StepName } from './handbook'
export { HOLDS, type HoldId, type LeadsTo } from './holds'
export { walkOf, type SignOff, type StaleBecause, type Standing, type Wait, type Walk, type WalkStep } from './progress'
export type { Changed } from './stale'
export type { AskedId, Attitude, TemporaryId } from './asked'
export type { Step } from './step'
export { stepsOf } from './walk'
