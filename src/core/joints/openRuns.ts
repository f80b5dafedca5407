import type { Entry, Pull, Spec } from '../document/types'
import { clocksOf } from './clocks'
import { runsOf, type RunWay } from './run'
import { jointsOf } from './usual'

/** A run that somebody began and nobody has ended: a joint left open. */
export interface OpenRun {
  readonly joint: string
  readonly name: string
  readonly way: RunWay
  readonly done: number
  readonly steps: number
  /** What sets meanwhile, and when. */
  readonly sealer?: { readonly name: string; readonly setsAt: string }
}

export function openRuns(spec: Pick<Spec, 'joints' | 'layout'>, entries: readonly Entry[]): readonly OpenRun[] {
  const pulls = entries.filter((entry): entry is Pull => entry.kind === 'pull')
  if (pulls.length === 0) return []
  return jointsOf(spec).flatMap((joint) =>
    runsOf(joint, pulls)
      .filter(({ isEnded }) => !isEnded)
      .map((run): OpenRun => {
        const sets = clocksOf(joint, [run]).find(({ kind }) => kind === 'sets')
        return {
          joint: joint.id,
          name: joint.name,
          way: run.way,
          done: run.done.size,
          steps: run.steps.length,
          ...(sets && { sealer: { name: sets.name, setsAt: sets.dueAt } }),
        }
      }),
  )
}
