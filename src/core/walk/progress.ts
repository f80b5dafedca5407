/** How the walk of a build stands: what is done, by whom, what waits for what, and what is not true any more. */
import type { Build } from '../build/build'
import type { Pull, StepEntry } from '../build/types'
import { benchChecks } from '../bench/checks'
import type { Finding } from '../bench/bench'
import { benchById } from '../benches'
import { evaluate } from '../evaluation/evaluate'
import { jointsOf, runsOf } from '../joints'
import { hasCamInHead } from './handbook'
import { isCured, startClock, waitsFor, type StepClock, type StepClockKind } from './clocks'
import { isMet, leadsTo, type HoldContext, type HoldId, type LeadsTo } from './holds'
import { changesSince, staleJoints, staleReadings, staleSteps, type Changed } from './stale'
import type { Step, StepSource } from './step'
import { stepsOf } from './walk'

export type Standing = 'done' | 'stale' | 'leftOut' | 'open' | 'held'

/** A hold that is not met, a clock that has not run out, or a step that comes before. */
export type Wait = { readonly hold: HoldId; readonly leadsTo: LeadsTo } | { readonly clock: StepClock } | { readonly step: string }

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

export interface WalkStep extends Step {
  readonly standing: Standing
  readonly signOff?: SignOff
  /** Readings taken, looks passed, of those that are wanted. */
  readonly count?: { readonly done: number; readonly of: number }
  /** What keeps it from being done. */
  readonly waits: readonly Wait[]
  /** Holds that are not met, and were waived. */
  readonly waived?: SignOff
  readonly stale: readonly StaleBecause[]
  /** Steps it covers that are not done: the last chance to. */
  readonly uncovered: readonly string[]
}

export interface Walk {
  readonly steps: readonly WalkStep[]
  /** The first that can be done, or is stale. */
  readonly next: string | undefined
  /** What lies in the engine for a while, and has to come out. */
  readonly temporary: readonly string[]
  readonly changes: readonly Changed[]
  /** What runs since a step was done, run out or not, until what ends it is done. */
  readonly clocks: readonly StepClock[]
}

const MS_PER_HOUR = 3_600_000

/** @param nowMs what has aged is judged by it */
export function walkOf(build: Build, nowMs: number, findings: readonly Finding[] = evaluate(build)): Walk {
  const steps = stepsOf(build)
  const changes = changesSince(build)
  const signOffs = signOffsOf(build)
  const standing = new Map(steps.map((step) => [step.id, stoodBy(build, step, { steps, signOffs, changes, nowMs })]))
  const temporary = temporaryIn(signOffs.all, steps)
  const clocks = clocksRunning(steps, standing)
  const context = contextOf(build, { findings, steps, standing, changes, temporary, nowMs })
  const walked = steps.map((step): WalkStep => {
    const own = standing.get(step.id)!
    const waits = own.is === 'open' ? waitsOf(step, { context, standing, clocks, nowMs }) : []
    const waived = signOffs.last(step.id, 'waived')
    const isHeld = waits.length > 0 && !waived
    return {
      ...step,
      standing: own.is === 'open' && isHeld ? 'held' : own.is,
      ...(own.signOff && { signOff: own.signOff }),
      ...(own.count && { count: own.count }),
      waits,
      ...(waived && waits.length > 0 && { waived: signOffOf(waived) }),
      stale: own.stale,
      uncovered: step.hides.filter((id) => isOpen(standing.get(id))),
    }
  })
  const next = walked.find(({ standing: is, isOptional }) => !isOptional && (is === 'open' || is === 'stale'))
  return { steps: walked, next: next?.id, temporary, changes, clocks }
}

interface Stood {
  readonly is: 'done' | 'stale' | 'leftOut' | 'open'
  readonly signOff?: SignOff
  readonly count?: { readonly done: number; readonly of: number }
  readonly stale: readonly StaleBecause[]
}

const isOpen = (stood: Stood | undefined): boolean => stood !== undefined && stood.is !== 'done' && stood.is !== 'leftOut'

interface SignOffs {
  readonly all: readonly StepEntry[]
  /** The last that was done to a step, of a kind, and its place in the order of arrival. */
  readonly last: (step: string, ...did: readonly StepEntry['did'][]) => StepEntry | undefined
}

function signOffsOf(build: Build): SignOffs {
  const all = build.entries.filter((entry): entry is StepEntry => entry.kind === 'step' && !build.readings.takenBack.has(entry.id))
  return { all, last: (step, ...did) => all.findLast((one) => one.step === step && did.includes(one.did)) }
}

function signOffOf({ by, at, second, answer, text, reason }: StepEntry): SignOff {
  return { by, at, ...(second && { second }), ...(answer && { answer }), ...(text && { text }), ...(reason && { reason }) }
}

type OfReadings = Extract<StepSource, { from: 'readings' }>

interface Looked {
  readonly steps: readonly Step[]
  readonly signOffs: SignOffs
  readonly changes: readonly Changed[]
  readonly nowMs: number
}

function stoodBy(build: Build, step: Step, looked: Looked): Stood {
  const left = looked.signOffs.last(step.id, 'leftOut')
  const done = looked.signOffs.last(step.id, 'done')
  if (left && !isBefore(build, left, done)) return { is: 'leftOut', signOff: signOffOf(left), stale: [] }
  switch (step.source.from) {
    case 'readings':
      return stoodByReadings(build, step, step.source, looked)
    case 'checks':
      return stoodByChecks(build, step.source.bench)
    case 'joint':
      return stoodByJoint(build, step, step.source.joint, looked)
    default:
      return stoodBySignOff(build, step, done, looked)
  }
}

function isBefore({ readings: { arrival } }: Build, one: StepEntry, other: StepEntry | undefined): boolean {
  return other !== undefined && arrival.get(one.id)! < arrival.get(other.id)!
}

/** Changes that came after something was done, and that nobody has confirmed it through since. */
function since(build: Build, step: Step, { signOffs }: Looked, changes: readonly Changed[], doneAt: number): readonly StaleBecause[] {
  const confirmed = signOffs.last(step.id, 'confirmed')
  const confirmedAt = confirmed ? build.readings.arrival.get(confirmed.id)! : -1
  return changes.flatMap((changed) => (changed.after >= doneAt && changed.after >= confirmedAt ? [{ changed }] : []))
}

function stoodByReadings(build: Build, step: Step, { characteristic, stations }: OfReadings, looked: Looked): Stood {
  const read = stations.flatMap((id) => build.readings.current.get(id) ?? [])
  const skipped = stations.filter((id) => !build.readings.current.has(id) && build.readings.skips.has(id)).length
  const count = { done: read.length + skipped, of: stations.length }
  const last = read.at(-1)
  const signOff = last && { by: last.by, at: last.at }
  // The oldest of them says since when they are together.
  const oldest = Math.min(...read.map(({ id }) => build.readings.arrival.get(id)!))
  const stale = read.length > 0 ? since(build, step, looked, staleReadings(looked.changes, characteristic), oldest) : []
  if (stale.length > 0) return { is: 'stale', count, stale, ...(signOff && { signOff }) }
  return { is: count.done === count.of ? 'done' : 'open', count, stale, ...(signOff && count.done === count.of && { signOff }) }
}

function stoodByChecks(build: Build, benchId: string): Stood {
  const all = benchChecks(benchById(benchId as Parameters<typeof benchById>[0]), build)
  const passed = all.filter(({ check }) => check?.passed)
  const last = passed.at(-1)?.check
  const count = { done: passed.length, of: all.length }
  const isDone = count.done === count.of
  return { is: isDone ? 'done' : 'open', count, stale: [], ...(isDone && last && { signOff: { by: last.by, at: last.at } }) }
}

function stoodByJoint(build: Build, step: Step, jointId: string, looked: Looked): Stood {
  const joint = jointsOf(build.spec).find(({ id }) => id === jointId)!
  const tight = lastTight(build, joint)
  if (!tight) return { is: 'open', stale: [] }
  const signOff = { by: tight.last.by, at: tight.last.at }
  const stale = since(build, step, looked, staleJoints(looked.changes, joint.kind), build.readings.arrival.get(tight.last.id) ?? -1)
  return { is: stale.length > 0 ? 'stale' : 'done', signOff, stale }
}

/** The run that left a joint tight; undefined where none did, or it was loosened since. */
function lastTight(build: Build, joint: ReturnType<typeof jointsOf>[number]) {
  const pulls = build.entries.filter((entry): entry is Pull => entry.kind === 'pull')
  const [last] = runsOf(joint, pulls).filter(({ way }) => way !== 'verify' && way !== 'drawDown')
  return last?.isEnded && last.way !== 'loosen' ? last : undefined
}

function stoodBySignOff(build: Build, step: Step, done: StepEntry | undefined, looked: Looked): Stood {
  if (!done) return { is: 'open', stale: [] }
  const name = step.source.from === 'handbook' ? step.source.name : step.id
  const changed = since(build, step, looked, staleSteps(looked.changes, name), build.readings.arrival.get(done.id)!)
  const kept = looked.signOffs.last(step.id, 'done', 'confirmed')!
  const hours = (looked.nowMs - Date.parse(kept.at)) / MS_PER_HOUR
  const aged = step.keepsHours !== undefined && hours > step.keepsHours ? [{ agedHours: Math.floor(hours) }] : []
  const stale = [...changed, ...aged, ...startedAgain(build, step.id, kept, looked)]
  return { is: stale.length > 0 ? 'stale' : 'done', signOff: signOffOf(done), stale }
}

/** What ends a clock is not true any more once the clock was started again: washed since, it is not oiled. */
function startedAgain(build: Build, ending: string, kept: StepEntry, { steps, signOffs }: Looked): readonly StaleBecause[] {
  return steps.flatMap(({ id, clock }) =>
    clock?.until.includes(ending) && isBefore(build, kept, signOffs.last(id, 'done')) ? [{ clock: clock.kind }] : [],
  )
}

/** Put in by a step or by hand, and not taken out since. */
function temporaryIn(all: readonly StepEntry[], steps: readonly Step[]): readonly string[] {
  const lying = new Set<string>()
  const byId = new Map(steps.map((step) => [step.id, step]))
  for (const { did, step, part } of all) {
    const { putsIn, takesOut } = did === 'done' ? (byId.get(step) ?? {}) : {}
    const [into, out] = [did === 'putIn' ? part : putsIn, did === 'takenOut' ? part : takesOut]
    if (into) lying.add(into)
    if (out) lying.delete(out)
  }
  return [...lying]
}

interface Standings {
  readonly findings: readonly Finding[]
  readonly steps: readonly Step[]
  readonly standing: ReadonlyMap<string, Stood>
  readonly changes: readonly Changed[]
  readonly temporary: readonly string[]
  readonly nowMs: number
}

function contextOf(build: Build, { findings, steps, standing, changes, temporary, nowMs }: Standings): HoldContext {
  const { layout, planned = [] } = build.spec
  return {
    findings,
    temporary,
    hasCamInHead: hasCamInHead(layout),
    isCured: isCured(build, nowMs),
    isAsMade: planned.length === 0 && changes.length === 0,
    isDone: (name, bank) => {
      const named = steps.filter(
        ({ source, bank: own }) => source.from === 'handbook' && source.name === name && (!bank || !own || own === bank),
      )
      return named.length > 0 && named.every(({ id }) => !isOpen(standing.get(id)))
    },
    isTight: (kind) =>
      jointsOf(build.spec).every((joint) => joint.kind !== kind || (joint.state === 'final' && lastTight(build, joint) !== undefined)),
    isFresh: (readings) =>
      steps.every(
        ({ id, source }) =>
          source.from !== 'readings' || !source.characteristic.startsWith(readings) || standing.get(id)!.stale.length === 0,
      ),
  }
}

interface Waiting {
  readonly context: HoldContext
  readonly standing: ReadonlyMap<string, Stood>
  readonly clocks: readonly StepClock[]
  readonly nowMs: number
}

function waitsOf(step: Step, { context, standing, clocks, nowMs }: Waiting): readonly Wait[] {
  return [
    ...step.holds.flatMap((hold): Wait[] => (isMet(hold, context, step.bank) ? [] : [{ hold, leadsTo: leadsTo(hold) }])),
    ...clocks.flatMap((clock): Wait[] => (waitsFor(step.id, clock, nowMs) ? [{ clock }] : [])),
    ...step.after.flatMap((id): Wait[] => (isOpen(standing.get(id)) ? [{ step: id }] : [])),
  ]
}

/** Started by steps that are done, and not ended by those that end them. */
function clocksRunning(steps: readonly Step[], standing: ReadonlyMap<string, Stood>): readonly StepClock[] {
  return steps.flatMap(({ id, clock }) => {
    const started = standing.get(id)
    if (!clock || started?.is !== 'done' || !started.signOff) return []
    return clock.until.some((ending) => isOpen(standing.get(ending))) ? [startClock(id, clock, started.signOff.at)] : []
  })
}
