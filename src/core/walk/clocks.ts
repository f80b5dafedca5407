/**
 * What runs by the clock once a step is done: nobody starts it, the step does. The times are the usual ones (common practice); can, tube
 * and maker come before them.
 */
import { millisecondsInMinute } from 'date-fns/constants'
import type { Build } from '../document/build'
import { jointClocks, type JointClock } from '../joints'

export type StepClockKind =
  /** Bare iron: until then it is oiled. */
  | 'rusts'
  /** Sprayed on: from then on it is tacky, and not for long. */
  | 'tacks'
  /** Lies in oil: from then on it may go in. */
  | 'soaks'

/** The clock a step starts. */
export interface ClockRule {
  readonly kind: StepClockKind
  readonly minutes: number
  /** After which it is too late, where it ever is. */
  readonly lateMinutes?: number
  /** Steps that end it; where it must have run first, they wait for it. */
  readonly until: readonly string[]
}

export interface StepClock {
  readonly kind: StepClockKind
  readonly step: string
  readonly startedAt: string
  readonly dueAt: string
  readonly lateAt?: string
  readonly until: readonly string[]
}

export type Clock = JointClock | StepClock

/** What must have run before the steps that end it may be done. */
const MUST_RUN: ReadonlySet<StepClockKind> = new Set(['tacks', 'soaks'])

export function startClock(step: string, { kind, minutes, lateMinutes, until }: ClockRule, startedAt: string): StepClock {
  const after = (some: number) => new Date(Date.parse(startedAt) + some * millisecondsInMinute).toISOString()
  return { kind, step, startedAt, dueAt: after(minutes), ...(lateMinutes && { lateAt: after(lateMinutes) }), until }
}

/** Whether a step has to wait for a clock to run out. */
export function waitsFor(step: string, { kind, until, dueAt }: StepClock, nowMs: number): boolean {
  return MUST_RUN.has(kind) && until.includes(step) && nowMs < Date.parse(dueAt)
}

/** Whether nothing that oil would wash away still cures at a joint. */
export function isCured({ spec, entries }: Pick<Build, 'spec' | 'entries'>, nowMs: number): boolean {
  return jointClocks(spec, entries).every(({ kind, dueAt }) => kind !== 'cures' || nowMs >= Date.parse(dueAt))
}

/** Every clock of a build: of its joints, and of its walk. */
export function clocksOfBuild({ spec, entries }: Pick<Build, 'spec' | 'entries'>, ofSteps: readonly StepClock[]): readonly Clock[] {
  return [...jointClocks(spec, entries), ...ofSteps]
}
