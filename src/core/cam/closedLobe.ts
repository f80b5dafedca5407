import { rootBetween } from '../numerics/roots'

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

/** Where durations on a card are read. */
export interface DurationAt {
  readonly liftMm: number
  readonly durationDeg: number
}

/** Powers that lobes have; beyond them no closed lobe has these durations. */
const POWERS = { low: 1.2, high: 8 }

/**
 * The closed lobe that lifts so far and has both durations; undefined where none has them: durations
 * the wrong way round, or a flank no lobe of this form has.
 */
export function lobeFromCard(liftMm: number, advertised: DurationAt, atCheck: DurationAt): ClosedLobe | undefined {
  if (!(advertised.liftMm < atCheck.liftMm && atCheck.liftMm < liftMm && advertised.durationDeg > atCheck.durationDeg)) return undefined
  const ratio = advertised.durationDeg / atCheck.durationDeg
  const ratioOf = (power: number) => {
    const lobe = { liftMm, halfWidthDeg: 1, power }
    return closedHalfDurationDeg(lobe, advertised.liftMm)! / closedHalfDurationDeg(lobe, atCheck.liftMm)!
  }
  if (ratio < ratioOf(POWERS.low) || ratio > ratioOf(POWERS.high)) return undefined
  const power = rootBetween((at) => ratioOf(at) - ratio, POWERS.low, POWERS.high)
  const half = closedHalfDurationDeg({ liftMm, halfWidthDeg: 1, power }, atCheck.liftMm)!
  return { liftMm, halfWidthDeg: atCheck.durationDeg / 2 / half, power }
}
