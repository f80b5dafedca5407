import type { EngineLayout } from '../../geometry/crank'
import type { Methods, Spec } from '../../document/types'

/** Where the ends of a ring stand, in degrees from the front, clockwise as seen from above. */
export interface GapPlace {
  readonly ring: 'top' | 'second' | 'upperRail' | 'expander' | 'lowerRail'
  readonly label: string
  readonly angleDeg: number
}

/** A way to set the gaps, with its one-sentence reason. */
export interface ClockingSchool {
  readonly id: Methods['clocking']
  readonly label: string
  readonly why: string
  readonly gaps: readonly GapPlace[]
}

const at = (top: number, second: number, upperRail: number, expander: number, lowerRail: number): readonly GapPlace[] => [
  { ring: 'top', label: 'top', angleDeg: top },
  { ring: 'second', label: 'second', angleDeg: second },
  { ring: 'upperRail', label: 'upper rail', angleDeg: upperRail },
  { ring: 'expander', label: 'expander', angleDeg: expander },
  { ring: 'lowerRail', label: 'lower rail', angleDeg: lowerRail },
]

/** The schools (common practice). Gaps wander in running anyway: what matters is that they do not start in line. */
export const CLOCKING: Readonly<Record<Methods['clocking'], ClockingSchool>> = {
  maker: {
    id: 'maker',
    label: 'Ring maker’s diagram',
    why: 'The maker knows the ring; its angles stand on the paper page, or are written in.',
    gaps: [],
  },
  opposed: {
    id: 'opposed',
    label: 'Top and second opposed, off the pin',
    why: 'Opposite each other, clear of the pin ends and of both thrust faces, where the load is.',
    gaps: at(45, 225, 135, 0, 315),
  },
  pinAxis: {
    id: 'pinAxis',
    label: 'Along the pin, sides in turn',
    why: 'Along the pin no gap stands on a thrust face; taking sides in turn keeps them apart.',
    gaps: at(0, 180, 20, 90, 200),
  },
}

const MAKERS_GAPS = {
  top: 'gapTop',
  second: 'gapSecond',
  upperRail: 'gapUpperRail',
  expander: 'gapExpander',
  lowerRail: 'gapLowerRail',
} as const satisfies Readonly<Record<GapPlace['ring'], string>>
const GAP_WORDS: Readonly<Record<GapPlace['ring'], string>> = {
  top: 'top',
  second: 'second',
  upperRail: 'upper rail',
  expander: 'expander',
  lowerRail: 'lower rail',
}

/** The school a build has its rings clocked by: a maker's diagram as far as its angles are on paper. */
export function clockingOf({ methods, paper }: Pick<Spec, 'methods' | 'paper'>): ClockingSchool {
  const school = CLOCKING[methods.clocking]
  if (school.id !== 'maker') return school
  const gaps = (Object.keys(MAKERS_GAPS) as GapPlace['ring'][]).flatMap((ring): GapPlace[] => {
    const angle = paper[MAKERS_GAPS[ring]]
    return angle ? [{ ring, label: GAP_WORDS[ring], angleDeg: angle.value }] : []
  })
  return { ...school, gaps }
}

/** Side of the bore that takes the thrust of the firing stroke: away from where the crank pin swings after TDC. */
export function majorThrustSide({ rotation }: Pick<EngineLayout, 'rotation'>): 'left' | 'right' {
  // Clockwise seen from the front, the pin swings to the engine's left after TDC, so the piston leans on the right.
  return rotation === 'clockwise' ? 'right' : 'left'
}
