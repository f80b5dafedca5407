/** The valve drop at TDC from a dial on the valve: it is pushed down to the piston at one crank angle or several. */
import { gapMm, type ValveSweep } from './closest'

/** Free travel until the valve touches, read at a crank angle after overlap TDC. */
export interface DialReading {
  readonly travelMm: number
  readonly deg: number
}

export interface DropFromDial {
  readonly dropMm: number
  /** Standard uncertainty of what dial and wheel leave open. */
  readonly u: number
  /** Each reading less what this drop makes of it, mm. */
  readonly residualsMm: readonly number[]
  /** How much of the drop each reading is: they add up to one. */
  readonly weights: readonly number[]
  /** Standard uncertainty of each reading by itself. */
  readonly ownU: readonly number[]
}

/** A slope is taken over so many degrees. */
const SLOPE_DEG = 0.5

/**
 * Least squares over readings of one drop: each is the drop, what the piston had fallen and less what the cam had lifted; weighted by
 * dial and by wheel on the slope of the gap, so that a reading where the gap changes fast counts for less. `sweep` with a drop of zero.
 */
export function dropFromDial(
  sweep: ValveSweep,
  readings: readonly DialReading[],
  uncertainty: { readonly dialMm: number; readonly wheelDeg: number },
): DropFromDial {
  const drops = readings.map(({ travelMm, deg }) => travelMm - gapMm(sweep, deg))
  const precisions = readings.map(({ deg }) => {
    const slope = (gapMm(sweep, deg + SLOPE_DEG) - gapMm(sweep, deg - SLOPE_DEG)) / (2 * SLOPE_DEG)
    return 1 / (uncertainty.dialMm ** 2 + (uncertainty.wheelDeg * slope) ** 2)
  })
  const total = precisions.reduce((sum, one) => sum + one, 0)
  const weights = precisions.map((one) => one / total)
  const dropMm = drops.reduce((sum, drop, index) => sum + weights[index]! * drop, 0)
  return {
    dropMm,
    u: Math.sqrt(1 / total),
    residualsMm: drops.map((drop) => drop - dropMm),
    weights,
    ownU: precisions.map((one) => 1 / Math.sqrt(one)),
  }
}
