import { group as groupBy } from 'd3-array'
import type { RUN_KINDS } from '../document/entries/pull'
import type { Joint, JointStage, Pull } from '../document/types'
import { outsideIn } from '../geometry/patterns/sequence'

export type RunWay = (typeof RUN_KINDS)[number]

/** What a run asks for at a fastener: a stage of the plan, or a look whether the mark drawn across it still lines up. */
export type StepPull = JointStage | { readonly pull: 'witnessMark' }

/** One pull that a run asks for. Stages and fasteners count from one, as they are spoken of. */
export interface Step {
  readonly stage: number
  readonly fastener: number
  /** The group of the joint it belongs to, counted from zero. */
  readonly group: number
  readonly pull: StepPull
  /** Taken loose before it is torqued: of a re-torque. */
  readonly backOffFirst?: true
}

/** Half of it first, then free: heads come off from the outside in, in stages (common practice). */
const LOOSENING_STAGES = 2

/** Every pull of a run in order: all fasteners at a stage before the next; loosening goes from the outside in. */
export function stepsOf(joint: Joint, way: RunWay = 'tighten'): readonly Step[] {
  switch (way) {
    case 'tighten':
      return tighteningSteps(joint)
    case 'verify':
      return verifyingSteps(joint)
    case 'retorque':
      return retorqueSteps(joint)
    case 'loosen':
      return looseningSteps(joint)
    case 'drawDown':
      return drawDownSteps(joint)
  }
}

/** A joint nobody knows a figure of is run down once. */
const RUN_DOWN: readonly JointStage[] = [{ pull: 'snug' }]

function mostStages({ groups }: Joint): number {
  return Math.max(...groups.map(({ stages }) => Math.max(1, stages.length)))
}

function tighteningSteps(joint: Joint): readonly Step[] {
  return Array.from({ length: mostStages(joint) }, (_, index) => index + 1).flatMap((stage) =>
    joint.groups.flatMap(({ order, stages }, group) => {
      const pull = (stages.length === 0 ? RUN_DOWN : stages)[stage - 1]
      return pull ? order.map((fastener): Step => ({ stage, fastener, group, pull })) : []
    }),
  )
}

/** Over each fastener once, as far as it can be checked without turning it further. */
function verifyingSteps(joint: Joint): readonly Step[] {
  const stage = mostStages(joint)
  return joint.groups.flatMap(({ order, stages }, group) => {
    const pull = checkOf(stages)
    return pull ? order.map((fastener): Step => ({ stage, fastener, group, pull })) : []
  })
}

/**
 * How a tightened fastener is checked: at its last torque, which it holds without moving. Past an angle that is the torque before
 * it; without one only a witness mark tells. A fastener that was only run down cannot be checked: undefined. Turning it through its
 * angle once more would stretch it further (common practice: to yield or past it).
 */
export function checkOf(stages: readonly JointStage[]): StepPull | undefined {
  const torque = stages.findLast(({ pull }) => pull === 'torque')
  if (torque) return torque
  return stages.some(({ pull }) => pull === 'angle') ? { pull: 'witnessMark' } : undefined
}

/**
 * One fastener at a time, backed off and tightened again: to its torque in one swing (common practice), through every stage where
 * an angle counts from a torque.
 */
function retorqueSteps(joint: Joint): readonly Step[] {
  const most = mostStages(joint)
  return joint.groups.flatMap(({ order, stages }, group) => {
    const all = (stages.length === 0 ? RUN_DOWN : stages).map((pull, index) => ({ pull, stage: index + 1 }))
    const last = all.at(-1)!
    const pulls = stages.some(({ pull }) => pull === 'angle') ? all : [{ pull: last.pull, stage: most }]
    return order.flatMap((fastener) =>
      pulls.map(({ pull, stage }, index): Step => ({ stage, fastener, group, pull, ...(index === 0 && { backOffFirst: true }) })),
    )
  })
}

function looseningSteps({ groups }: Joint): readonly Step[] {
  return Array.from({ length: LOOSENING_STAGES }, (_, stage) =>
    groups
      .toReversed()
      .flatMap(({ order }, at) =>
        outsideIn(order).map((fastener): Step => ({ stage: stage + 1, fastener, group: groups.length - 1 - at, pull: { pull: 'snug' } })),
      ),
  ).flat()
}

/** Rounds of a quarter turn, two turns in all: more than springs lift a cam. It ends when the caps are down. */
const DRAW_DOWN_ROUNDS = 8
const QUARTER_TURN_DEG = 90

/** Even, a quarter turn at a time, the caps that springs push against first, so that the shaft comes down level (common practice). */
function drawDownSteps({ groups, fasteners }: Joint): readonly Step[] {
  const isLoaded = (number: number) => fasteners[number - 1]?.loaded === true
  return Array.from({ length: DRAW_DOWN_ROUNDS }, (_, round) =>
    groups.flatMap(({ order }, group) =>
      [...order.filter(isLoaded), ...order.filter((number) => !isLoaded(number))].map((fastener): Step => ({
        stage: round + 1,
        fastener,
        group,
        pull: { pull: 'angle', deg: QUARTER_TURN_DEG },
      })),
    ),
  ).flat()
}

/** Pulls of two devices that did not know of each other: what each had done since they parted. */
export interface RunConflict {
  readonly tips: readonly Pull[]
}

export interface Run {
  readonly id: string
  readonly joint: string
  readonly way: RunWay
  readonly begun: Pull
  /** All that counts, in order. */
  readonly path: readonly Pull[]
  readonly last: Pull
  readonly steps: readonly Step[]
  /** The latest pull of a step that is done; one left out is done with a reason. */
  readonly done: ReadonlyMap<Step, Pull>
  /** What is asked for now; none: all is done, the run has ended, or two devices disagree. */
  readonly next: Step | undefined
  /** Nothing more is asked for: it was ended or cancelled. */
  readonly isEnded: boolean
  readonly isCancelled: boolean
  /** Every step is torqued, or left out with a reason. */
  readonly isComplete: boolean
  readonly conflict: RunConflict | undefined
  /** The step that stopped short at this pull last: a torque is backed off and torqued again, an angle carried on. */
  readonly isShort: boolean
}

/**
 * Every run of a joint, the one begun last first. `entries` in order of arrival, which is what says which run came last: the clock
 * of a device, and with it the ids it makes, may be days off. Inside a run the order is by what each pull follows.
 */
export function runsOf(joint: Joint, entries: readonly Pull[]): readonly Run[] {
  const own = entries.filter((entry) => entry.joint === joint.id)
  const begunAt = new Map(own.flatMap(({ did, id }, index) => (did === 'begin' ? [[id, index] as const] : [])))
  return [...groupBy(own, ({ run }) => run)]
    .flatMap(([, pulls]) => runFrom(joint, pulls) ?? [])
    .toSorted((a, b) => begunAt.get(b.id)! - begunAt.get(a.id)!)
}

function runFrom(joint: Joint, pulls: readonly Pull[]): Run | undefined {
  const byId = new Map(pulls.map((pull) => [pull.id, pull]))
  const begun = pulls.find(({ did, id, run }) => did === 'begin' && id === run)
  if (!begun) return undefined
  // A pull whose past has not arrived yet belongs to nothing that is known of the run.
  const paths = tipsOf(pulls)
    .map((tip) => pathTo(tip, byId))
    .filter(([first]) => first === begun)
  const tips = paths.map((path) => path.at(-1)!)
  const path = paths.length === 1 ? paths[0]! : sharedStart(paths)
  const way = begun.way ?? 'tighten'
  const steps = stepsOf(joint, way)
  const done = doneBy(path, steps)
  const last = path.at(-1)!
  const isCancelled = last.did === 'cancel'
  const isEnded = last.did === 'end' || isCancelled
  const conflict = tips.length > 1 ? { tips } : undefined
  const open = steps.find((step) => !done.has(step))
  const next = conflict || isEnded ? undefined : open
  return {
    id: begun.id,
    joint: joint.id,
    way,
    begun,
    path,
    last,
    steps,
    done,
    next,
    isEnded,
    isCancelled,
    isComplete: open === undefined,
    conflict,
    isShort: last.did === 'short',
  }
}

const NONE: readonly string[] = []

/** Pulls that nothing follows and nobody has set aside. */
function tipsOf(pulls: readonly Pull[]): readonly Pull[] {
  const followed = new Set(pulls.map(({ follows }) => follows))
  const setAside = new Set(pulls.flatMap(({ instead }) => instead ?? NONE))
  return pulls.filter(({ id }) => !followed.has(id) && !setAside.has(id)).toSorted((a, b) => (a.id < b.id ? -1 : 1))
}

function pathTo(tip: Pull, byId: ReadonlyMap<string, Pull>): readonly Pull[] {
  const path: Pull[] = []
  const seen = new Set<string>()
  for (let at: Pull | undefined = tip; at && !seen.has(at.id); at = at.follows === undefined ? undefined : byId.get(at.follows)) {
    seen.add(at.id)
    path.push(at)
  }
  return path.toReversed()
}

function sharedStart(paths: readonly (readonly Pull[])[]): readonly Pull[] {
  const [first, ...others] = paths
  const parting = first!.findIndex((pull, at) => others.some((other) => other[at] !== pull))
  return parting < 0 ? first! : first!.slice(0, parting)
}

/** Stage and fastener in one number: a key that costs no text at every pull. */
function placeOf({ stage = 0, fastener = 0 }: { readonly stage?: number; readonly fastener?: number }): number {
  return stage * 1000 + fastener
}

/** Which steps stand done at the end of a path. */
function doneBy(path: readonly Pull[], steps: readonly Step[]): ReadonlyMap<Step, Pull> {
  const done = new Map<Step, Pull>()
  const stepAt = new Map(steps.map((step) => [placeOf(step), step]))
  for (const pull of path) {
    const step = stepAt.get(placeOf(pull))
    switch (pull.did) {
      case 'pulled':
      case 'leftOut':
        if (step) done.set(step, pull)
        break
      case 'back':
        done.delete([...done.keys()].at(-1)!)
        break
      case 'broke':
        // Another fastener stands there now: it goes through every stage.
        for (const one of done.keys()) if (one.fastener === pull.fastener) done.delete(one)
        break
      case 'resealed':
      case 'backedOff':
        done.clear()
        break
      default:
        break
    }
  }
  return done
}

/** Whether a fastener broke just now while others of the joint are tightened already: it starts from loose, they stand higher. */
export function hasHigherNeighbours({ last, done }: Run): boolean {
  return last.did === 'broke' && [...done.values()].some(({ did }) => did === 'pulled')
}

/** Steps that were left out, with the pull that says why. */
export function leftOut({ done }: Run): readonly (readonly [Step, Pull])[] {
  return [...done].filter(([, pull]) => pull.did === 'leftOut')
}

/** A longer gap between pulls was a pause. */
const LONGEST_PULL_MS = 120_000
/** Gaps before a pace is believed. */
const LEAST_GAPS = 3
/** A pull with its wrench in hand, from one to the next (common practice: a dozen and a half in five minutes). */
const USUAL_PULL_MS = 17_000

/** Mean time from one pull to the next, pauses left out; the usual one while too few are known. Pulls in the order they were made. */
export function paceMs(pulls: readonly Pull[]): number {
  const times = pulls.map(({ at }) => Date.parse(at))
  const gaps = times.slice(1).flatMap((time, index) => {
    const gap = time - times[index]!
    return gap > 0 && gap < LONGEST_PULL_MS ? [gap] : []
  })
  return gaps.length < LEAST_GAPS ? USUAL_PULL_MS : gaps.reduce((sum, gap) => sum + gap, 0) / gaps.length
}

/** How long the rest of a run takes at its own pace. */
export function restMs({ path, steps, done }: Run): number {
  return paceMs(path) * (steps.length - done.size)
}

/** When the sealer of a run was put on last: as it began, or where it was stripped and sealed again. */
export function sealedAt({ path, begun }: Run): string {
  return (path.findLast(({ did }) => did === 'resealed') ?? begun).at
}
