/** Valve to valve, and overlap, over every setting of both cams. */
import type { Build } from '../../document/build'
import { closestValves } from '../../geometry/valvetrain/valveToValve'
import { WINDOW_DEG } from '../../geometry/valvetrain/closest'
import type { Cam } from '../../geometry/valvetrain'
import { betweenParts, liftsOf, pairOf } from './around'

export interface PhasingMap {
  /** Crank degrees each cam is set earlier, from the latest: alike along and upwards. */
  readonly advancesDeg: readonly number[]
  /** Least room between both valves, mm: intake by intake, each with every exhaust. */
  readonly gapMm: Float32Array
}

const STEP_DEG = 2

/** Undefined where numbers are wanted that the finding names. */
export function phasingMap(build: Build, intake: Cam, exhaust: Cam): PhasingMap | undefined {
  const parts = betweenParts(build, intake, exhaust)
  if ('missing' in parts) return undefined
  const count = (2 * WINDOW_DEG) / STEP_DEG + 1
  const advancesDeg = Array.from({ length: count }, (_, index) => index * STEP_DEG - WINDOW_DEG)
  const pair = pairOf(parts.valuesAt)
  const [intakeMm, exhaustMm] = liftsOf(parts.motions, parts.valuesAt)
  const gapMm = new Float32Array(count * count)
  for (const [column, intakeDeg] of advancesDeg.entries())
    for (const [row, exhaustDeg] of advancesDeg.entries())
      gapMm[column * count + row] = closestValves(
        pair,
        (deg) => intakeMm(deg + intakeDeg),
        (deg) => exhaustMm(deg + exhaustDeg),
      ).gapMm
  return { advancesDeg, gapMm }
}
