import { EXPANSION, type Expansion } from '../engine'
import type { PaperKey } from './paper'
import type { Materials, Spec } from './types'

type Part = Exclude<keyof Materials, 'topRing' | 'secondRing'>

/** The part a length is read on. */
const PART_OF: Readonly<Record<string, Part>> = {
  bore: 'bore',
  skirt: 'piston',
  mainJournal: 'crank',
  rodJournal: 'crank',
  mainInside: 'block',
  rodInside: 'rod',
  bigEnd: 'rod',
  centreDistance: 'rod',
}
const STEEL_PINS = new Set(['pin'])
const BUSHES = new Set(['pinBush'])

/** Clearances read as such: what is outside grows away from what is inside, by the size on paper. */
const CLEARANCE_OF: Readonly<Record<string, { readonly outer: Part; readonly inner: Part; readonly paper: PaperKey }>> = {
  mainClearance: { outer: 'block', inner: 'crank', paper: 'mainJournal' },
  mainStrip: { outer: 'block', inner: 'crank', paper: 'mainJournal' },
  rodClearance: { outer: 'rod', inner: 'crank', paper: 'rodJournal' },
  rodStrip: { outer: 'rod', inner: 'crank', paper: 'rodJournal' },
}

export type GrowingParts =
  | { readonly kind: 'length'; readonly part: Expansion }
  | {
      readonly kind: 'clearance'
      readonly outer: Expansion
      readonly inner: Expansion
      readonly diameterMm: number
      readonly paper: PaperKey
    }

/** How the parts under a reading grow; undefined where it is too short to, or its size is not known. */
export function partsUnder(characteristic: string, { materials, paper }: Pick<Spec, 'materials' | 'paper'>): GrowingParts | undefined {
  const of = (part: Part): Expansion => EXPANSION.part[materials[part]]
  const part = PART_OF[characteristic]
  if (part) return { kind: 'length', part: of(part) }
  if (STEEL_PINS.has(characteristic)) return { kind: 'length', part: EXPANSION.part.steel }
  if (BUSHES.has(characteristic)) return { kind: 'length', part: EXPANSION.part.bronze }
  const clearance = CLEARANCE_OF[characteristic]
  const diameterMm = clearance && paper[clearance.paper]?.value
  return clearance && diameterMm !== undefined
    ? { kind: 'clearance', outer: of(clearance.outer), inner: of(clearance.inner), diameterMm, paper: clearance.paper }
    : undefined
}
