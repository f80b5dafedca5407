import type { Joint, Pull } from '../document/types'
import type { RunRefusal } from './plan'
import { leftOut, runsOf, type Run, type RunWay } from './run'

/** What makes a joint tight or loose; drawing down comes before it, verifying leaves it as it is. */
const TIGHTENS_OR_LOOSENS: ReadonlySet<Run['way']> = new Set(['tighten', 'retorque', 'loosen'])

/** Runs after which a joint stands otherwise than before; one that was cancelled before its first pull changed nothing. */
export function turningRuns(runs: readonly Run[]): readonly Run[] {
  return runs.filter((run) => TIGHTENS_OR_LOOSENS.has(run.way) && (!run.isCancelled || hasTouched(run)))
}

function touchesFastener({ did }: Pull): boolean {
  return did === 'pulled' || did === 'short' || did === 'broke' || did === 'backedOff'
}

/**
 * The run that left a joint tight: the last that turned its fasteners, ended, with every step of every stage torqued or left out
 * with a reason. Undefined: never tightened, loosened since, or not all of it was pulled. `runs` with the one begun last first.
 */
export function tightRun(runs: readonly Run[]): Run | undefined {
  const [last] = turningRuns(runs)
  return last?.isEnded && !last.isCancelled && last.isComplete && last.way !== 'loosen' ? last : undefined
}

/** The same for a joint of a build, from all its pulls in order of arrival. */
export function tightRunOf(joint: Joint, pulls: readonly Pull[]): Run | undefined {
  return tightRun(runsOf(joint, pulls))
}

/** Fasteners that a run left out somewhere, each once, in the order they are counted. */
export function fastenersLeftOut(run: Run): readonly number[] {
  return [...new Set(leftOut(run).map(([{ fastener }]) => fastener))].toSorted((a, b) => a - b)
}

/** A run that is under way keeps others from beginning, but for loosening: that ends what it did. */
export function openRunRefusals(way: RunWay, runs: readonly Run[]): readonly RunRefusal[] {
  const open = way === 'loosen' ? undefined : runs.find((run) => !run.isEnded && run.way !== way)
  return open ? [{ code: 'runOpen', way: open.way }] : []
}

/** Whether any fastener was turned in a run: cancelled before that, it leaves the joint as it was. */
export function hasTouched({ path }: Run): boolean {
  return path.some(touchesFastener)
}
