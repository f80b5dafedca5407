/** What parts are to each other and to this engine: gears and cams, followers, and which of them sets the limit. */
import type { EngineLayout } from '../geometry/crank'
import type { RequiredRatings } from './asked'
import { GEARS_FOR, type CamMaterial, type GearMaterial, type RatingId } from './kinds'
import type { Part } from './parts'

export type Misfit =
  /** A gear that wears away, or wears away the cam's. */
  | { readonly is: 'gear'; readonly cam: Part; readonly gear: Part }
  /** A new cam on followers that ran on another. */
  | { readonly is: 'followers'; readonly cam: Part }
  /** Of a gear or a cam nobody has said what it is made of. */
  | { readonly is: 'material'; readonly part: Part }

/** What does not go together, among parts that are not sent back or given up. */
export function misfitsOf(all: readonly Part[], layout: Pick<EngineLayout, 'valveDrive'>): readonly Misfit[] {
  const parts = all.filter(isOnList)
  const cams = parts.filter(({ what }) => what === 'cam')
  // Only an engine that drives its ignition off the cam has the two gears.
  const gears = layout.valveDrive === 'pushrod' ? parts.filter(({ what }) => what === 'ignition') : []
  const materialUnknown = (gears.length > 0 ? [...cams, ...gears] : []).filter(({ material }) => material === undefined)
  const wears = cams.flatMap((cam) =>
    gears.flatMap((gear): Misfit[] =>
      cam.material && gear.material && !goTogether(cam.material, gear.material) ? [{ is: 'gear', cam, gear }] : [],
    ),
  )
  const hasFollowers = parts.some(({ what }) => what === 'lifters')
  return [
    ...wears,
    ...(hasFollowers ? [] : cams.map((cam): Misfit => ({ is: 'followers', cam }))),
    ...materialUnknown.map((part): Misfit => ({ is: 'material', part })),
  ]
}

function isOnList({ state }: Part): boolean {
  return state !== 'dropped' && state !== 'back'
}

function goTogether(cam: Part['material'], gear: Part['material']): boolean {
  return (GEARS_FOR[cam as CamMaterial] as readonly string[] | undefined)?.includes(gear as GearMaterial) ?? true
}

export interface Weakest {
  readonly rating: RatingId
  readonly part: Part
  readonly stands: number
  readonly asked?: number
  /** It stands less than this engine asks. */
  readonly isShort: boolean
}

/** For each rating the part that sets the limit: every other stands more. */
export function weakestParts(all: readonly Part[], asked: RequiredRatings): readonly Weakest[] {
  const parts = all.filter(isOnList)
  return (['rpm', 'liftMm', 'powerKw'] as const).flatMap((rating): Weakest[] => {
    const rated = parts.filter((part) => part.rated[rating] !== undefined).sort((a, b) => a.rated[rating]! - b.rated[rating]!)
    const [part] = rated
    if (!part) return []
    const [stands, wanted] = [part.rated[rating]!, asked[rating]]
    return [{ rating, part, stands, ...(wanted !== undefined && { asked: wanted }), isShort: wanted !== undefined && stands < wanted }]
  })
}
