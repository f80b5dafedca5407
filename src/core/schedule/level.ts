/**
 * Tasks of several engines shared among the people and stands there are, by a rule that is stated and simple: of those that may begin,
 * the one of the highest priority, then of the earliest date, then as its walk has it, is put at the first time somebody is free
 * (serial schedule generation: R. Kolisch, Serial and parallel resource-constrained project scheduling methods revisited, 1996).
 * It is a rule, not an optimum.
 */
import TinyQueue from 'tinyqueue'
import { inOrder, readyAt, type Task, type Timed } from './network'

export interface LevelledTask extends Task {
  /** The lower the sooner. */
  readonly rank: number
  /** Whether it takes a stand. */
  readonly needsStand: boolean
}

export interface Levelled {
  readonly times: ReadonlyMap<string, Timed>
  /** The person who does each, counted from one; what takes no time has none. */
  readonly person: ReadonlyMap<string, number>
  /** What was before each by the same person, or on the same stand: it waits for that too. */
  readonly behind: ReadonlyMap<string, readonly string[]>
}

/** What one person, or one stand, does, in order of time. */
interface Busy extends Timed {
  readonly id: string
}
type Lane = Busy[]

/** @throws where tasks wait for each other in a circle */
export function level(tasks: readonly LevelledTask[], { people, stands }: { readonly people: number; readonly stands: number }): Levelled {
  // A circle is refused here: without it none of the tasks in it would ever be free.
  const known = new Set(inOrder(tasks).map(({ id }) => id))
  const waiting = new Map<string, number>()
  const dependents = new Map<string, LevelledTask[]>()
  for (const task of tasks) {
    const own = task.after.filter(({ on }) => known.has(on))
    waiting.set(task.id, own.length)
    for (const { on } of own) {
      const others = dependents.get(on)
      if (others) others.push(task)
      else dependents.set(on, [task])
    }
  }
  const free = new TinyQueue(
    tasks.filter(({ id }) => waiting.get(id) === 0),
    (a, b) => a.rank - b.rank,
  )
  const lanes = { people: lanesOf(people), stands: lanesOf(stands) }
  const times = new Map<string, Timed>()
  const person = new Map<string, number>()
  for (let task = free.pop(); task; task = free.pop()) {
    const placed = place(task, readyAt(task, times), lanes)
    times.set(task.id, placed.times)
    if (placed.person !== undefined) person.set(task.id, placed.person + 1)
    for (const next of dependents.get(task.id) ?? []) {
      waiting.set(next.id, waiting.get(next.id)! - 1)
      if (waiting.get(next.id) === 0) free.push(next)
    }
  }
  return { times, person, behind: behindOf([...lanes.people, ...lanes.stands]) }
}

function lanesOf(count: number): readonly Lane[] {
  return Array.from({ length: Math.max(1, count) }, () => [])
}

/** The first time from `ready` on that somebody, and a stand where it takes one, is free for the whole of it. */
function place(task: LevelledTask, ready: number, { people, stands }: { people: readonly Lane[]; stands: readonly Lane[] }) {
  if (task.minutes === 0) return { times: { start: ready, finish: ready } }
  let at = ready
  for (;;) {
    const person = soonest(people, at, task.minutes)
    const stand = task.needsStand ? soonest(stands, person.start, task.minutes) : person
    if (stand.start === person.start) {
      const times = { start: person.start, finish: person.start + task.minutes }
      people[person.lane]!.splice(person.at, 0, { id: task.id, ...times })
      if (task.needsStand) stands[stand.lane]!.splice(stand.at, 0, { id: task.id, ...times })
      return { times, person: person.lane }
    }
    at = stand.start
  }
}

/** The lane that is free the soonest for so long, from when, and where in it that is; the first of several alike. */
function soonest(
  lanes: readonly Lane[],
  ready: number,
  minutes: number,
): { readonly lane: number; readonly start: number; readonly at: number } {
  let best = { lane: 0, start: Infinity, at: 0 }
  for (const [lane, busy] of lanes.entries()) {
    const gap = firstGap(busy, ready, minutes)
    if (gap.start < best.start) best = { lane, ...gap }
  }
  return best
}

function firstGap(busy: Lane, ready: number, minutes: number): { readonly start: number; readonly at: number } {
  let start = ready
  for (let at = firstAfter(busy, ready); at < busy.length; at++) {
    if (start + minutes <= busy[at]!.start) return { start, at }
    start = Math.max(start, busy[at]!.finish)
  }
  return { start, at: busy.length }
}

/** The first of a lane that is not over by a time: what is before it need not be looked at. */
function firstAfter(busy: Lane, time: number): number {
  let [low, high] = [0, busy.length]
  while (low < high) {
    const middle = (low + high) >> 1
    if (busy[middle]!.finish <= time) low = middle + 1
    else high = middle
  }
  return low
}

function behindOf(lanes: readonly Lane[]): ReadonlyMap<string, readonly string[]> {
  const behind = new Map<string, string[]>()
  for (const lane of lanes)
    for (const [index, { id }] of lane.entries()) if (index > 0) behind.set(id, [...(behind.get(id) ?? []), lane[index - 1]!.id])
  return behind
}
