/** Rings of a piston from the crown down; each oil rail is gapped on its own. */
export const RINGS = ['top', 'second', 'upperRail', 'lowerRail'] as const
export type Ring = (typeof RINGS)[number]

export const RING_CHARACTERISTIC = {
  top: 'ringTop',
  second: 'ringSecond',
  upperRail: 'railUpper',
  lowerRail: 'railLower',
} as const satisfies Record<Ring, string>
