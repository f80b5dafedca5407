import { UNITS, differenceInUnit, differenceToCanonical, fromCanonical, unitsOfKind, type UnitId } from './units'
import { printed } from '../numerics/printed'

const MAX_DECIMALS = 8

/**
 * Decimals that tell two steps of a gauge apart and show nothing finer: the coarsest power of ten not above the step.
 * 0.01 mm → 2 in mm, 4 in inch; 0.0001 in → 4 in inch, 3 in mm; half a degree → 1.
 */
export function decimalsForStep(canonicalStep: number, unit: UnitId): number {
  const step = differenceInUnit(canonicalStep, unit)
  if (!(step > 0)) return MAX_DECIMALS
  // 1e-9 absorbs the rounding of log10 at exact powers of ten.
  return clampDecimals(Math.ceil(-Math.log10(step) - 1e-9))
}

/** Decimals beyond which a number is only the rounding of a conversion. */
const TYPED_DECIMALS = 5

/**
 * Decimals to show a reading with: those its gauge's step needs, or as many as bring back what was typed in the unit it was
 * typed in. 15.5 on a dial of whole thous is 15.5, not 16.
 */
export function decimalsToShow(
  { value, upper = value, unit: typedIn }: { readonly value: number; readonly upper?: number; readonly unit: UnitId },
  step: number,
  unit: UnitId,
): number {
  const ofStep = decimalsForStep(step, unit)
  if (typedIn !== unit) return ofStep
  for (let decimals = ofStep; decimals < TYPED_DECIMALS; decimals++) {
    const isWhole = [value, upper].every(
      (one) =>
        Math.abs(fromCanonical(one, unit) * 10 ** decimals - Math.round(fromCanonical(one, unit) * 10 ** decimals)) < 1e-6 * 10 ** decimals,
    )
    if (isWhole) return decimals
  }
  return TYPED_DECIMALS
}

/**
 * Decimals for a computed value of expanded uncertainty U: the place of U's first significant digit,
 * one more when that digit is 1 (GUM 7.2.6: at most two significant digits of an uncertainty).
 */
export function decimalsForUncertainty(canonicalExpanded: number, unit: UnitId): number {
  const expanded = differenceInUnit(canonicalExpanded, unit)
  if (!(expanded > 0)) return MAX_DECIMALS
  const place = Math.floor(Math.log10(expanded) + 1e-9)
  const leading = Math.floor(expanded / 10 ** place + 1e-9)
  return clampDecimals(leading === 1 ? 1 - place : -place)
}

function clampDecimals(decimals: number): number {
  return Math.min(MAX_DECIMALS, Math.max(0, decimals))
}

/** The bare number in `unit`, a true minus sign, no "-0.00". */
export function formatNumber(canonical: number, unit: UnitId, decimals: number): string {
  return fixed(fromCanonical(canonical, unit), decimals)
}

/** A difference (uncertainty, tolerance, cut) in `unit`, unsigned offset left out. */
export function formatDifference(canonical: number, unit: UnitId, decimals: number): string {
  return fixed(differenceInUnit(canonical, unit), decimals)
}

/** Number and unit, joined as print wants it: no space before ° and %, a narrow one elsewhere. */
export function formatQuantity(canonical: number, unit: UnitId, decimals: number): string {
  return joinUnit(formatNumber(canonical, unit, decimals), unit)
}

export function joinUnit(number: string, unit: UnitId): string {
  const { symbol } = UNITS[unit]
  if (symbol === '') return number
  return symbol === '°' || symbol === '%' ? `${number}${symbol}` : `${number} ${symbol}`
}

/** Shortest text that reads back as the same number: for files and for paper numbers typed by a person. */
export function formatExact(canonical: number, unit: UnitId): string {
  return String(printed(fromCanonical(canonical, unit)))
}

/** More decimals than this nobody typed: the value was given in another unit. */
const MOST_TYPED_DECIMALS = 5
/** As finely as a unit is used in a shop, a whole number of another is shown too: 83 mm are 3.2677 in. */
const LEAST_DECIMALS: Readonly<Partial<Record<UnitId, number>>> = { in: 4, thou: 1 }

/**
 * As it is written where it was typed in this unit; else with the digits it has in the unit in which it is shortest: 0.473 mm are
 * 18.62 thou, and no digit more is known.
 */
export function formatKnown(canonical: number, unit: UnitId): string {
  return inKnownDigits((one) => fromCanonical(canonical, one), unit)
}

/** The same of a difference: a tolerance, a cut. */
export function formatKnownSize(canonical: number, unit: UnitId): string {
  return inKnownDigits((one) => differenceInUnit(canonical, one), unit)
}

function inKnownDigits(valueIn: (unit: UnitId) => number, unit: UnitId): string {
  const own = printed(valueIn(unit))
  if (!Number.isFinite(own) || decimalsIn(own) <= MOST_TYPED_DECIMALS) return String(own)
  const shortest = unitsOfKind(UNITS[unit].kind)
    .map((one) => ({ one, decimals: decimalsIn(printed(valueIn(one))) }))
    .reduce((a, b) => (b.decimals < a.decimals ? b : a))
  const step = differenceInUnit(differenceToCanonical(10 ** -shortest.decimals, shortest.one), unit)
  return String(Number(own.toFixed(Math.min(MOST_TYPED_DECIMALS + 1, Math.max(LEAST_DECIMALS[unit] ?? 0, Math.ceil(-Math.log10(step)))))))
}

function decimalsIn(value: number): number {
  const [, decimals = '', exponent = '0'] = /^-?\d+(?:\.(\d+))?(?:e([+-]?\d+))?$/.exec(String(value)) ?? []
  return Math.max(0, decimals.length - Number(exponent))
}

function fixed(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals)
  return value < 0 && Number(text) !== 0 ? `−${text}` : text
}
