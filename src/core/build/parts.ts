import { EXPANSION, type Expansion } from '../engine'
import type { Materials } from './types'

/** The part a length is read on, where its heat matters; gaps, clearances and offsets are too short to grow. */
const PART_OF: Readonly<Record<string, keyof Materials>> = {
  bore: 'bore', skirt: 'piston', mainJournal: 'crank', rodJournal: 'crank', mainInside: 'block',
}

/** How the part under a reading grows; undefined where no correction is due. */
export function expansionUnder(characteristic: string, materials: Materials): Expansion | undefined {
  const part = PART_OF[characteristic]
  if (part === undefined || part === 'topRing' || part === 'secondRing') return undefined
  return EXPANSION.part[materials[part]]
}
