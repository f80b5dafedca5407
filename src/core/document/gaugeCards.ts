import { addDays, formatISO, parseISO } from 'date-fns'
import type { Gauge } from './types'

/** The latest card of every gauge, in the order of the drawer. */
export function currentCards(cards: readonly Gauge[]): readonly Gauge[] {
  return [...new Map(cards.map((card) => [card.gauge, card])).values()]
}

/** A check of a gauge against a standard, and how its bias has moved since the one before. */
export interface GaugeCheck {
  readonly card: Gauge
  /** Canonical unit; undefined for the first card. */
  readonly drift: number | undefined
}

/** Every card of one gauge, oldest first: its log of checks. */
export function checksOf(cards: readonly Gauge[], gauge: string): readonly GaugeCheck[] {
  const own = cards.filter((card) => card.gauge === gauge)
  return own.map((card, index) => ({ card, drift: index === 0 ? undefined : card.bias - own[index - 1]!.bias }))
}

/** The day until which the check of a card holds, year-month-day; undefined where it is on no schedule or was never checked. */
export function checkDue({ checkedOn, checkEveryDays }: Gauge): string | undefined {
  if (checkedOn === undefined || checkEveryDays === undefined) return undefined
  return formatISO(addDays(parseISO(checkedOn), checkEveryDays), { representation: 'date' })
}

/** Whether the check of a card had run out by an instant or day. */
export function isOverdue(card: Gauge, at: string): boolean {
  const due = checkDue(card)
  return due !== undefined && at.slice(0, 10) > due
}
