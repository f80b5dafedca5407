import { EXPANSION, type Expansion } from '../engine'
import type { Id } from './ids'
import type { PaperKey } from './paper'
import type { Materials, Spec } from './types'

type Part = Exclude<keyof Materials, 'topRing' | 'secondRing'>

/** The part a length is read on. */
const PART_OF: Readonly<Partial<Record<Id, Part>>> = {
  'bores.bore': 'bore',
  'bores.skirt': 'piston',
  'bearings.mainJournal': 'crank',
  'bearings.rodJournal': 'crank',
  'bearings.mainInside': 'block',
  'bearings.rodInside': 'rod',
  'rods.bigEnd': 'rod',
  'rods.centreDistance': 'rod',
}
const STEEL_PINS = new Set<Id>(['rods.pin'])
const BUSHES = new Set<Id>(['rods.pinBush'])

/** Clearances read as such: what is outside grows away from what is inside, by the size on paper. */
const CLEARANCE_OF: Readonly<Partial<Record<Id, { readonly outer: Part; readonly inner: Part; readonly paper: PaperKey }>>> = {
  'bearings.mainClearance': { outer: 'block', inner: 'crank', paper: 'mainJournal' },
  'bearings.mainStrip': { outer: 'block', inner: 'crank', paper: 'mainJournal' },
  'bearings.rodClearance': { outer: 'rod', inner: 'crank', paper: 'rodJournal' },
  'bearings.rodStrip': { outer: 'rod', inner: 'crank', paper: 'rodJournal' },
}

type Paper = NonNullable<Spec['paper'][PaperKey]>

export type GrowingParts =
  | { readonly kind: 'length'; readonly part: Expansion }
  | { readonly kind: 'clearance'; readonly outer: Expansion; readonly inner: Expansion; readonly diameter: Paper; readonly paper: PaperKey }

/** How the parts under a reading grow; undefined where it is too short to, or its size is not known. */
export function partsUnder(characteristic: Id, { materials, paper }: Pick<Spec, 'materials' | 'paper'>): GrowingParts | undefined {
  const of = (part: Part): Expansion => EXPANSION.part[materials[part]]
  const part = PART_OF[characteristic]
  if (part) return { kind: 'length', part: of(part) }
  if (STEEL_PINS.has(characteristic)) return { kind: 'length', part: EXPANSION.part.steel }
  if (BUSHES.has(characteristic)) return { kind: 'length', part: EXPANSION.part.bronze }
  const clearance = CLEARANCE_OF[characteristic]
  const diameter = clearance && paper[clearance.paper]
  return clearance && diameter
    ? { kind: 'clearance', outer: of(clearance.outer), inner: of(clearance.inner), diameter, paper: clearance.paper }
    : undefined
}

/** Whether two growths are one: of the same materials, and about the same size on paper. */
export function growsAlike(one: GrowingParts | undefined, other: GrowingParts | undefined): boolean {
  if (!one || !other) return one === other
  if (one.kind === 'length') return other.kind === 'length' && one.part === other.part
  return other.kind === 'clearance' && one.outer === other.outer && one.inner === other.inner && one.diameter === other.diameter
}
