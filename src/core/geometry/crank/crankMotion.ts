/**
 * Slider-crank motion with pin offset: J. B. Heywood, Internal Combustion Engine Fundamentals, eq. 2.1–2.6 for e = 0;
 * with offset the same triangle solved with the pin's line moved by e (any kinematics text).
 */
export interface Crank {
  readonly strokeMm: number
  readonly rodMm: number
  /** Pin plus bore offset, positive towards the side to which the crank pin swings after TDC. */
  readonly pinOffsetMm: number
}

const RAD_PER_DEG = Math.PI / 180

/** Distance of the pin above the crank centre at throw angle `phiDeg` from the bore axis. */
function pinHeightMm({ strokeMm, rodMm, pinOffsetMm }: Crank, phiDeg: number): number {
  const a = strokeMm / 2
  const phi = phiDeg * RAD_PER_DEG
  return a * Math.cos(phi) + Math.sqrt(rodMm ** 2 - (a * Math.sin(phi) - pinOffsetMm) ** 2)
}

/** Throw angle of true TDC from the bore axis: sin φ = e/(l + a). */
export function trueTdcShiftDeg({ strokeMm, rodMm, pinOffsetMm }: Crank): number {
  return Math.asin(pinOffsetMm / (rodMm + strokeMm / 2)) / RAD_PER_DEG
}

/** Pin height at true TDC above the crank centre: √((l + a)² − e²). */
export function pinHeightAtTdcMm({ strokeMm, rodMm, pinOffsetMm }: Crank): number {
  return Math.sqrt((rodMm + strokeMm / 2) ** 2 - pinOffsetMm ** 2)
}

/** True travel of the piston: a little more than the stroke when the pin is offset. */
export function sweptLengthMm(crank: Crank): number {
  const bottom = Math.sqrt((crank.rodMm - crank.strokeMm / 2) ** 2 - crank.pinOffsetMm ** 2)
  return pinHeightAtTdcMm(crank) - bottom
}

/** How far the piston has dropped `thetaDeg` after true TDC. */
export function pistonDropMm(crank: Crank, thetaDeg: number): number {
  return pinHeightAtTdcMm(crank) - pinHeightMm(crank, trueTdcShiftDeg(crank) + thetaDeg)
}

/** Crank throw long enough for the rod to pass: the arithmetic above is real only then. */
export function crankTurns({ strokeMm, rodMm, pinOffsetMm }: Crank): boolean {
  return rodMm - strokeMm / 2 > Math.abs(pinOffsetMm)
}

/** Volume of a cylinder of the given bore and length. */
export function cylinderVolumeCm3(boreMm: number, lengthMm: number): number {
  return ((Math.PI / 4) * boreMm ** 2 * lengthMm) / 1000
}
