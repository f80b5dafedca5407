import { cylinderPlaces, type EngineLayout } from './layout'

/** How the cylinders of an engine are counted. */
export type Counting = Pick<EngineLayout, 'numbering' | 'numberOneAt' | 'leadingBank'>

/**
 * The same engine with its cylinders counted otherwise: rods stay on their pins and fire in their turn, under their new numbers.
 * The firing order begins with number one, as it is written.
 */
export function renumbered<Layout extends EngineLayout>(layout: Layout, counting: Partial<Counting>): Layout {
  const next = { ...layout, ...counting }
  const newNumbers = new Map(cylinderPlaces(next).map(({ cylinder, bank, row }) => [`${bank} ${row}`, cylinder]))
  const numberOf = new Map(cylinderPlaces(layout).map(({ cylinder, bank, row }) => [cylinder, newNumbers.get(`${bank} ${row}`)!]))
  const order = layout.firingOrder.map((cylinder) => numberOf.get(cylinder) ?? cylinder)
  const first = Math.max(0, order.indexOf(1))
  return {
    ...next,
    firingOrder: [...order.slice(first), ...order.slice(0, first)],
    pins: layout.pins.map((pin) => ({ ...pin, cylinders: pin.cylinders.map((cylinder) => numberOf.get(cylinder) ?? cylinder) })),
  }
}
