import { UNITS, differenceInUnit, fromCanonical, type UnitId } from './units'
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

function fixed(value: number, decimals: number): string {
  const text = Math.abs(value).toFixed(decimals)
  return value < 0 && Number(text) !== 0 ? `−${text}` : text
}
