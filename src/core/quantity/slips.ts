import { UNITS, type Kind } from './units'

/** A way an absurd value may have come about, and what it would be put right (canonical unit). */
export interface Slip {
  readonly code: 'decimalPoint' | 'inchForMm' | 'mmForInch' | 'thouForMm' | 'sign' | 'dialTurn' | 'fromNominal'
  readonly value: number
}

const MM_PER_INCH = UNITS.in.factor

/**
 * Slips that would bring an implausible value back into [low, high] (canonical), likeliest first.
 * Empty when none does: the value is then simply questioned.
 */
export function likelySlips(value: number, range: { low: number; high: number }, kind: Kind, nominal?: number): Slip[] {
  const candidates: Slip[] = [
    ...[10, 0.1, 100, 0.01, 1000, 0.001].map((factor): Slip => ({ code: 'decimalPoint', value: value * factor })),
    ...(kind === 'length'
      ? ([
          { code: 'inchForMm', value: value * MM_PER_INCH },
          { code: 'mmForInch', value: value / MM_PER_INCH },
          { code: 'thouForMm', value: (value * MM_PER_INCH) / 1000 },
        ] as const)
      : []),
    { code: 'sign', value: -value },
    ...(nominal === undefined ? [] : [{ code: 'fromNominal', value: nominal + value } as const]),
  ]
  return candidates.filter((slip) => slip.value >= range.low && slip.value <= range.high)
}

/**
 * A dial read one turn wrong: the reading stands one revolution (1 mm or 0.100 in) from its sisters, within a tenth of a turn,
 * while the sisters agree among themselves.
 */
export function dialTurnSlip(valueMm: number, sistersMm: readonly number[]): Slip | undefined {
  if (sistersMm.length < 2) return undefined
  const low = Math.min(...sistersMm)
  const high = Math.max(...sistersMm)
  const middle = (low + high) / 2
  for (const turnMm of [1, MM_PER_INCH / 10]) {
    const off = valueMm - middle
    const nearOneTurn = Math.abs(Math.abs(off) - turnMm) <= turnMm / 10
    if (nearOneTurn && high - low < turnMm / 4) return { code: 'dialTurn', value: valueMm - Math.sign(off) * turnMm }
  }
  return undefined
}
