/** What of a walk is still to be done, as tasks: how long each takes, what it waits for, and from when it can be done at all. */
import type { HoldId, StageId } from '../document/walkStages'
import type { Build } from '../document/build'
import { damagesOf, partsOf, repairsBack } from '../parts'
import { partsAwaitedBy } from '../walk/partSteps'
import { stepKind } from '../walk/took'
import { readingsThatLift } from '../walk/holds'
import type { Walk, WalkStep } from '../walk/progress'
import type { Link } from './network'

/** A step that is still to be done, as it is kept beside a build: plain, short, and none of it worked out again to plan. */
export interface PlannedStep {
  readonly id: string
  /** What steps of other engines have in common with it, where its id is not that; steps of one's own have nothing. */
  readonly kind?: string
  readonly stage: StageId
  /** Usual minutes of what is left of it (common practice). */
  readonly minutes: number
  /** Share of it that is left, where some is done. */
  readonly left?: number
  /** Steps that are done before it, in all of the plan or among those its stage comes after. */
  readonly after?: readonly string[]
  /** Minutes that have to pass since one of them. */
  readonly lags?: Readonly<Record<string, number>>
  readonly needsStand?: true
  /** Days that parts it waits for are promised for. */
  readonly promised?: readonly string[]
  /** Parts it waits for that nobody has promised. */
  readonly unpromised?: readonly string[]
}

/** What a step that is held waits for, by the kinds of steps that lift the hold; readings that prove something are said by their bench. */
const LIFTED_BY: Readonly<Partial<Record<HoldId, (kind: string) => boolean>>> = {
  mainsTight: oneOf('pull.mains', 'pull.sideBolts'),
  crankParked: oneOf('cam.park', 'heads.park'),
  lightSpringsOut: oneOf('clear.springsOut'),
  driveIn: oneOf('final.pumpDrive'),
  gasketAndDowels: oneOf('heads.gasket', 'heads.dowels'),
  studsCounted: oneOf('heads.studs'),
  twoTurns: oneOf('heads.twoTurns'),
  oilIn: oneOf('prime.oilIn'),
  oilAtTop: oneOf('prime.oilAtTop'),
  firstFireList: oneOf('fire.list'),
  temporaryOut: oneOf('fire.tempOut'),
}

function lifts(kind: string, hold: HoldId): boolean {
  const readings = readingsThatLift(hold)
  return LIFTED_BY[hold]?.(kind) ?? (readings !== undefined && kind.startsWith(`read.${readings}`))
}

function oneOf(...kinds: readonly string[]): (kind: string) => boolean {
  return (kind) => kinds.includes(kind)
}

/**
 * Stages that are gone through one after the other: none begins before all of those before it is done. Within one, and among
 * those that close an engine, only what waits for what counts.
 */
const PHASES: readonly (readonly StageId[])[] = [
  ['job'],
  ['clean'],
  ['block', 'crank', 'rods', 'rings', 'mockUp', 'cam', 'ratio', 'clear'],
  ['machine'],
  ['finalClean'],
  ['final'],
  ['heads'],
  ['lash', 'intake', 'prime'],
  ['fire'],
  ['dyno'],
]
const PHASE_OF = new Map(PHASES.flatMap((stages, phase) => stages.map((stage) => [stage, phase] as const)))

const phaseEnd = (phase: number) => `phase.${phase}`
/** The end of an engine: takes no time, and comes after all of it. */
export const ENGINE_END = phaseEnd(PHASES.length - 1)

/** Steps still to be done up to the hand-over. What is done afterwards is not planned. */
export function plannedSteps(build: Build, { steps }: Pick<Walk, 'steps'>): readonly PlannedStep[] {
  const wanted = steps.filter((step) => isOpen(step) && PHASE_OF.has(step.stage))
  // Joints may be planned to wait for each other in a circle: only what comes before a step in its walk is waited for.
  const place = new Map(wanted.map(({ id }, index) => [id, index]))
  const listed = partsOf(build)
  const repairs = repairsBack(damagesOf(build))
  return wanted.map((step): PlannedStep => {
    const parts = partsAwaitedBy(listed, step)
    const lifting = step.holds.flatMap((hold) => wanted.flatMap((other) => (lifts(stepKind(build, other) ?? '', hold) ? [other.id] : [])))
    const left = shareLeft(step)
    const kind = stepKind(build, step)
    return {
      id: step.id,
      ...(kind !== undefined && { kind }),
      stage: step.stage,
      minutes: step.minutes * left,
      ...(left < 1 && { left }),
      ...waitsOf(
        step,
        [...new Set([...step.after, ...lifting])].filter((on) => (place.get(on) ?? Infinity) < place.get(step.id)!),
        wanted,
      ),
      ...((step.attitude === 'upright' || step.attitude === 'upsideDown') && { needsStand: true as const }),
      ...some('promised', [...parts.flatMap(({ promised }) => promised ?? []), ...(waitsForRepairs(step) ? repairs : [])]),
      ...some(
        'unpromised',
        parts.flatMap(({ name, promised }) => (promised === undefined ? [name] : [])),
      ),
    }
  })
}

/** What is repaired comes back before it is measured again, and before the last wash. */
function waitsForRepairs({ id }: WalkStep): boolean {
  return id === 'machine.back' || id === 'finalClean.washed'
}

/** What there is none of is not kept. */
function some<Name extends string>(name: Name, all: readonly string[]): { readonly [Key in Name]?: readonly string[] } {
  return (all.length > 0 ? { [name]: all } : {}) as { readonly [Key in Name]?: readonly string[] }
}

function waitsOf({ id }: WalkStep, after: readonly string[], steps: readonly WalkStep[]): Pick<PlannedStep, 'after' | 'lags'> {
  const lags = after.flatMap((on) => {
    const lag = lagOf(steps, on, id)
    return lag > 0 ? [[on, lag] as const] : []
  })
  return { ...some('after', after), ...(lags.length > 0 && { lags: Object.fromEntries(lags) }) }
}

/** A step or the end of a phase, with all it comes after: what it waits for, and the phase before its own. */
export interface LinkedStep {
  readonly id: string
  readonly step?: PlannedStep
  readonly after: readonly Link[]
}

export function linkedSteps(steps: readonly PlannedStep[]): readonly LinkedStep[] {
  const phaseBefore = (phase: number): readonly Link[] => (phase > 0 ? [{ on: phaseEnd(phase - 1), lag: 0 }] : [])
  return [
    ...steps.map((step) => ({
      id: step.id,
      step,
      after: [...(step.after ?? []).map((on) => ({ on, lag: step.lags?.[on] ?? 0 })), ...phaseBefore(PHASE_OF.get(step.stage)!)],
    })),
    ...PHASES.map((stages, phase) => ({
      id: phaseEnd(phase),
      after: [...steps.flatMap(({ id, stage }) => (stages.includes(stage) ? [{ on: id, lag: 0 }] : [])), ...phaseBefore(phase)],
    })),
  ]
}

function isOpen({ standing, isOptional }: WalkStep): boolean {
  return !isOptional && (standing === 'open' || standing === 'held' || standing === 'stale')
}

function shareLeft({ count, standing }: WalkStep): number {
  return count && count.of > 0 && standing !== 'stale' ? (count.of - count.done) / count.of : 1
}

/** What must have run since a step before another can be done. */
function lagOf(steps: readonly WalkStep[], on: string, step: string): number {
  const clock = steps.find(({ id }) => id === on)?.clock
  return clock && clock.kind !== 'rusts' && clock.until.includes(step) ? clock.minutes : 0
}
