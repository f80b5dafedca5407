/** How the walk of a build stands: what is done, by whom, what waits for what, and what is not true any more. */
import type { Build } from '../document/build'
import type { StepEntry } from '../document/types'
import type { HoldId } from '../document/walkStages'
import type { Finding } from '../bench/bench'
import { jointsOf } from '../joints'
import { partsOf, type Part } from '../parts'
import { hasCamInHead } from '../geometry/crank'
import { isCured, startClock, waitsFor, type StepClock } from './clocks'
import { findingsHoldsAskFor, isMet, leadsTo, type HoldContext, type LeadsTo } from './holds'
import type { Changed } from './stale'
import { partsAwaitedBy } from './partSteps'
import { isOpen, tightRunIn, signOffOf, standingsOf, type SignOff, type StaleBecause, type StepStanding } from './standing'
import type { Step } from './step'

export type Standing = 'done' | 'stale' | 'leftOut' | 'open' | 'held'

/** A hold that is not met, a clock that has not run out, a part that is not in or does not fit, or a step that comes before. */
export type Wait =
  | { readonly hold: HoldId; readonly leadsTo: LeadsTo }
  | { readonly clock: StepClock }
  | { readonly part: AwaitedPart }
  | { readonly step: string }

export type AwaitedPart = Pick<Part, 'id' | 'name' | 'what' | 'state' | 'promised'>

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
  /** Of a joint that is tight: fasteners somebody left out, with a reason. */
  readonly fastenersLeftOut?: readonly number[]
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

/** @param nowMs what has aged is judged by it */
export function walkOf(build: Build, nowMs: number, findings: readonly Finding[] = findingsHoldsAskFor(build)): Walk {
  const { steps, changes, signOffs, byStep: standing } = standingsOf(build, nowMs)
  const temporary = temporaryIn(signOffs.all, steps)
  const clocks = clocksRunning(steps, standing)
  const parts = partsOf(build)
  const context = contextOf(build, { findings, steps, standing, changes, temporary, nowMs })
  const walked = steps.map((step): WalkStep => {
    const own = standing.get(step.id)!
    const waits = own.is === 'open' ? waitsOf(step, { context, standing, clocks, parts, nowMs }) : []
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
      ...(own.fastenersLeftOut && { fastenersLeftOut: own.fastenersLeftOut }),
      uncovered: step.hides.filter((id) => isOpen(standing.get(id))),
    }
  })
  const next = walked.find(({ standing: is, isOptional }) => !isOptional && (is === 'open' || is === 'stale'))
  return { steps: walked, next: next?.id, temporary, changes, clocks }
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

interface WalkFacts {
  readonly findings: readonly Finding[]
  readonly steps: readonly Step[]
  readonly standing: ReadonlyMap<string, StepStanding>
  readonly changes: readonly Changed[]
  readonly temporary: readonly string[]
  readonly nowMs: number
}

function contextOf(build: Build, { findings, steps, standing, changes, temporary, nowMs }: WalkFacts): HoldContext {
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
      jointsOf(build.spec).every((joint) => joint.kind !== kind || (joint.state === 'final' && tightRunIn(build, joint) !== undefined)),
    isFresh: (readings) =>
      steps.every(
        ({ id, source }) =>
          source.from !== 'readings' || !source.characteristic.startsWith(readings) || standing.get(id)!.stale.length === 0,
      ),
  }
}

interface Waiting {
  readonly context: HoldContext
  readonly standing: ReadonlyMap<string, StepStanding>
  readonly clocks: readonly StepClock[]
  readonly parts: readonly Part[]
  readonly nowMs: number
}

function waitsOf(step: Step, { context, standing, clocks, parts, nowMs }: Waiting): readonly Wait[] {
  return [
    ...step.holds.flatMap((hold): Wait[] => (isMet(hold, context, step.bank) ? [] : [{ hold, leadsTo: leadsTo(hold) }])),
    ...clocks.flatMap((clock): Wait[] => (waitsFor(step.id, clock, nowMs) ? [{ clock }] : [])),
    ...partsAwaitedBy(parts, step).map(({ id, name, what, state, promised }): Wait => ({
      part: { id, name, what, state, ...(promised && { promised }) },
    })),
    ...step.after.flatMap((id): Wait[] => (isOpen(standing.get(id)) ? [{ step: id }] : [])),
  ]
}

/** Started by steps that are done, and not ended by those that end them. */
function clocksRunning(steps: readonly Step[], standing: ReadonlyMap<string, StepStanding>): readonly StepClock[] {
  return steps.flatMap(({ id, clock }) => {
    const started = standing.get(id)
    if (!clock || started?.is !== 'done' || !started.signOff) return []
    return clock.until.some((ending) => isOpen(standing.get(ending))) ? [startClock(id, clock, started.signOff.at)] : []
  })
}
