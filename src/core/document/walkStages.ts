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
