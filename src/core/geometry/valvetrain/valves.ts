import { camKind, camsOf, bankOfCam, isHighProfile, type Cam, type CamKind } from './cams'
import { cylinderNumbers, cylinderPlaces, type EngineLayout } from '../crank/layout'

const LETTERS = ['a', 'b', 'c'] as const
type Letter = (typeof LETTERS)[number]

/** A valve by its kind and its cylinder; where a cylinder has several of a kind, the front one is `a`: `intake3`, `exhaust12b`. */
export type Valve = `${CamKind}${number}` | `${CamKind}${number}${Letter}`

export interface ValvePlace {
  readonly valve: Valve
  readonly kind: CamKind
  readonly cylinder: number
  /** From the front of its cylinder, 0 first. */
  readonly index: number
}

/** Intake and exhaust valves of a cylinder, by how many it has in all. */
const COUNTS = { 0: [0, 0], 2: [1, 1], 3: [2, 1], 4: [2, 2], 5: [3, 2] } as const

/** How many valves of a kind each cylinder has. */
export function valvesOfKind({ valvesPerCylinder }: Pick<EngineLayout, 'valvesPerCylinder'>, kind: CamKind): number {
  return COUNTS[valvesPerCylinder][kind === 'intake' ? 0 : 1]
}

/** Worked out once a layout: a derivation of a big engine asks for its valves some thousand times. */
const placesOf = new WeakMap<EngineLayout, readonly ValvePlace[]>()
const camsByValve = new WeakMap<EngineLayout, ReadonlyMap<string, Cam>>()

/** Every valve of an engine: cylinder by cylinder, intakes first, front to rear. */
export function valvePlaces(layout: EngineLayout): readonly ValvePlace[] {
  const known = placesOf.get(layout) ?? placesIn(layout)
  placesOf.set(layout, known)
  return known
}

/** The cam that opens a valve, by the valve's name; undefined for a valve the engine has not. */
export function camOfValveNamed(layout: EngineLayout, valve: string): Cam | undefined {
  const known = camsByValve.get(layout) ?? new Map(valvePlaces(layout).map((place) => [place.valve, camOfValve(layout, place)]))
  camsByValve.set(layout, known)
  return known.get(valve)
}

function placesIn(layout: EngineLayout): readonly ValvePlace[] {
  return cylinderNumbers(layout).flatMap((cylinder) =>
    (['intake', 'exhaust'] as const).flatMap((kind) => {
      const count = valvesOfKind(layout, kind)
      return Array.from({ length: count }, (_, index): ValvePlace => {
        const letter = count > 1 ? LETTERS[index]! : ''
        return { valve: `${kind}${cylinder}${letter}` as Valve, kind, cylinder, index }
      })
    }),
  )
}

export function valvesOf(layout: EngineLayout): readonly Valve[] {
  return valvePlaces(layout).map(({ valve }) => valve)
}

/** The cylinder a valve belongs to, by its name; undefined for what is no valve. */
export function cylinderOfValve(valve: string): number | undefined {
  const number = /^(?:intake|exhaust)(\d+)[abc]?$/.exec(valve)?.[1]
  return number === undefined ? undefined : Number(number)
}

/** The cam that opens a valve: of an engine that switches profiles its first. */
export function camOfValve(layout: EngineLayout, { kind, cylinder }: Pick<ValvePlace, 'kind' | 'cylinder'>): Cam {
  const { bank } = cylinderPlaces(layout).find((place) => place.cylinder === cylinder)!
  return camsOf(layout).find(
    (cam) => camKind(cam) === kind && !isHighProfile(cam) && (bankOfCam(cam) === undefined || bankOfCam(cam) === bank),
  )!
}
