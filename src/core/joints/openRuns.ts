import type { Entry, Pull, Spec } from '../build/types'
import { runsOf, sealedAt, type RunWay } from './run'
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

const MINUTE_MS = 60_000

export function openRuns(spec: Pick<Spec, 'joints' | 'layout'>, entries: readonly Entry[]): readonly OpenRun[] {
  const pulls = entries.filter((entry): entry is Pull => entry.kind === 'pull')
  if (pulls.length === 0) return []
  return jointsOf(spec).flatMap((joint) =>
    runsOf(joint, pulls)
      .filter(({ isEnded }) => !isEnded)
      .map((run): OpenRun => {
        const { sealer } = joint
        const setsAt = sealer && new Date(Date.parse(sealedAt(run)) + sealer.openMinutes * MINUTE_MS).toISOString()
        return {
          joint: joint.id,
          name: joint.name,
          way: run.way,
          done: run.done.size,
          steps: run.steps.length,
          ...(sealer && setsAt && { sealer: { name: sealer.name, setsAt } }),
        }
      }),
  )
}
