import type { UnitSystem } from '../document/types'
import { UNITS } from '../units'

const MM_PER_THOU = UNITS.thou.factor

/** A preset said in thou, in mm: as it is for a shop that works in inches, to the nearest figure one would say in a metric one. */
export function inThou(value: number, units: UnitSystem): number {
  const mm = value * MM_PER_THOU
  if (units === 'inch') return Number(mm.toPrecision(6))
  const step = Math.abs(mm) >= 0.05 ? 0.005 : 0.001
  return Number((Math.round(mm / step) * step).toPrecision(6))
}
