import { millisecondsInMinute } from 'date-fns/constants'
import type { Entry, Joint, Pull, Spec } from '../document/types'
import { runsOf, sealedAt, type Run } from './run'
import { tightRun } from './tight'
import { jointsOf } from './usual'

/** What runs by the clock at a joint: nobody starts it, a run does. */
export type ClockKind =
  /** Sealer or locker: until then the run has to be done. */
  | 'sets'
  /** Until then it is not closed. */
  | 'skins'
  /** Until then it stays dry. */
  | 'cures'
  /** The rest before a re-torque: from then on it may be done. */
  | 'rests'

export interface JointClock {
  readonly kind: ClockKind
  readonly joint: string
  readonly jointName: string
  /** What sets or cures, as its tube names it. */
  readonly name: string
  readonly startedAt: string
  readonly dueAt: string
}

function clockFrom(
  kind: ClockKind,
  joint: Joint,
  { name, startedAt, minutes }: { name: string; startedAt: string; minutes: number },
): JointClock {
  const dueAt = new Date(Date.parse(startedAt) + minutes * millisecondsInMinute).toISOString()
  return { kind, joint: joint.id, jointName: joint.name, name, startedAt, dueAt }
}

/** Clocks that the runs of a build have started: sealer that sets while a run is open, what cures and rests after the last tightening. */
export function jointClocks(spec: Pick<Spec, 'joints' | 'layout'>, entries: readonly Entry[]): readonly JointClock[] {
  const pulls = entries.filter((entry): entry is Pull => entry.kind === 'pull')
  if (pulls.length === 0) return []
  return jointsOf(spec).flatMap((joint) => clocksOf(joint, runsOf(joint, pulls)))
}

/** Whether a run puts sealer on: going over a joint again, or loosening it, does not. */
export function isSealed({ way, path }: Run): boolean {
  return way === 'tighten' || path.some(({ did }) => did === 'resealed')
}

/** Clocks of one joint; its runs with the one begun last first. */
export function clocksOf(joint: Joint, runs: readonly Run[]): readonly JointClock[] {
  const { sealer, skin, cure, rest } = joint
  const open = runs.filter((run) => !run.isEnded && isSealed(run))
  // While a re-torque is under way the sealer below goes on curing, and the rest is what it waited for.
  const closed = tightRun(runs.filter(({ way, isEnded }) => way !== 'retorque' || isEnded))
  const first = closed && runs.find(({ way, isEnded }) => way === 'tighten' && isEnded)
  const ended = first?.last.at
  const isRetorqued = closed?.way === 'retorque'
  const nothingPulled = open.filter(({ done }) => done.size === 0)
  return [
    ...(skin
      ? nothingPulled.map((run) =>
          clockFrom('skins', joint, { name: sealer?.name ?? joint.name, startedAt: sealedAt(run), minutes: skin.minutes }),
        )
      : []),
    ...(sealer?.openMinutes
      ? open.map((run) => clockFrom('sets', joint, { name: sealer.name, startedAt: sealedAt(run), minutes: sealer.openMinutes! }))
      : []),
    ...(cure && ended ? [clockFrom('cures', joint, { name: sealer?.name ?? joint.name, startedAt: ended, minutes: cure.minutes })] : []),
    ...(rest && ended && !isRetorqued ? [clockFrom('rests', joint, { name: joint.name, startedAt: ended, minutes: rest.minutes })] : []),
  ]
}

/** How long is left; below zero: it is over. */
export function leftMs({ dueAt }: JointClock, nowMs: number): number {
  return Date.parse(dueAt) - nowMs
}
