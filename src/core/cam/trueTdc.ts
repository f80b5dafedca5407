import { pistonDropMm, type Crank } from '../engine'
import { rootBetween } from '../numerics/roots'

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

/** An angle within half a turn of zero. */
export function wrapped(deg: number): number {
  const turned = ((deg % TURN_DEG) + TURN_DEG) % TURN_DEG
  return turned > TURN_DEG / 2 ? turned - TURN_DEG : turned
}

/**
 * How far the middle of two equal drops, each `halfDeg` from it, lies after true TDC: with a pin offset the piston falls faster on
 * one side (about 0.09° for a millimetre of offset at mid-stroke). Throws nothing; the crank turns (`crankTurns`).
 */
export function middleOffDeg(crank: Crank, halfDeg: number): number {
  if (crank.pinOffsetMm === 0) return 0
  const unevenMm = (middleDeg: number) => pistonDropMm(crank, middleDeg + halfDeg) - pistonDropMm(crank, middleDeg - halfDeg)
  return rootBetween(unevenMm, -MOST_OFF_DEG, MOST_OFF_DEG)
}

/** How far the piston had dropped where it was read, mm. */
export function dropAtMm(crank: Crank, halfDeg: number): number {
  return pistonDropMm(crank, middleOffDeg(crank, halfDeg) + halfDeg)
}
