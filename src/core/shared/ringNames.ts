import type { CharacteristicId } from '../document/ids'

/** Rings of a piston from the crown down; each oil rail is gapped on its own. */
export const RINGS = ['top', 'second', 'upperRail', 'lowerRail'] as const
export type Ring = (typeof RINGS)[number]

export const RING_CHARACTERISTIC = {
  top: 'rings.topGap',
  second: 'rings.secondGap',
  upperRail: 'rings.upperRailGap',
  lowerRail: 'rings.lowerRailGap',
} as const satisfies Record<Ring, CharacteristicId>
