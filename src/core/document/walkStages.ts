/** Stages of a build in the order they are gone through (common practice); machining leads back to the trial of what it changes. */
export const WALK_STAGES = [
  'job',
  'clean',
  'block',
  'crank',
  'rods',
  'rings',
  'mockUp',
  'cam',
  'ratio',
  'clear',
  'machine',
  'finalClean',
  'final',
  'heads',
  'lash',
  'intake',
  'prime',
  'fire',
  'dyno',
  'refresh',
] as const
export type StageId = (typeof WALK_STAGES)[number]

/** What may become of a step. */
export const STEP_ACTIONS = ['done', 'waived', 'leftOut', 'confirmed', 'putIn', 'takenOut'] as const
export type StepAction = (typeof STEP_ACTIONS)[number]

/** What must be true before a step: worked out from findings, runs and steps, never ticked (common practice). */
export const HOLDS = [
  'mainsTight',
  'tdcProven',
  'crankParked',
  'clearanceProven',
  'lightSpringsOut',
  'driveIn',
  'gasketAndDowels',
  'studsCounted',
  'twoTurns',
  'sealersCured',
  'oilIn',
  'oilAtTop',
  'firstFireList',
  'temporaryOut',
] as const
export type HoldId = (typeof HOLDS)[number]

/** What may be another on an engine than it was. */
export const CHANGE_IDS = [
  'gasket',
  'deckOrHead',
  'mainStuds',
  'rodBolts',
  'crankGround',
  'camMoved',
  'honed',
  'pistons',
  'rods',
  'valves',
  'seats',
  'modified',
  'rockers',
  'lifters',
  'springs',
  'sprockets',
  'capsSwapped',
  'camCap',
  'flywheel',
  'lube',
] as const
export type ChangeId = (typeof CHANGE_IDS)[number]
