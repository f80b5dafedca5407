/** What has moved since a plan was kept: by how much an engine is ready later, and why. */
import { differenceInCalendarDays, parseISO } from 'date-fns'
import type { EnginePlan } from './plan'

/** A plan as it is kept, once a day. */
export interface KeptPlan {
  readonly day: string
  readonly readyAt: string
  /** When each step was planned to be over. */
  readonly over: Readonly<Record<string, string>>
  /** What parts were promised for, by their names. */
  readonly promised: Readonly<Record<string, string>>
}

export interface PromisedPart {
  readonly name: string
  readonly promised?: string
}

export type SlipCause =
  /** A part is promised for a later day. */
  | { readonly is: 'promise'; readonly name: string; readonly was: string; readonly now: string }
  /** Planned to be over by now, and is not. */
  | { readonly is: 'notDone'; readonly step: string; readonly was: string }
  /** Nobody had it in the plan: added, or stale since. */
  | { readonly is: 'added'; readonly step: string }

export interface Slip {
  readonly since: string
  /** Whole days; below nothing: sooner. */
  readonly days: number
  readonly causes: readonly SlipCause[]
}

export function slipSince(kept: KeptPlan, plan: EnginePlan, parts: readonly PromisedPart[], nowMs: number): Slip {
  const days = differenceInCalendarDays(plan.readyAt, parseISO(kept.readyAt))
  const promises = parts.flatMap(({ name, promised }): SlipCause[] => {
    const was = kept.promised[name]
    return was !== undefined && promised !== undefined && promised > was ? [{ is: 'promise', name, was, now: promised }] : []
  })
  const steps = plan.tasks.flatMap(({ id }): SlipCause[] => {
    const was = kept.over[id]
    if (was === undefined) return [{ is: 'added', step: id }]
    return Date.parse(was) < nowMs ? [{ is: 'notDone', step: id, was }] : []
  })
  return { since: kept.day, days, causes: [...promises, ...steps] }
}

/** A plan to be held against later ones. */
export function keptPlan(day: string, plan: EnginePlan, parts: readonly PromisedPart[], endAt: (minute: number) => Date): KeptPlan {
  return {
    day,
    readyAt: plan.readyAt.toISOString(),
    over: Object.fromEntries(plan.tasks.map(({ id, finish }) => [id, endAt(finish).toISOString()])),
    promised: Object.fromEntries(parts.flatMap(({ name, promised }) => (promised ? [[name, promised]] : []))),
  }
}
