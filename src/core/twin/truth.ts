import { cylinderOfValve } from '../geometry/valvetrain'
import type { RandomStream } from '../numerics/random'
import type { Build } from '../document/build'
import type { Place, Spec } from '../document/types'
import type { TrueEngine } from './trueEngine'

/** A virtual engine as it is read. The level in the burette is kept from reading to reading, as the fluid in it is. */
export interface TwinState {
  readonly engine: TrueEngine
  readonly spec: Spec
  /** The engine's paper with nothing read of it: what benches make of paper alone. */
  readonly unread: Build
  readonly random: RandomStream
  buretteLevelCm3: number
}

/** What a virtual engine has at a place, canonical unit, before any gauge has looked at it. */
export type Truth = (twin: TwinState, place: Place) => number

/** Which of its kind a place is: the cylinder, the main, or the bolt; of a valve its cylinder. */
export function numberAt({ cylinder, main, bolt, valve }: Place): number {
  return cylinder ?? main ?? bolt ?? (valve === undefined ? undefined : cylinderOfValve(valve)) ?? 1
}

/** The true dimension of the cylinder, main or bolt at a place. */
export function sized(
  dimension: { [Name in keyof TrueEngine]: TrueEngine[Name] extends ReadonlyMap<number, number> ? Name : never }[keyof TrueEngine],
): Truth {
  return ({ engine }, place) => engine[dimension].get(numberAt(place))!
}

/** Half of a bore's taper above its middle, half below; half of its ovality across the thrust, half along the pin. */
const TAPER_SHARE: Readonly<Record<string, number>> = { top: 0.5, bottom: -0.5 }
const OVAL_SHARE: Readonly<Record<string, number>> = { thrust: 0.5, pin: -0.5 }

/** A bore a little wider at the top and across the thrust, as bores wear and hones leave them. `spot` as `top-thrust`, or a depth alone. */
export function trueBoreMm({ boreMm, boreTaperMm, boreOvalMm }: TrueEngine, cylinder: number, spot: string): number {
  const [depth = '', axis = ''] = spot.split('-')
  const taperMm = (TAPER_SHARE[depth] ?? 0) * boreTaperMm.get(cylinder)!
  return boreMm.get(cylinder)! + taperMm + (OVAL_SHARE[axis] ?? 0) * boreOvalMm.get(cylinder)!
}
