/** The plan of a shop: when each engine is ready, what has slack, what waits for a promise, over the people and stands there are. */
import { addDays, differenceInCalendarDays, parseISO, startOfDay } from 'date-fns'
import { level, type LevelledTask } from './level'
import { withSlack, type Slacked } from './network'
import { ENGINE_END, linkedSteps, type LinkedStep, type PlannedStep } from './tasks'
import { workingTime, type ShopHours, type WorkingTime } from './workingTime'

/** Who and what a shop has to work with. */
export interface ShopMeans {
  readonly people: number
  readonly stands: number
  readonly hours: ShopHours
}

export interface EngineToPlan {
  readonly id: string
  readonly steps: readonly PlannedStep[]
  /** 1 before 9; left out: in the middle. */
  readonly priority?: number
  /** The day it must be ready for. */
  readonly date?: string
}

/** Minutes that steps of a kind took in this shop. */
export type OwnTimes = ReadonlyMap<string, number>

export interface PlannedTask extends Slacked {
  readonly id: string
  readonly stage: PlannedStep['stage']
  readonly person?: number
}

export interface EnginePlan {
  readonly id: string
  readonly tasks: readonly PlannedTask[]
  /** Working minutes from now until it is ready. */
  readonly finish: number
  readonly readyAt: Date
  /** Whole days between the day it is ready and the day it must be; below nothing: too late. */
  readonly daysInHand?: number
  /** Parts nobody has promised: the plan takes them for here tomorrow. */
  readonly unpromised: readonly string[]
  /** Parts that were promised for a day that is over. */
  readonly overdue: readonly string[]
}

export interface ShopPlan {
  readonly engines: readonly EnginePlan[]
  readonly time: WorkingTime
}

const USUAL_PRIORITY = 5

/** Every engine planned together. `nowMs` is when the plan begins. */
export function planShop(engines: readonly EngineToPlan[], means: ShopMeans, nowMs: number, own: OwnTimes = new Map()): ShopPlan {
  const now = new Date(nowMs)
  const time = workingTime(now, means.hours)
  const ranked = engines.toSorted(byUrgency)
  const tasks = ranked.flatMap((engine, place) =>
    linkedSteps(engine.steps).map((step, at) => taskOf(engine, step, place * STEPS_AT_MOST + at, { time, now, own })),
  )
  const { times, person, behind } = level(tasks, means)
  const linked = tasks.map((task) => ({ ...task, after: [...task.after, ...(behind.get(task.id) ?? []).map((on) => ({ on, lag: 0 }))] }))
  const slacked = withSlack(linked, times, new Set(engines.map(({ id }) => inPlan(id, ENGINE_END))))
  return {
    time,
    engines: engines.map((engine) => {
      const planned = engine.steps.map((step): PlannedTask => {
        const by = person.get(inPlan(engine.id, step.id))
        return { id: step.id, stage: step.stage, ...slacked.get(inPlan(engine.id, step.id))!, ...(by !== undefined && { person: by }) }
      })
      const finish = slacked.get(inPlan(engine.id, ENGINE_END))!.finish
      const readyAt = time.endAt(finish)
      return {
        id: engine.id,
        tasks: planned,
        finish,
        readyAt,
        ...(engine.date && { daysInHand: differenceInCalendarDays(parseISO(engine.date), readyAt) }),
        unpromised: [...new Set(engine.steps.flatMap(({ unpromised = [] }) => unpromised))],
        overdue: [...new Set(engine.steps.flatMap(({ promised = [] }) => promised.filter((day) => endOf(day) <= now)))],
      }
    }),
  }
}

/** More than any walk has: ranks of one engine do not run into those of the next. */
const STEPS_AT_MOST = 10_000

/** The rule: priority, then the day it must be ready for, then as they stand. */
function byUrgency(a: EngineToPlan, b: EngineToPlan): number {
  return (a.priority ?? USUAL_PRIORITY) - (b.priority ?? USUAL_PRIORITY) || (a.date ?? '9999').localeCompare(b.date ?? '9999')
}

const inPlan = (engine: string, step: string) => `${engine}/${step}`

interface PlanBasis {
  readonly time: WorkingTime
  readonly now: Date
  readonly own: OwnTimes
}

function taskOf({ id: engine }: EngineToPlan, { id, step, after }: LinkedStep, rank: number, basis: PlanBasis): LevelledTask {
  return {
    id: inPlan(engine, id),
    minutes: step ? minutesOf(step, basis.own) : 0,
    after: after.map(({ on, lag }) => ({ on: inPlan(engine, on), lag })),
    rank,
    needsStand: step?.needsStand ?? false,
    ...(step && notBefore(step, basis)),
  }
}

function minutesOf({ kind, minutes, left = 1 }: PlannedStep, own: OwnTimes): number {
  const took = kind === undefined ? undefined : own.get(kind)
  return took === undefined ? minutes : took * left
}

/** What is promised for a day is worked on from the next one on; what is late, or promised by nobody, from tomorrow. */
function notBefore({ promised = [], unpromised = [] }: PlannedStep, { time, now }: PlanBasis): { readonly notBefore?: number } {
  if (promised.length + unpromised.length === 0) return {}
  const tomorrow = time.minutesUntil(addDays(startOfDay(now), 1))
  return { notBefore: Math.max(tomorrow, ...promised.map((day) => time.minutesUntil(endOf(day)))) }
}

/** Midnight behind a day. */
function endOf(day: string): Date {
  return addDays(parseISO(day), 1)
}
