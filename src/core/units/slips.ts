import { UNITS, type UnitId } from './units'

/** A way an odd value may have come about. */
export type SlipCode =
  | 'decimalPoint'
  | 'inchForMm'
  | 'mmForInch'
  | 'thouForMm'
  | 'mmForThou'
  | 'thouForInch'
  | 'inchForThou'
  | 'sign'
  | 'dialTurn'
  | 'fromNominal'

export interface Slip {
  readonly code: SlipCode
  /** What it would be put right, canonical unit. */
  readonly value: number
  /** What the slip did to any value typed like it: also to the other end of an interval. */
  readonly mend: (value: number) => number
}

/** What is likely at a place: from its paper and from what was read beside it. */
export interface Likely {
  /** The range outside which a value cannot be. */
  readonly low: number
  readonly high: number
  /** Where values here usually are, and how far from it they usually stray; left out where nothing tells. */
  readonly centre?: number
  readonly stray?: number
}

const MM_PER_INCH = UNITS.in.factor
const MM_PER_THOU = UNITS.thou.factor

const scaled = (code: SlipCode, factor: number): { code: SlipCode; mend: (value: number) => number } => ({
  code,
  mend: (value) => value * factor,
})

/** By the unit a number was taken to be in: what else it may have been. */
const UNIT_SLIPS: Readonly<Partial<Record<UnitId, readonly { code: SlipCode; mend: (value: number) => number }[]>>> = {
  mm: [scaled('inchForMm', MM_PER_INCH), scaled('thouForMm', MM_PER_THOU)],
  in: [scaled('mmForInch', 1 / MM_PER_INCH), scaled('thouForInch', 1 / 1000)],
  thou: [scaled('mmForThou', 1 / MM_PER_THOU), scaled('inchForThou', 1000)],
}
const POINT_SLIPS = [10, 0.1, 100, 0.01, 1000, 0.001].map((factor) => scaled('decimalPoint', factor))

/** What else is known of the value: the unit it was taken to be in, whether it may be negative, what it may count from. */
export interface SlipOptions {
  readonly unit: UnitId
  readonly signed?: boolean
  readonly nominal?: number
}

/** A value this many strays off, less a rounding, is odd, if a slip would put it near. */
const ODD_STRAYS = 3
/** A slip must put the value this much nearer to where values usually are. */
const MUCH_NEARER = 3

/**
 * The likeliest slip behind a value that cannot be, or that stands oddly beside its paper and its neighbours while a slip would
 * put it among them: of those that bring the value into range, the one that lands nearest to where values usually are, a unit
 * before a decimal point where both land alike. Undefined when nothing is odd or no slip explains it.
 */
export function likelySlip(value: number, likely: Likely, options: SlipOptions): Slip | undefined {
  const isPossible = value >= likely.low && value <= likely.high
  const { centre, stray } = likely
  const distance = (one: number) => (centre === undefined ? 0 : Math.abs(one - centre))
  if (isPossible && (centre === undefined || stray === undefined || distance(value) < ODD_STRAYS * stray * (1 - 1e-9))) return undefined
  const ways = [
    ...(UNIT_SLIPS[options.unit] ?? []),
    ...POINT_SLIPS,
    ...(options.signed ? [{ code: 'sign', mend: (one: number) => -one } as const] : []),
    ...(options.nominal === undefined ? [] : [{ code: 'fromNominal', mend: (one: number) => options.nominal! + one } as const]),
  ]
  const found = ways
    .map(({ code, mend }): Slip => ({ code, value: mend(value), mend }))
    .filter((slip) => slip.value >= likely.low && slip.value <= likely.high)
    .filter((slip) => !isPossible || (distance(slip.value) <= stray! && distance(value) >= MUCH_NEARER * distance(slip.value)))
  return found.reduce<Slip | undefined>((best, slip) => (best && distance(best.value) <= distance(slip.value) ? best : slip), undefined)
}

/**
 * A dial read one turn wrong: the reading stands one revolution (1 mm or 0.100 in) from its neighbours, within a tenth of a
 * turn, while the neighbours agree among themselves.
 */
export function dialTurnSlip(valueMm: number, neighboursMm: readonly number[]): Slip | undefined {
  if (neighboursMm.length < 2) return undefined
  const low = Math.min(...neighboursMm)
  const high = Math.max(...neighboursMm)
  const middle = (low + high) / 2
  for (const turnMm of [1, MM_PER_INCH / 10]) {
    const off = valueMm - middle
    const nearOneTurn = Math.abs(Math.abs(off) - turnMm) <= turnMm / 10
    if (!nearOneTurn || high - low >= turnMm / 4) continue
    const mend = (one: number) => one - Math.sign(off) * turnMm
    return { code: 'dialTurn', value: mend(valueMm), mend }
  }
  return undefined
}
