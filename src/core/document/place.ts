/**
 * Where on an engine something is read or found: by named axes from one table. The names of stations and findings, the columns of
 * sheets and tables and what the door lets in are read from it; what an axis is called is a matter of `wording`.
 */
import { bankCount, boltNumbers, cylinderNumbers, mainNumbers, rodOfBolt, type EngineLayout } from '../geometry/crank'
import { CAMS, camsOf, cylinderOfValve, valvesOf } from '../geometry/valvetrain'
import type { Id } from './ids'

/**
 * What a file may say on an axis: counted from one, a number of a continuous scale, one of a few words, or a word of so many
 * letters. An engine has fewer.
 */
export type AxisForm =
  | { readonly is: 'counted'; readonly most: number }
  | { readonly is: 'measured'; readonly low: number; readonly high: number }
  | { readonly is: 'oneOf'; readonly words: readonly string[] }
  | { readonly is: 'word'; readonly letters: number }

const BANKS = ['left', 'right'] as const

/** Axes a sheet is ruled by and a finding is about, in the order in which they name a place. */
const SUBJECT = {
  cylinder: {
    form: { is: 'counted', most: 16 },
    /** In the name of a station: `compression.deck/c3`. */
    mark: 'c',
    /** In the name of a finding: `bores.clearance.3`. */
    findingMark: '',
    /** Its values in an engine, in order. */
    values: cylinderNumbers,
  },
  /** Main bearings, counted from the front. */
  main: { form: { is: 'counted', most: 17 }, mark: 'm', findingMark: 'm', values: mainNumbers },
  bank: {
    form: { is: 'oneOf', words: BANKS },
    mark: '',
    findingMark: '',
    values: (layout: EngineLayout) => (bankCount(layout) === 2 ? BANKS : (['left'] as const)),
  },
  /** Cams by what they open and the bank they stand on. */
  cam: { form: { is: 'oneOf', words: CAMS }, mark: '', findingMark: '', values: camsOf },
  /** Valves by their kind and cylinder; from the front where there are several. */
  valve: {
    form: { is: 'word', letters: 12 },
    mark: 'v-',
    findingMark: '',
    values: (layout: EngineLayout): readonly string[] => valvesOf(layout),
  },
  /** Bolts of the rods, two a rod: the first two are those of cylinder one. */
  bolt: { form: { is: 'counted', most: 32 }, mark: 'b', findingMark: 'b', values: boltNumbers },
  /** A joint by its name in the plan: found of, never read at. */
  joint: { form: { is: 'word', letters: 40 }, mark: 'j-', findingMark: '', values: (): readonly string[] => [] },
} as const

/** Axes that tell places of one subject apart. */
const DETAIL = {
  spot: { form: { is: 'word', letters: 24 }, mark: '' },
  /** A run: how often it was tightened, this time among them. */
  cycle: { form: { is: 'counted', most: 9 }, mark: 'k' },
  /** N·m that a wrench is at. */
  torque: { form: { is: 'measured', low: 0.1, high: 3000 }, mark: 't' },
  /** Crank degrees that a wheel is at, about after overlap TDC; a wheel left where number one set it is up to half a turn off. */
  degree: { form: { is: 'measured', low: -540, high: 900 }, mark: 'd' },
  repeat: { form: { is: 'counted', most: 9 }, mark: 'r' },
} as const

const AXES = { ...SUBJECT, ...DETAIL }

export type SubjectAxis = keyof typeof SUBJECT
export const SUBJECT_AXES = Object.keys(SUBJECT) as SubjectAxis[]

export type PlaceAxis = keyof typeof AXES

type ValueOn<Form> = Form extends { readonly words: readonly (infer Word)[] }
  ? Word
  : Form extends { readonly is: 'counted' | 'measured' }
    ? number
    : string

/** A place of an engine; which axes it has depends on what is read there. */
export type Place = { readonly [Axis in PlaceAxis]?: ValueOn<(typeof AXES)[Axis]['form']> }

/** What a file may say on each axis. */
export const AXIS_FORMS = Object.entries(AXES).map(([axis, { form }]): readonly [PlaceAxis, AxisForm] => [axis as PlaceAxis, form])

/** What a finding is about: a cylinder, a main bearing, a bank, a cam, a valve, a bolt, a joint, or the engine as a whole. */
export type Subject = Pick<Place, SubjectAxis>

/** Every axis with its mark, in the order in which they name a place. */
const MARKS = Object.entries(AXES).map(([axis, { mark }]) => [axis as PlaceAxis, mark] as const)

/** Name of a place to measure: characteristic, then the axes it has: `compression.deck/c3/front`, `compression.chamberEnd/c2/r1`. */
export function stationId(characteristic: Id, place: Place): string {
  // Plain joining: a derivation names a few hundred stations, and one runs at every key.
  let id: string = characteristic
  for (const [axis, mark] of MARKS) if (place[axis] !== undefined) id += `/${mark}${place[axis]}`
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

/** The cylinder a place belongs to, where it belongs to one: a bolt belongs to that of its rod, a valve to its own. */
export function cylinderOf({ cylinder, bolt, valve }: Place): number | undefined {
  if (valve !== undefined) return cylinderOfValve(valve)
  return cylinder ?? (bolt === undefined ? undefined : rodOfBolt(bolt).rod)
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
