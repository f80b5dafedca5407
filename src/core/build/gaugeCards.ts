import type { Gauge } from './types'

/** The latest card of every gauge, in the order of the drawer. */
export function currentCards(cards: readonly Gauge[]): readonly Gauge[] {
  return [...new Map(cards.map((card) => [card.gauge, card])).values()]
}
