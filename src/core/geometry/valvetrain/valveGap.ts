/** How near a valve comes to its piston. */

/** A valve over its piston, with its gasket crushed. */
export interface ValveOverPiston {
  /** Travel along the valve until it touches, piston at its top and valve shut, mm. */
  readonly dropAtTdcMm: number
  /** Between valve and bore. */
  readonly angleDeg: number
  /** A pocket cut parallel to the valve, or a crown (or pocket floor) square to the bore. */
  readonly surface: 'pocket' | 'flat'
}

const RAD_PER_DEG = Math.PI / 180

/**
 * The gap along the valve, mm, with the piston so far below its top and the valve so far off its seat; below zero they would have met.
 * Over a parallel pocket c₀ + s·cos α − L, over a flat crown c₀ + s ÷ cos α − L (geometry of valve and bore).
 */
export function valveGapMm({ dropAtTdcMm, angleDeg, surface }: ValveOverPiston, pistonDropMm: number, valveLiftMm: number): number {
  const cosine = Math.cos(angleDeg * RAD_PER_DEG)
  return dropAtTdcMm + (surface === 'pocket' ? pistonDropMm * cosine : pistonDropMm / cosine) - valveLiftMm
}
