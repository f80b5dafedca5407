import { group } from 'd3-array'
import { format } from 'date-fns'
import {
  keptPlan,
  ownTimes,
  planShop,
  slipSince,
  USUAL_HOURS,
  type EnginePlan,
  type KeptPlan,
  type PlannedTask,
  type ShopMeans,
  type Slip,
  type SlipCause,
} from '@/core/schedule'
import type { StageId } from '@/core/document/walkStages'
import type { AwaitedPart } from '@/core/walk'
import type { BuildSummary } from './summary'

/** A shop of which nobody has said more: one person, and a stand for each of two engines. */
export const USUAL_MEANS: ShopMeans = { people: 1, stands: 2, hours: USUAL_HOURS }

/** A stage of an engine over the days it is worked on. */
export interface PlanBar {
  readonly stage: StageId
  readonly from: string
  readonly to: string
  readonly isCritical: boolean
}

/** A step of a plan, in a line. */
export interface PlanLine {
  readonly id: string
  readonly title: string
  readonly from: string
  readonly slackMin: number
}

export interface ServedEnginePlan {
  readonly id: string
  readonly name: string
  readonly event?: { readonly words: string; readonly date: string }
  readonly readyAt: string
  readonly daysInHand?: number
  readonly bars: readonly PlanBar[]
  /** What has no slack, the next few. */
  readonly critical: readonly PlanLine[]
  /** What can be begun today although it could wait. */
  readonly meanwhile: readonly PlanLine[]
  readonly awaited: readonly AwaitedPart[]
  readonly unpromised: readonly string[]
  readonly slip?: Omit<Slip, 'causes'> & { readonly causes: readonly NamedCause[] }
}

export type NamedCause = SlipCause & { readonly title?: string }

export interface ServedPlan {
  /** The shop's wall clock, as all moments here: `2026-11-27T15:30`. */
  readonly now: string
  readonly means: ShopMeans
  readonly minutesADay: number
  /** What is ready first, first. */
  readonly engines: readonly ServedEnginePlan[]
  /** Kinds of steps that are planned by what they took here. */
  readonly knownKinds: number
  /** Builds that were not looked at. */
  readonly more: number
}

type ToPlan = Pick<BuildSummary, 'name' | 'plan' | 'took' | 'priority' | 'event' | 'awaited'>
export type BuildsToPlan = readonly { readonly id: string; readonly summary: ToPlan }[]

export interface PlanMade {
  readonly served: ServedPlan
  /** As they are kept for the day. */
  readonly kept: readonly { readonly buildId: string; readonly plan: KeptPlan }[]
}

const MOST_LINES = 5

/** The plan of every engine in hand. `day` is the shop's own. */
export function servePlan(
  builds: BuildsToPlan,
  {
    means,
    before,
    more,
    nowMs,
    day,
  }: { means: ShopMeans; before: ReadonlyMap<string, KeptPlan>; more: number; nowMs: number; day: string },
): PlanMade {
  const own = ownTimes(builds.flatMap(({ summary }) => summary.took))
  const engines = builds.map(({ id, summary }) => ({
    id,
    steps: summary.plan,
    ...(summary.priority && { priority: summary.priority }),
    ...(summary.event && { date: summary.event.date }),
  }))
  const { engines: planned, time } = planShop(engines, means, nowMs, own)
  const plans = new Map(planned.map((plan) => [plan.id, plan]))
  const at = (minute: number) => wallClock(time.startAt(minute))
  return {
    served: {
      now: wallClock(new Date(nowMs)),
      means,
      minutesADay: time.minutesADay,
      engines: builds
        .map(({ id, summary }) => servedEngine(id, summary, plans.get(id)!, { at, endAt: time.endAt, kept: before.get(id), nowMs }))
        .toSorted((a, b) => a.readyAt.localeCompare(b.readyAt)),
      knownKinds: own.size,
      more,
    },
    kept: builds.map(({ id, summary }) => ({ buildId: id, plan: keptPlan(day, plans.get(id)!, summary.awaited, time.endAt) })),
  }
}

interface PlanTimes {
  readonly at: (minute: number) => string
  readonly endAt: (minute: number) => Date
  readonly kept: KeptPlan | undefined
  readonly nowMs: number
}

function servedEngine(id: string, summary: ToPlan, plan: EnginePlan, { at, endAt, kept, nowMs }: PlanTimes): ServedEnginePlan {
  const titles = new Map(summary.plan.map((step) => [step.id, step.title]))
  const line = ({ id: step, start, slack }: PlannedTask): PlanLine => ({
    id: step,
    title: titles.get(step)!,
    from: at(start),
    slackMin: slack,
  })
  const inTime = plan.tasks.toSorted((a, b) => a.start - b.start)
  const slip = kept && slipSince(kept, plan, summary.awaited, nowMs)
  return {
    id,
    name: summary.name,
    ...(summary.event && { event: summary.event }),
    readyAt: wallClock(plan.readyAt),
    ...(plan.daysInHand !== undefined && { daysInHand: plan.daysInHand }),
    bars: [...group(inTime, ({ stage }) => stage)].map(([stage, own]) => ({
      stage,
      from: at(own[0]!.start),
      to: wallClock(endAt(Math.max(...own.map(({ finish }) => finish)))),
      isCritical: own.some(({ isCritical }) => isCritical),
    })),
    critical: inTime
      .filter(({ isCritical }) => isCritical)
      .slice(0, MOST_LINES)
      .map(line),
    meanwhile: inTime
      .filter(({ isCritical, start }) => !isCritical && start < A_DAY_MIN)
      .slice(0, MOST_LINES)
      .map(line),
    awaited: summary.awaited,
    unpromised: plan.unpromised,
    ...(slip && {
      slip: { ...slip, causes: slip.causes.map((cause) => ('step' in cause ? { ...cause, title: titles.get(cause.step) } : cause)) },
    }),
  }
}
const A_DAY_MIN = 540

/** Where the server stands; a page shows it as it is, wherever it is looked at. */
function wallClock(date: Date): string {
  return format(date, "yyyy-MM-dd'T'HH:mm")
}
