import { pistonDropMm, type Crank } from '../crank'
import { rootBetween, rootOr } from '../../numerics/roots'

const TURN_DEG = 360
/** Wider apart than this, two contacts may as well be either side of bottom dead centre as of top. */
const SURE_ARC_DEG = 140
/** Further than this the middle of two equal drops is never off true TDC. */
const MOST_OFF_DEG = 20

/** What a wheel shows where it was read before the top and after it, crank degrees, and where the top is between them. */
export interface BothSides {
  /** The middle of both, within half a turn of zero. */
  readonly middleDeg: number
  /** Half the way from one to the other over the top. */
  readonly halfDeg: number
}

/**
 * The middle of two angles on the circle, 350 and 10 being 0. Of the two middles there are it is the one between them where they are
 * near to each other, else the one nearer to the wheel's own zero: the pointer stands about right before it stands right.
 */
export function bothSides(beforeDeg: number, afterDeg: number): BothSides {
  const apart = wrapped(afterDeg - beforeDeg)
  const between = wrapped(beforeDeg + apart / 2)
  const opposite = wrapped(between + TURN_DEG / 2)
  const isBetween = Math.abs(apart) <= SURE_ARC_DEG || Math.abs(between) <= Math.abs(opposite)
  const arc = isBetween ? Math.abs(apart) : TURN_DEG - Math.abs(apart)
  return { middleDeg: isBetween ? between : opposite, halfDeg: arc / 2 }
}

/** Nearer to the top a piston hardly moves: a 90 mm stroke on a 150 mm rod drops 0.22 mm in the first 5° (geometry of crank and rod). */
const LEAST_HALF_DEG = 5

/** Why two readings of a stop or of equal drops find no top. */
export type StopFault =
  /** So near to each other that nothing tells where between them the top is: most likely both were read on one side. */
  | 'stopTooNear'
  /** Both on one side of the zero of a wheel that was set at about the top: the sign of one is the other’s. */
  | 'stopOneSided'

/** @param isZeroedHere the wheel was set near this cylinder’s top; at a second bank it may be left as it stood at the first */
export function stopFault(beforeDeg: number, afterDeg: number, isZeroedHere: boolean): StopFault | undefined {
  const { middleDeg, halfDeg } = bothSides(beforeDeg, afterDeg)
  if (halfDeg < LEAST_HALF_DEG) return 'stopTooNear'
  return isZeroedHere && Math.abs(middleDeg) > halfDeg ? 'stopOneSided' : undefined
}

/** An angle within half a turn of zero. */
export function wrapped(deg: number): number {
  const turned = ((deg % TURN_DEG) + TURN_DEG) % TURN_DEG
  return turned > TURN_DEG / 2 ? turned - TURN_DEG : turned
}

/**
 * How far the middle of two equal drops, each `halfDeg` from it, lies after true TDC: with a pin offset the piston falls faster on
 * one side (about 0.09° for a millimetre of offset at mid-stroke). Throws nothing; the crank turns (`crankTurns`). Nothing where no
 * middle is found within 20°: with a rod under two thirds of its stroke, a stop past 130° and the pin off centre, which no engine has.
 */
export function middleOffDeg(crank: Crank, halfDeg: number): number {
  if (crank.pinOffsetMm === 0) return 0
  const unevenMm = (middleDeg: number) => pistonDropMm(crank, middleDeg + halfDeg) - pistonDropMm(crank, middleDeg - halfDeg)
  return rootOr(rootBetween(unevenMm, -MOST_OFF_DEG, MOST_OFF_DEG), 0)
}

/** How far the piston had dropped where it was read, mm. */
export function dropAtMm(crank: Crank, halfDeg: number): number {
  return pistonDropMm(crank, middleOffDeg(crank, halfDeg) + halfDeg)
}
