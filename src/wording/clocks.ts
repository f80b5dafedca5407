import type { Clock, StepClock } from '@/core/walk'

interface ClockWords {
  /** While it runs, before how long it still does. */
  readonly running: string
  /** What there is to do once it has run out. */
  readonly due: string
  /** What there is to do when it is too late for that. */
  readonly late?: string
}

const STEP_CLOCKS: Readonly<Record<StepClock['kind'], ClockWords>> = {
  rusts: { running: 'Washed iron rusts in', due: 'Washed iron may have begun to rust: look, wash again where it has, and oil it' },
  tacks: {
    running: 'Gasket spray is tacky in',
    due: 'Gasket spray is tacky: gasket and head on now',
    late: 'Gasket spray is too dry by now: wipe it off and spray again',
  },
  soaks: { running: 'Lifters soak for', due: 'Lifters have soaked: in with them' },
}

const AT_JOINTS: Readonly<Record<Exclude<Clock['kind'], StepClock['kind']>, (name: string, joint: string) => ClockWords>> = {
  sets: (name, joint) => ({ running: `${name} at ${joint} sets in`, due: `${name} has set: ${joint}` }),
  skins: (name, joint) => ({ running: `${name} at ${joint} skins in`, due: `${name} has skinned: close ${joint}` }),
  cures: (name, joint) => ({ running: `Nothing wet at ${joint}: ${name} cures for`, due: `${name} has cured: ${joint} may get wet` }),
  rests: (_, joint) => ({ running: `${joint} rests before its re-torque for`, due: `Re-torque ${joint}` }),
}

function wordsOf(clock: Clock): ClockWords {
  return 'joint' in clock ? AT_JOINTS[clock.kind](clock.name, clock.jointName) : STEP_CLOCKS[clock.kind]
}

/** What a clock says while it runs; how long it still does comes behind it. */
export function runningWords(clock: Clock): string {
  return wordsOf(clock).running
}

/** What there is to do once it has run out, or when it is too late for that. */
export function dueWords(clock: Clock, nowMs: number): string {
  const { due, late } = wordsOf(clock)
  const lateAt = 'joint' in clock ? undefined : clock.lateAt
  return late !== undefined && lateAt !== undefined && nowMs >= Date.parse(lateAt) ? late : due
}

/** What a held step waits for. */
export const CLOCK_WAITED_FOR: Readonly<Record<StepClock['kind'], string>> = {
  rusts: 'iron to be oiled',
  tacks: 'the spray to be tacky',
  soaks: 'the lifters to have soaked',
}

/** Why what ended a clock is not true any more. */
export const CLOCK_STARTED_SINCE: Readonly<Record<StepClock['kind'], string>> = {
  rusts: 'washed since',
  tacks: 'sprayed since',
  soaks: 'laid in oil since',
}
