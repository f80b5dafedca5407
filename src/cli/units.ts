import { CANONICAL_UNIT, UNITS } from '@/core/units'
import type { SumResult } from '@/core/sums'

/** The unit a figure is given in where no person reads it. */
export function unitName(kind: SumResult['kind']): string {
  return UNITS[CANONICAL_UNIT[kind]].symbol || '1'
}
