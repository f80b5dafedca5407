import { NOT_SAID } from '../document/duty'
import type { Duty } from '../document/types'

/** Driven on the road: the wider limits do. */
export function isGentle({ use }: Duty): boolean {
  return use === 'street'
}

/** Raced, drag and long full throttle included. */
export function isRace({ use }: Duty): boolean {
  return use === 'competition' || use === 'sustained' || use === 'drag'
}

/** Hours at full throttle: boats, endurance, ovals. */
export function isSustained({ use }: Duty): boolean {
  return use === 'sustained'
}

/** Nobody has said what the engine is for: a preset that needs to know says so. */
export function isNotStated({ use }: Duty): boolean {
  return use === NOT_SAID
}

export function isAlcohol({ fuel }: Duty): boolean {
  return fuel === 'methanol' || fuel === 'ethanolBlend'
}
