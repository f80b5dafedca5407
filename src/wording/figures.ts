import type { Finding, Output } from '@/core/benches'
import type { UnitSystem } from '@/core/document'
import { expand, standardUncertainty, type Bounds, type Figure, type Uncertain } from '@/core/metrology'
import {
  decimalsForUncertainty,
  formatDifference,
  formatNumber,
  fromCanonical,
  differenceInUnit,
  joinUnit,
  UNITS,
  type Kind,
  type UnitId,
} from '@/core/units'

/** How a kind of value is shown: its units and the most decimals worth showing. */
export type Shown = Pick<Output, 'units' | 'digits'>

export interface ShownFigure {
  readonly value: string
  /** "±0.03", or nothing where there is no uncertainty to speak of. */
  readonly uncertainty: string
  readonly unit: string
}

/** A value with its expanded uncertainty, both to the digits the uncertainty allows and no finer than `shown`. */
export function showFigure(value: Uncertain, shown: Shown, system: UnitSystem): ShownFigure {
  const unit = shown.units[system]
  const { U } = expand(value)
  const decimals = decimalsOf(value, shown, system)
  return {
    value: formatNumber(value.value, unit, decimals),
    uncertainty: U > 0 ? `±${roundedUp(U, unit, decimals)}` : '',
    unit: UNITS[unit].symbol,
  }
}

/** Decimals added to a figure before it is left as it is: it then stands on the edge of its limit to a ten-thousandth. */
const MOST_ADDED = 4

/**
 * A finding's value with its uncertainty, to the digits the uncertainty allows; to more where value ± U as printed would lie
 * elsewhere beside its limit than it does, and so contradict its verdict. A feeler's interval is shown by its own half-width.
 */
export function showFinding(
  { conformity, limit }: Pick<Finding, 'conformity' | 'limit'>,
  value: Uncertain,
  shown: Shown,
  system: UnitSystem,
): ShownFigure {
  const unit = shown.units[system]
  const U = conformity?.U ?? expand(value).U
  const least = Math.min(shown.digits[system], decimalsForUncertainty(U, unit))
  const written = (decimals: number) => ({
    value: formatNumber(value.value, unit, decimals),
    uncertainty: U > 0 ? `±${roundedUp(U, unit, decimals)}` : '',
    unit: UNITS[unit].symbol,
  })
  const candidates = Array.from({ length: MOST_ADDED + 1 }, (_, added) => written(least + added))
  const beside = besideLimit(limit, unit, fromCanonical(value.value, unit), differenceInUnit(U, unit))
  return (
    candidates.find(
      (one) => besideLimit(limit, unit, Number(one.value.replace('−', '-')), Number(one.uncertainty.replace('±', ''))) === beside,
    ) ?? candidates[0]!
  )
}

/** Where value ± U lies beside a limit, all in one unit. */
function besideLimit(limit: Bounds | undefined, unit: UnitId, value: number, U: number): 'inside' | 'over' | 'under' | 'across' {
  const [lower, upper] = [limit?.lower ?? -Infinity, limit?.upper ?? Infinity].map((bound) => fromCanonical(bound, unit)) as [
    number,
    number,
  ]
  const slack = 1e-9 * Math.max(Math.abs(value), U)
  if (value - U > upper + slack) return 'over'
  if (value + U < lower - slack) return 'under'
  return value - U >= lower - slack && value + U <= upper + slack ? 'inside' : 'across'
}

function decimalsOf(value: Uncertain, shown: Shown, system: UnitSystem): number {
  return Math.min(shown.digits[system], decimalsForUncertainty(expand(value).U, shown.units[system]))
}

/** An uncertainty is never shown smaller than it is, and never as nothing. */
function roundedUp(canonicalU: number, unit: UnitId, decimals: number): string {
  const step = 10 ** -decimals
  const inUnit = canonicalU / UNITS[unit].factor
  return (Math.max(1, Math.ceil(inUnit / step - 0.05)) * step).toFixed(decimals)
}

/** A finding in one breath: "1.15 ±0.02 mm". */
export function findingWords(finding: Pick<Finding, 'conformity' | 'limit'>, value: Uncertain, shown: Shown, system: UnitSystem): string {
  return inOneBreath(showFinding(finding, value, shown, system))
}

/** "8.97 ±0.03", "1.15 ±0.02 mm". */
export function figureWords(value: Uncertain, shown: Shown, system: UnitSystem): string {
  return inOneBreath(showFigure(value, shown, system))
}

function inOneBreath({ value, uncertainty, unit }: ShownFigure): string {
  return joinSymbol([value, uncertainty].filter(Boolean).join(' '), unit)
}

/** A number of `shown`'s kind without uncertainty: a limit, a cut. */
export function plainWords(canonical: number, shown: Shown, system: UnitSystem): string {
  return joinUnit(trimmed(formatNumber(canonical, shown.units[system], shown.digits[system])), shown.units[system])
}

/** The same in a column, where points stand under points: zeros are kept. */
export function columnWords(canonical: number, shown: Shown, system: UnitSystem): string {
  return joinUnit(formatNumber(canonical, shown.units[system], shown.digits[system]), shown.units[system])
}

/** The size of a difference of `shown`'s kind. */
export function differenceWords(canonical: number, shown: Shown, system: UnitSystem): string {
  return joinUnit(trimmed(formatDifference(canonical, shown.units[system], shown.digits[system])), shown.units[system])
}

/** The default look of a kind where no definition says otherwise: terms of a sum, quick sums. */
export function shownOf(kind: Kind): Shown {
  return SHOWN[kind]
}

const same = (unit: UnitId, digits: number): Shown => ({ units: { metric: unit, inch: unit }, digits: { metric: digits, inch: digits } })
const SHOWN: Readonly<Record<Kind, Shown>> = {
  length: { units: { metric: 'mm', inch: 'in' }, digits: { metric: 3, inch: 4 } },
  volume: same('cm3', 2),
  area: same('cm2', 1),
  angle: same('deg', 2),
  mass: same('g', 1),
  density: same('gPerCm3', 3),
  temperature: { units: { metric: 'degC', inch: 'degF' }, digits: { metric: 1, inch: 1 } },
  pressure: { units: { metric: 'kPa', inch: 'psi' }, digits: { metric: 1, inch: 2 } },
  force: { units: { metric: 'N', inch: 'lbf' }, digits: { metric: 0, inch: 0 } },
  torque: { units: { metric: 'Nm', inch: 'lbfft' }, digits: { metric: 1, inch: 1 } },
  power: { units: { metric: 'kW', inch: 'hp' }, digits: { metric: 1, inch: 1 } },
  speed: { units: { metric: 'mPerS', inch: 'ftPerS' }, digits: { metric: 1, inch: 1 } },
  rotation: same('rpm', 0),
  roughness: { units: { metric: 'umRa', inch: 'uinRa' }, digits: { metric: 2, inch: 0 } },
  expansion: same('perMK', 2),
  ratio: same('one', 3),
  section: { units: { metric: 'mm2', inch: 'sqIn' }, digits: { metric: 1, inch: 4 } },
  stress: { units: { metric: 'MPa', inch: 'ksi' }, digits: { metric: 0, inch: 1 } },
  stiffness: { units: { metric: 'NPerMm', inch: 'lbfPerIn' }, digits: { metric: 0, inch: 0 } },
  rise: { units: { metric: 'K', inch: 'riseF' }, digits: { metric: 1, inch: 1 } },
}

/** A figure where its kind alone is known: as many decimals as its uncertainty allows, or four significant digits without one. */
export function figureOfKindWords(figure: Figure, kind: Kind, system: UnitSystem, unit = shownOf(kind).units[system]): string {
  const { value } = figure
  if (standardUncertainty(value) > 0) {
    const decimals = Math.min(6, decimalsForUncertainty(expand(value).U, unit))
    return figureWords(value, { units: { metric: unit, inch: unit }, digits: { metric: decimals, inch: decimals } }, system)
  }
  const inUnit = Math.abs((value.value - UNITS[unit].offset) / UNITS[unit].factor)
  const decimals = inUnit === 0 ? 0 : Math.min(6, Math.max(0, 4 - Math.floor(Math.log10(inUnit))))
  return joinUnit(trimmed(formatNumber(value.value, unit, decimals)), unit)
}

function joinSymbol(number: string, symbol: string): string {
  if (symbol === '') return number
  return symbol === '°' || symbol === '%' ? `${number}${symbol}` : `${number} ${symbol}`
}

/** Trailing zeros carry no news in a limit that was typed. */
function trimmed(number: string): string {
  return number.includes('.') ? number.replace(/\.?0+$/, '') : number
}
