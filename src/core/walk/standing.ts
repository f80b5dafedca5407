/** How a step stands by itself, whatever it waits for: done, left out, or not true any more. */
import { millisecondsInHour } from 'date-fns/constants'
import type { Build } from '../document/build'
import type { Joint, Pull, StepEntry } from '../document/types'
import { benchChecks } from '../bench/checks'
import { benchById } from '../benches'
import { fastenersLeftOut, jointsOf, tightRunOf, type Run } from '../joints'
import type { StepClockKind } from './clocks'
import { changesSince, staleJoints, staleReadings, staleSteps, type Changed } from './stale'
import type { Step, StepSource } from './step'
import { stepsOf } from './walk'

/** Something was changed, it does not keep, or what starts its clock was done again since. */
export type StaleBecause = { readonly changed: Changed } | { readonly agedHours: number } | { readonly clock: StepClockKind }

/** Who did it, when, and what was said. */
export interface SignOff {
  readonly by: string
  readonly at: string
  readonly second?: string
  readonly answer?: string
  readonly text?: string
  readonly reason?: string
}

export interface StepStanding {
  readonly is: 'done' | 'stale' | 'leftOut' | 'open'
  readonly signOff?: SignOff
  readonly count?: { readonly done: number; readonly of: number }
  readonly stale: readonly StaleBecause[]
  /** Of a joint that is tight: fasteners somebody left out, with a reason. */
  readonly fastenersLeftOut?: readonly number[]
}

export const isOpen = (standing: StepStanding | undefined): boolean =>
  standing !== undefined && standing.is !== 'done' && standing.is !== 'leftOut'

interface SignOffs {
  readonly all: readonly StepEntry[]
  /** The last that was done to a step, of a kind, and its place in the order of arrival. */
  readonly last: (step: string, ...did: readonly StepEntry['did'][]) => StepEntry | undefined
}

function signOffsOf(build: Build): SignOffs {
  return ofSignOffs(build.entries.filter((entry): entry is StepEntry => entry.kind === 'step' && !build.readings.takenBack.has(entry.id)))
}

function ofSignOffs(all: readonly StepEntry[]): SignOffs {
  return { all, last: (step, ...did) => all.findLast((one) => one.step === step && did.includes(one.did)) }
}

export function signOffOf({ by, at, second, answer, text, reason }: StepEntry): SignOff {
  return { by, at, ...(second && { second }), ...(answer && { answer }), ...(text && { text }), ...(reason && { reason }) }
}

type OfReadings = Extract<StepSource, { from: 'readings' }>

interface WalkContext {
  readonly steps: readonly Step[]
  readonly signOffs: SignOffs
  readonly changes: readonly Changed[]
  readonly nowMs: number
}

function standingBy(build: Build, step: Step, context: WalkContext): StepStanding {
  const left = context.signOffs.last(step.id, 'leftOut')
  const done = context.signOffs.last(step.id, 'done')
  if (left && !isBefore(build, left, done)) return { is: 'leftOut', signOff: signOffOf(left), stale: [] }
  switch (step.source.from) {
    case 'readings':
      return standingByReadings(build, step, step.source, context)
    case 'checks':
      return standingByChecks(build, step.source.bench)
    case 'joint':
      return standingByJoint(build, step, step.source.joint, context)
    default:
      return standingBySignOff(build, step, whoDid(build, step, left, context), context)
  }
}

function isBefore({ readings: { arrival } }: Build, one: StepEntry, other: StepEntry | undefined): boolean {
  return other !== undefined && arrival.get(one.id)! < arrival.get(other.id)!
}

/** Changes that came after something was done, and that nobody has confirmed it through since. */
function since(build: Build, step: Step, { signOffs }: WalkContext, changes: readonly Changed[], doneAt: number): readonly StaleBecause[] {
  const confirmed = signOffs.last(step.id, 'confirmed')
  const confirmedAt = confirmed ? build.readings.arrival.get(confirmed.id)! : -1
  return changes.flatMap((changed) => (changed.after >= doneAt && changed.after >= confirmedAt ? [{ changed }] : []))
}

function standingByReadings(build: Build, step: Step, { characteristic, stations }: OfReadings, context: WalkContext): StepStanding {
  const read = stations.flatMap((id) => build.readings.current.get(id) ?? [])
  const skipped = stations.filter((id) => !build.readings.current.has(id) && build.readings.skips.has(id)).length
  const count = { done: read.length + skipped, of: stations.length }
  const last = read.at(-1)
  const signOff = last && { by: last.by, at: last.at }
  // The oldest of them says since when they are together.
  const oldest = Math.min(...read.map(({ id }) => build.readings.arrival.get(id)!))
  const stale = read.length > 0 ? since(build, step, context, staleReadings(context.changes, characteristic), oldest) : []
  if (stale.length > 0) return { is: 'stale', count, stale, ...(signOff && { signOff }) }
  return { is: count.done === count.of ? 'done' : 'open', count, stale, ...(signOff && count.done === count.of && { signOff }) }
}

function standingByChecks(build: Build, benchId: string): StepStanding {
  const all = benchChecks(benchById(benchId as Parameters<typeof benchById>[0]), build)
  const passed = all.filter(({ check }) => check?.passed)
  const last = passed.at(-1)?.check
  const count = { done: passed.length, of: all.length }
  const isDone = count.done === count.of
  return { is: isDone ? 'done' : 'open', count, stale: [], ...(isDone && last && { signOff: { by: last.by, at: last.at } }) }
}

function standingByJoint(build: Build, step: Step, jointId: string, context: WalkContext): StepStanding {
  const joint = jointsOf(build.spec).find(({ id }) => id === jointId)!
  const tight = tightRunIn(build, joint)
  if (!tight) return { is: 'open', stale: [] }
  const signOff = { by: tight.last.by, at: tight.last.at }
  const stale = since(build, step, context, staleJoints(context.changes, joint.kind), build.readings.arrival.get(tight.last.id) ?? -1)
  const out = fastenersLeftOut(tight)
  return { is: stale.length > 0 ? 'stale' : 'done', signOff, stale, ...(out.length > 0 && { fastenersLeftOut: out }) }
}

/** The run that left a joint of this build tight. */
export function tightRunIn(build: Build, joint: Joint): Run | undefined {
  return tightRunOf(
    joint,
    build.entries.filter((entry): entry is Pull => entry.kind === 'pull'),
  )
}

/**
 * Whose doing it is: the first that is still true, however often it is called done again; whoever does it again after it had gone
 * stale did it. What starts a clock is done again each time.
 */
function whoDid(build: Build, step: Step, left: StepEntry | undefined, context: WalkContext): StepEntry | undefined {
  const { signOffs } = context
  if (step.clock) return signOffs.last(step.id, 'done')
  const all = signOffs.all.filter((one) => one.step === step.id && one.did === 'done' && (!left || isBefore(build, left, one)))
  return all.reduce<StepEntry | undefined>((kept, again) => {
    if (!kept) return again
    return standingBySignOff(build, step, kept, contextBefore(build, again, context)).is === 'stale' ? again : kept
  }, undefined)
}

/** What was known of the walk just before an entry came. */
function contextBefore(build: Build, entry: StepEntry, { steps, signOffs, changes }: WalkContext): WalkContext {
  const arrivedAt = build.readings.arrival.get(entry.id)!
  return {
    steps,
    changes: changes.filter(({ after }) => after < arrivedAt),
    signOffs: ofSignOffs(signOffs.all.filter((one) => isBefore(build, one, entry))),
    nowMs: Date.parse(entry.at),
  }
}

function standingBySignOff(build: Build, step: Step, done: StepEntry | undefined, context: WalkContext): StepStanding {
  if (!done) return { is: 'open', stale: [] }
  const name = step.source.from === 'handbook' ? step.source.name : step.id
  const changed = since(build, step, context, staleSteps(context.changes, name), build.readings.arrival.get(done.id)!)
  const kept = context.signOffs.last(step.id, 'done', 'confirmed')!
  const hours = (context.nowMs - Date.parse(kept.at)) / millisecondsInHour
  const aged = step.keepsHours !== undefined && hours > step.keepsHours ? [{ agedHours: Math.floor(hours) }] : []
  const stale = [...changed, ...aged, ...startedAgain(build, step.id, kept, context)]
  return { is: stale.length > 0 ? 'stale' : 'done', signOff: signOffOf(done), stale }
}

/** What ends a clock is not true any more once the clock was started again: washed since, it is not oiled. */
function startedAgain(build: Build, ending: string, kept: StepEntry, { steps, signOffs }: WalkContext): readonly StaleBecause[] {
  return steps.flatMap(({ id, clock }) =>
    clock?.until.includes(ending) && isBefore(build, kept, signOffs.last(id, 'done')) ? [{ clock: clock.kind }] : [],
  )
}

export interface Standings {
  readonly steps: readonly Step[]
  readonly byStep: ReadonlyMap<string, StepStanding>
  readonly signOffs: SignOffs
  readonly changes: readonly Changed[]
}

/** Every step of a build, and how each stands. */
export function standingsOf(build: Build, nowMs: number): Standings {
  const steps = stepsOf(build)
  const changes = changesSince(build)
  const signOffs = signOffsOf(build)
  return {
    steps,
    changes,
    signOffs,
    byStep: new Map(steps.map((step) => [step.id, standingBy(build, step, { steps, signOffs, changes, nowMs })])),
  }
}
