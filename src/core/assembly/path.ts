/** A path to an act: what is missing is provided first, and before it what that asks for. */
import type { Act, Grade } from './acts'
import { mayDo } from './mayDo'
import { wayThere } from './missing'
import type { EngineParts } from './parts'
import { after, type Standing } from './standing'

export interface Path {
  /** The goal is the last of them. */
  readonly acts: readonly Act[]
  readonly standing: Standing
}

/** More than any engine takes: two laws that ask for each other's opposite are found by it. */
const MOST_ACTS = 2000

/**
 * The acts that lead from where an engine stands to a goal; parts that it lacks go on for good, or for a trial.
 * @throws Error where no path is found
 */
export function pathTo(parts: EngineParts, from: Standing, goal: Act, grade: Grade = 'final'): Path {
  const acts: Act[] = []
  let standing = from
  while (acts.length < MOST_ACTS) {
    const act = nextAct(parts, standing, goal, grade)
    acts.push(act)
    standing = after(parts, standing, act)
    if (act === goal) return { acts, standing }
  }
  throw new Error(`No path to ${JSON.stringify(goal)}: still on the way after ${MOST_ACTS} acts`)
}

/**
 * The act that comes first on the way to a goal: the goal itself where nothing is missing.
 * @throws Error where an act asks, by way of others, for itself
 */
export function nextAct(parts: EngineParts, standing: Standing, goal: Act, grade: Grade = 'final'): Act {
  const asked: string[] = []
  let act = goal
  for (;;) {
    const [missing] = mayDo(parts, standing, act)
    if (!missing) return act
    const way = wayThere(missing, grade)
    const key = JSON.stringify(way ?? missing)
    if (!way || asked.includes(key)) throw new Error(`No way to ${JSON.stringify(goal)}: ${[...asked, key].join(' needs ')}`)
    asked.push(key)
    act = way
  }
}
