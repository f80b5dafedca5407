/**
 * A lobe in closed form, L·(1 − (θ/w)²)^p at the follower, θ from its centreline in crank degrees: symmetric, with a lift that leaves
 * the base circle softly for p > 2. It stands for a lobe of which only the card is known.
 */
export interface ClosedLobe {
  readonly liftMm: number
  /** Half the duration on the base circle, crank degrees. */
  readonly halfWidthDeg: number
  readonly power: number
}

/** Lift at `thetaDeg` from the centreline, mm. */
export function closedLiftMm({ liftMm, halfWidthDeg, power }: ClosedLobe, thetaDeg: number): number {
  const share = thetaDeg / halfWidthDeg
  return Math.abs(share) < 1 ? liftMm * (1 - share * share) ** power : 0
}

/** Degrees from the centreline to where a lobe still has so much lift, crank degrees; undefined where it never lifts so far. */
export function closedHalfDurationDeg({ liftMm, halfWidthDeg, power }: ClosedLobe, checkLiftMm: number): number | undefined {
  if (!(checkLiftMm > 0 && checkLiftMm < liftMm)) return undefined
  return halfWidthDeg * Math.sqrt(1 - (checkLiftMm / liftMm) ** (1 / power))
}

/** The power most lobes have, where only lift and one duration of a card are known (assumed). */
export const USUAL_LOBE_POWER = 2.6

/** The closed lobe that lifts so far and lasts so long at a check lift; undefined where that is no lift of it. */
export function lobeOfDuration(liftMm: number, durationDeg: number, checkLiftMm: number, power = USUAL_LOBE_POWER): ClosedLobe | undefined {
  const unit = closedHalfDurationDeg({ liftMm, halfWidthDeg: 1, power }, checkLiftMm)
  return unit === undefined ? undefined : { liftMm, halfWidthDeg: durationDeg / 2 / unit, power }
}
