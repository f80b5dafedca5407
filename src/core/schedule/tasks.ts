/** What of a walk is still to be done, as tasks: how long each takes, what it waits for, and from when it can be done at all. */
import type { HoldId } from '../walk/holds'
import type { StageId } from '../build/walkStages'
import type { Build } from '../build/build'
import { partsOf } from '../parts'
import { partsAwaitedBy } from '../walk/partSteps'
import { stepKind } from '../walk/took'
import type { Walk, WalkStep } from '../walk/progress'
import type { Link } from './network'

/** A step that is still to be done, as it is kept beside a build: plain, and none of it worked out again to plan. */
export interface PlannedStep {
  readonly id: string
  /** What steps of other engines have in common with it, to tell how long such take here; steps of one's own have nothing. */
  readonly kind?: string
  readonly stage: StageId
  /** Usual minutes of what is left of it (common practice). */
  readonly minutes: number
  /** Share of it that is left. */
  readonly left: number
  readonly after: readonly Link[]
  readonly needsStand: boolean
  /** Days that parts it waits for are promised for. */
  readonly promised: readonly string[]
  /** Parts it waits for that nobody has promised. */
  readonly unpromised: readonly string[]
}

/** What a step that is held waits for, by the steps that lift the hold. */
const LIFTED_BY: Readonly<Record<HoldId, (step: WalkStep) => boolean>> = {
  mainsTight: ({ source, id }) => source.from === 'joint' && /^pull\.(?:mains|side|girdle)/.test(id),
  tdcProven: ({ id }) => id === 'read.cam.stop',
  crankParked: named('cam.park', 'heads.park'),
  clearanceProven: ({ id }) => id.startsWith('read.clearance.'),
  lightSpringsOut: named('clear.springsOut'),
  driveIn: named('final.pumpDrive'),
  gasketAndDowels: named('heads.gasket', 'heads.dowels'),
  studsCounted: named('heads.studs'),
  twoTurns: named('heads.twoTurns'),
  sealersCured: () => false,
  oilIn: named('prime.oilIn'),
  oilAtTop: named('prime.oilAtTop'),
  firstFireList: named('fire.list'),
  temporaryOut: named('fire.tempOut'),
}

function named(...names: readonly string[]): (step: WalkStep) => boolean {
  return ({ source }) => source.from === 'handbook' && names.includes(source.name)
}

/**
 * Stages that are gone through one after the other: none begins before all of those before it is done. Within one, and among those that close
 * an engine, only what waits for what counts.
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

/** The end of a phase, and of the engine: takes no time, and comes after all of it. */
export const phaseEnd = (phase: number) => `phase.${phase}`
export const LAST_PHASE = PHASES.length - 1

/** Steps still to be done up to the hand-over, and the end of each phase after them. What is done afterwards is not planned. */
export function plannedSteps(build: Build, { steps }: Pick<Walk, 'steps'>): readonly PlannedStep[] {
  const wanted = steps.filter((step) => isOpen(step) && PHASE_OF.has(step.stage))
  // Joints may be planned to wait for each other in a circle: only what comes before a step in its walk is waited for.
  const place = new Map(wanted.map(({ id }, index) => [id, index]))
  const listed = partsOf(build)
  const tasks = wanted.map((step): PlannedStep => {
    const parts = partsAwaitedBy(listed, step)
    const lifting = step.holds.flatMap((hold) => wanted.flatMap((other) => (LIFTED_BY[hold](other) ? [other.id] : [])))
    const phase = PHASE_OF.get(step.stage)!
    const left = shareLeft(step)
    const kind = stepKind(build, step)
    return {
      id: step.id,
      ...(kind !== undefined && { kind }),
      stage: step.stage,
      minutes: step.minutes * left,
      left,
      after: [
        ...[...new Set([...step.after, ...lifting])].flatMap((on) =>
          (place.get(on) ?? Infinity) < place.get(step.id)! ? [{ on, lag: lagOf(wanted, on, step.id) }] : [],
        ),
        ...(phase > 0 ? [{ on: phaseEnd(phase - 1), lag: 0 }] : []),
      ],
      needsStand: step.attitude === 'upright' || step.attitude === 'upsideDown',
      promised: parts.flatMap(({ promised }) => promised ?? []),
      unpromised: parts.flatMap(({ name, promised }) => (promised === undefined ? [name] : [])),
    }
  })
  return [...tasks, ...phaseEnds(tasks)]
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

function phaseEnds(tasks: readonly PlannedStep[]): readonly PlannedStep[] {
  return PHASES.map((stages, phase): PlannedStep => ({
    id: phaseEnd(phase),
    stage: stages.at(-1)!,
    minutes: 0,
    left: 1,
    after: [
      ...tasks.filter(({ stage }) => stages.includes(stage)).map(({ id }) => ({ on: id, lag: 0 })),
      ...(phase > 0 ? [{ on: phaseEnd(phase - 1), lag: 0 }] : []),
    ],
    needsStand: false,
    promised: [],
    unpromised: [],
  }))
}
