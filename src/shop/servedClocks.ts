import { clocksOfBuild, type Clock, type Walk } from '@/core/walk'
import type { Build } from '@/core/document'
import { dueWords, runningWords } from '@/wording/clocks'

/** A clock as pages are sent it: what to say while it runs and after, and where it leads. */
export interface ServedClock {
  /** The same clock is known by it wherever it is shown. */
  readonly id: string
  readonly running: string
  readonly due: string
  readonly dueAt: string
  readonly late?: { readonly at: string; readonly words: string }
  readonly startedAt: string
  readonly href: string
  /** Run out it is over; others wait to be done. */
  readonly isOverWhenDue: boolean
  /** Of a joint that is being torqued, and shown with it. */
  readonly isOfRun: boolean
}

export function servedClocks(build: Pick<Build, 'id' | 'spec' | 'entries'>, walk: Pick<Walk, 'clocks'>): readonly ServedClock[] {
  return clocksOfBuild(build, walk.clocks).map((clock) => served(build.id, clock))
}

function served(buildId: string, clock: Clock): ServedClock {
  const lateAt = 'joint' in clock ? undefined : clock.lateAt
  return {
    id: `${buildId}/${'joint' in clock ? clock.joint : clock.step}/${clock.kind}/${clock.startedAt}`,
    running: runningWords(clock),
    due: dueWords(clock, Date.parse(clock.dueAt)),
    dueAt: clock.dueAt,
    ...(lateAt && { late: { at: lateAt, words: dueWords(clock, Date.parse(lateAt)) } }),
    startedAt: clock.startedAt,
    href: hrefOf(buildId, clock),
    isOverWhenDue: clock.kind === 'cures',
    isOfRun: clock.kind === 'sets' || clock.kind === 'skins',
  }
}

function hrefOf(buildId: string, clock: Clock): string {
  if (!('joint' in clock)) return `/builds/${buildId}/walk?at=${clock.until[0] ?? clock.step}`
  const joint = `/builds/${buildId}/joints/${clock.joint}`
  if (clock.kind === 'cures') return joint
  return clock.kind === 'rests' ? `${joint}/run?way=retorque` : `${joint}/run`
}
