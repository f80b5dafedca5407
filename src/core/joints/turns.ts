import type { Joint } from '../document'

/** The number written on each fastener: its turn in the order, group by group, as on the casting. */
export function turnsOf({ fasteners, groups }: Joint): readonly string[] {
  const order = groups.flatMap((group) => group.order)
  return fasteners.map((_, index) => String(order.indexOf(index + 1) + 1 || ''))
}
