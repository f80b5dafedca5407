/** Joints: where their fasteners stand, how they are torqued, and what became of every pull. */
export { headPattern } from '../geometry/patterns/pattern'
export type { Position } from '../geometry/sheets/sheets'
export { centreOut, numberIssues, spiral, type OrderIssue } from '../geometry/patterns/sequence'
export {
  fromMemory,
  planIssues,
  stagesOf,
  unverifiable,
  USUAL_SHARES,
  wrenchFor,
  type PlanIssue,
  type Retirement,
  type RunRefusal,
} from './plan'
export {
  hasHigherNeighbours,
  leftOut,
  paceMs,
  restMs,
  runsOf,
  sealedAt,
  stepsOf,
  type Run,
  type RunWay,
  type Step,
  type StepPull,
} from './run'
export { fastenersLeftOut, hasTouched, openRunRefusals, tightRun, tightRunOf } from './tight'
export { oddAngles, type OddAngle } from './oddAngles'
export { clocksOf, isSealed, jointClocks, leftMs, type ClockKind, type JointClock } from './clocks'
export { crankMoves, crankStopOf } from './crankStops'
export { withFastenerAt, withoutLastFastener } from './placing'
export { reordered } from './reorder'
export { fastenersAt, turnsAt } from './sealant'
export { retorqueRefusals } from './retorque'
export { holdRefusals } from './holds'
export { openRuns, type OpenRun } from './openRuns'
export { parseStages, type StagesIssue } from './parseStages'
export { drawnSpacingMm, jointPitchMm, withBoreSpacing } from './pitch'
export { bankOf, jointsOf, usualJoints, withJoint } from './usual'
export { patternFromCsv, withPattern, type PatternIssue } from './patternCsv'
