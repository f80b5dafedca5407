import { format, parseISO } from 'date-fns'
import type { NamedCause, ServedEnginePlan } from '@/shop/servedPlan'

/** `Thu 3 Dec`: the day of a moment or of a day. */
export function dayWords(moment: string): string {
  return format(parseISO(moment), 'EEE d MMM')
}

/** `Thu 3 Dec, 15:30` */
export function momentWords(moment: string): string {
  return format(parseISO(moment), 'EEE d MMM, HH:mm')
}

/** How an engine stands to its day. */
export function inHandWords({ daysInHand, event, readyAt }: Pick<ServedEnginePlan, 'daysInHand' | 'event' | 'readyAt'>): string {
  const ready = `Ready ${dayWords(readyAt)}`
  if (daysInHand === undefined || !event) return `${ready}; no day is agreed.`
  const to = `${event.words}, ${dayWords(event.date)}`
  if (daysInHand < 0) return `${ready}: ${days(-daysInHand)} too late for ${to}.`
  return daysInHand === 0 ? `${ready}, the very day of ${to}.` : `${ready}: ${days(daysInHand)} in hand to ${to}.`
}

/** What has moved since a plan was kept. */
export function slipWords({ days: slipped, since }: NonNullable<ServedEnginePlan['slip']>): string {
  if (slipped === 0) return `As it was on ${dayWords(since)}.`
  return slipped > 0 ? `Slipped by ${days(slipped)} since ${dayWords(since)}.` : `${days(-slipped)} sooner than on ${dayWords(since)}.`
}

export function causeWords(cause: NamedCause): string {
  switch (cause.is) {
    case 'promise':
      return `${cause.name}: promised for ${dayWords(cause.now)}, was ${dayWords(cause.was)}`
    case 'notDone':
      return `${cause.title ?? cause.step}: planned for ${dayWords(cause.was)}, and not done`
    case 'added':
      return `${cause.title ?? cause.step}: new in the plan, or stale since`
  }
}

/** What a step may be later by. */
export function slackWords(minutes: number, minutesADay: number): string {
  if (minutes < 60) return `${Math.round(minutes)} min of slack`
  if (minutes < minutesADay) return `${Math.round(minutes / 60)} h of slack`
  return `${days(Math.floor(minutes / minutesADay))} of slack`
}

function days(count: number): string {
  return count === 1 ? '1 day' : `${count} days`
}
