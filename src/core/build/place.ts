/**
 * Where on an engine something is read or found: by named axes from one table. The names of stations and findings, the columns of
 * sheets and tables and what the door lets in are read from it; what an axis is called is a matter of `wording`.
 */
import { bankCount, cylinderNumbers, mainNumbers, type EngineLayout } from '../engine'
import type { Id } from './ids'

/** Axes a sheet is ruled by and a finding is about, in the order in which they name a place. */
const SUBJECT = {
  cylinder: {
    /** In the name of a station: `compression.deck/c3`. */
    mark: 'c',
    /** In the name of a finding: `bores.clearance.3`. */
    findingMark: '',
    /** Its values in an engine, in order. */
    values: cylinderNumbers,
  },
  /** Main bearings, counted from the front. */
  main: { mark: 'm', findingMark: 'm', values: mainNumbers },
  bank: {
    mark: '',
    findingMark: '',
    values: (layout: EngineLayout) => (bankCount(layout) === 2 ? (['left', 'right'] as const) : (['left'] as const)),
  },
} as const

/** Axes that tell places of one subject apart. */
const DETAIL = { spot: { mark: '' }, repeat: { mark: 'r' } } as const

export type SubjectAxis = keyof typeof SUBJECT
export const SUBJECT_AXES = Object.keys(SUBJECT) as SubjectAxis[]

/** A place of an engine; which axes it has depends on what is read there. */
export interface Place {
  readonly cylinder?: number
  readonly main?: number
  readonly bank?: 'left' | 'right'
  readonly spot?: string
  readonly repeat?: number
}
export type PlaceAxis = keyof Place

/** What a finding is about: a cylinder, a main bearing, a bank, or the engine as a whole. */
export type Subject = Pick<Place, SubjectAxis>

/** Every axis with its mark, in the order in which they name a place. */
const MARKS = Object.entries({ ...SUBJECT, ...DETAIL }).map(([axis, { mark }]) => [axis as PlaceAxis, mark] as const)

/** Name of a place to measure: characteristic, then the axes it has: `compression.deck/c3/front`, `compression.chamberEnd/c2/r1`. */
export function stationId(characteristic: Id, place: Place): string {
  // Plain joining: a derivation names a few hundred stations, and one runs at every key.
  let id: string = characteristic
  for (const [axis, mark] of MARKS) if (place[axis]) id += `/${mark}${place[axis]}`
  return id
}

/** `bores.clearance.3` of cylinder 3, `bearings.mainClearance.m2` of main 2, `bearings.endFloat` of the engine. */
export function findingId(output: Id, subject: Subject): string {
  const axis = subjectAxis(subject)
  return axis ? `${output}.${SUBJECT[axis].findingMark}${subject[axis]}` : output
}

/** The axis a place or a finding is ruled by; none: it is the engine's. */
export function subjectAxis(place: Place): SubjectAxis | undefined {
  return SUBJECT_AXES.find((axis) => place[axis] !== undefined)
}

/** What of a place says whom it is about. */
export function subjectOf(place: Place): Subject {
  const axis = subjectAxis(place)
  return axis ? { [axis]: place[axis] } : {}
}

/** Every subject of an axis in an engine, in order. */
export function subjectsOn(axis: SubjectAxis, layout: EngineLayout): readonly Subject[] {
  return SUBJECT[axis].values(layout).map((value) => ({ [axis]: value }))
}

/** Axes of a place that name what the engine has not, each with how many there are. */
export function axesBeyond(
  place: Place,
  layout: EngineLayout,
): readonly { readonly axis: SubjectAxis; readonly got: string; readonly most: number }[] {
  return SUBJECT_AXES.flatMap((axis) => {
    const values: readonly (number | string)[] = SUBJECT[axis].values(layout)
    const value = place[axis]
    return value === undefined || values.includes(value) ? [] : [{ axis, got: String(value), most: values.length }]
  })
}
