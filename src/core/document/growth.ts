import { EXPANSION, type Expansion } from '../geometry/materials'
import type { Id } from './ids'
import type { PaperKey } from './paper'
import type { Materials, Spec } from './types'

/** A part that grows as its material does: as the build says what it is made of, or as such parts are made. */
type GrowingPart = Exclude<keyof Materials, 'topRing' | 'secondRing'> | 'pin' | 'bush' | 'bolt'

/**
 * What a reading is taken on, as far as it grows with warmth: a length grows as its part; in a clearance read as such what is
 * outside grows away from what is inside, by a size that stands on paper.
 */
export type Grows =
  | { readonly as: GrowingPart }
  | { readonly outside: GrowingPart; readonly inside: GrowingPart; readonly sizeOnPaper: string }

/** What each characteristic is read on; one left out is too short to grow. */
export type Growth = Readonly<Partial<Record<Id, Grows>>>

type Paper = NonNullable<Spec['paper'][PaperKey]>

export type GrowingParts =
  | { readonly kind: 'length'; readonly part: Expansion }
  | { readonly kind: 'clearance'; readonly outer: Expansion; readonly inner: Expansion; readonly diameter: Paper; readonly paper: PaperKey }

/** How the parts under a reading grow; undefined where it is too short to, or its size is not known. */
export function growingParts(grows: Grows | undefined, { materials, paper }: Pick<Spec, 'materials' | 'paper'>): GrowingParts | undefined {
  if (!grows) return undefined
  if ('as' in grows) return { kind: 'length', part: expansionOf(grows.as, materials) }
  const key = grows.sizeOnPaper as PaperKey
  const diameter = paper[key]
  return (
    diameter && {
      kind: 'clearance',
      outer: expansionOf(grows.outside, materials),
      inner: expansionOf(grows.inside, materials),
      diameter,
      paper: key,
    }
  )
}

/** Pins and bolts are of steel and bushes of bronze (common practice). */
function expansionOf(part: GrowingPart, materials: Materials): Expansion {
  if (part === 'pin' || part === 'bolt') return EXPANSION.part.steel
  return part === 'bush' ? EXPANSION.part.bronze : EXPANSION.part[materials[part]]
}

/** Whether two growths are one: of the same materials, and about the same size on paper. */
export function growsAlike(one: GrowingParts | undefined, other: GrowingParts | undefined): boolean {
  if (!one || !other) return one === other
  if (one.kind === 'length') return other.kind === 'length' && one.part === other.part
  return other.kind === 'clearance' && one.outer === other.outer && one.inner === other.inner && one.diameter === other.diameter
}
