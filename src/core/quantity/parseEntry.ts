import { UNITS, differenceToCanonical, findUnit, toCanonical, type Kind, type UnitId } from './units'

/** Where a number is typed decides what a bare one means. */
export interface EntryContext {
  readonly kind: Kind
  /** Unit of a number typed without one. */
  readonly unit: UnitId
  /** Canonical nominal that `+2` and `-2` are measured from. Without it, or when `signed`, a sign is the number's own. */
  readonly nominal?: number
  /** The quantity itself may be negative here (a piston above the deck), so a sign is never "from nominal". */
  readonly signed?: boolean
  /** `17/18` is a feeler that goes at 17 and not at 18, not seventeen eighteenths. */
  readonly interval?: boolean
  /** Crank degrees that BBDC and ABDC count from: 180 after the intake stroke, −180 before the exhaust stroke. */
  readonly bottomCentreDeg?: 180 | -180
}

export interface Entry {
  readonly ok: true
  /** Canonical value; the lower end when `upper` is given. */
  readonly value: number
  /** Canonical upper end of a go/no-go interval. */
  readonly upper?: number
  /** Canonical half-width typed after ±, meant at 95 %. */
  readonly plusMinus?: number
  /** Unit the number was given in. */
  readonly unit: UnitId
}

export type EntryIssue =
  | { readonly code: 'empty' }
  | { readonly code: 'notANumber'; readonly text: string; readonly at: number }
  | { readonly code: 'unknownUnit'; readonly text: string; readonly at: number }
  | { readonly code: 'wrongKind'; readonly text: string; readonly at: number; readonly wanted: Kind; readonly got: Kind }
  | { readonly code: 'ambiguousSeparator'; readonly text: string; readonly readings: readonly [number, number] }
  | { readonly code: 'zeroDenominator'; readonly at: number }
  | { readonly code: 'intervalOrder'; readonly low: number; readonly high: number }
  | { readonly code: 'negativeDoubt'; readonly at: number }

export type ParsedEntry = Entry | { readonly ok: false; readonly issue: EntryIssue }

const CRANK_WORDS = /^(btdc|atdc|bbdc|abdc)$/
const NUMBER = String.raw`(?:\d+(?:[.,]\d+)*|[.,]\d+)`
/** sign, number with optional fraction, suffix: `+1 3/8 in`, `-.002`, `39 abdc`. */
const QUANTITY = new RegExp(String.raw`^([+-]?)\s*(?:(\d+)\s+(\d+)\s*/\s*(\d+)|(\d+)\s*/\s*(\d+)|(${NUMBER}))\s*(.*)$`, 's')
const INTERVAL = new RegExp(String.raw`^(${NUMBER})\s*/\s*(${NUMBER})\s*([^\d.,]*)$`, 's')

/**
 * Reads what a person types at the bench: `17`, `.0175`, `0.0175in`, `17.5t`, `1 3/8`, `43um`, `0,29`, `+2`, `2 ATDC`,
 * `17/18` where a feeler is used, and `64±0.5cc`. Never rounds, never clamps, never guesses between two readings of a comma.
 */
export function parseEntry(typed: string, context: EntryContext): ParsedEntry {
  const text = typed.trim().replace(/[−–]/g, '-')
  if (text === '') return failed({ code: 'empty' })
  const [main = '', doubt, extra] = text.split(/±|\+\/-/)
  if (extra !== undefined) return failed({ code: 'notANumber', text: extra, at: typed.lastIndexOf(extra) })
  if (doubt === undefined) return parseMain(main.trim(), context)
  return withDoubt(main.trim(), doubt.trim(), context)
}

function withDoubt(main: string, doubt: string, context: EntryContext): ParsedEntry {
  const half = parseMain(doubt, { ...context, nominal: undefined, interval: false, signed: true })
  if (!half.ok) return half
  if (half.value < 0) return failed({ code: 'negativeDoubt', at: main.length + 1 })
  // A unit after the doubt belongs to both numbers: 64±0.5cc.
  const mainUnit = /[a-zµμ"°³]/i.test(main) ? context.unit : half.unit
  const value = parseMain(main, { ...context, unit: mainUnit })
  if (!value.ok) return value
  const doubtUnit = /[a-zµμ"°³]/i.test(doubt) ? half.unit : value.unit
  const half2 = parseMain(doubt, { ...context, unit: doubtUnit, nominal: undefined, interval: false, signed: true })
  if (!half2.ok) return half2
  return { ...value, plusMinus: Math.abs(half2.value - toCanonical(0, half2.unit)) }
}

function parseMain(text: string, context: EntryContext): ParsedEntry {
  if (context.interval) {
    const match = INTERVAL.exec(text)
    if (match) return parseInterval(match, context)
  }
  const match = QUANTITY.exec(text)
  if (!match) return failed({ code: 'notANumber', text, at: 0 })
  const [, sign = '', whole, top, bottom, plainTop, plainBottom, decimal, suffix = ''] = match
  let magnitude: number
  if (decimal !== undefined) {
    const number = parseDecimal(decimal)
    if (typeof number !== 'number') return failed(number)
    magnitude = number
  } else {
    const denominator = Number(bottom ?? plainBottom)
    if (denominator === 0) return failed({ code: 'zeroDenominator', at: text.indexOf('/') + 1 })
    magnitude = Number(whole ?? 0) + Number(top ?? plainTop) / denominator
  }
  const signed = sign === '-' ? -magnitude : magnitude

  const word = suffix.trim().toLowerCase()
  if (context.kind === 'angle' && CRANK_WORDS.test(word)) {
    return { ok: true, value: crankAngleDeg(signed, word, context.bottomCentreDeg ?? 180), unit: 'deg' }
  }
  const unit = word === '' ? bareUnit(decimal ?? '', magnitude, context) : findUnit(word, context.kind)
  if (unit === undefined) return failed({ code: 'unknownUnit', text: suffix.trim(), at: text.length - suffix.length })
  if (UNITS[unit].kind !== context.kind) {
    return failed({ code: 'wrongKind', text: suffix.trim(), at: text.length - suffix.length, wanted: context.kind, got: UNITS[unit].kind })
  }
  const fromNominal = sign !== '' && !context.signed && context.nominal !== undefined
  const value = fromNominal ? context.nominal + differenceToCanonical(signed, unit) : toCanonical(signed, unit)
  return { ok: true, value, unit }
}

function parseInterval(match: RegExpExecArray, context: EntryContext): ParsedEntry {
  const [, lowText = '', highText = '', suffix = ''] = match
  const low = parseMain(lowText + suffix, { ...context, interval: false })
  const high = parseMain(highText + suffix, { ...context, interval: false })
  if (!low.ok) return low
  if (!high.ok) return high
  if (high.value <= low.value) return failed({ code: 'intervalOrder', low: low.value, high: high.value })
  return { ok: true, value: low.value, upper: high.value, unit: low.unit }
}

/** A decimal with point or comma. `1,234` could be either a decimal or a thousand: both readings are handed back. */
function parseDecimal(text: string): number | EntryIssue {
  const separators = text.match(/[.,]/g) ?? []
  if (separators.length > 1) return { code: 'notANumber', text, at: 0 }
  if (separators[0] === ',' && /^[1-9]\d{0,2},\d{3}$/.test(text)) {
    return { code: 'ambiguousSeparator', text, readings: [Number(text.replace(',', '.')), Number(text.replace(',', ''))] }
  }
  return Number(text.replace(',', '.'))
}

/** No metal grows this little a million kelvin-parts: a smaller bare number is written per kelvin, 0.000012. */
const LEAST_PER_MK = 0.01

/**
 * Unit of a bare number. Where the bench speaks in thou, a builder who types `.0175` or `0.002` is reading inches:
 * no gauge shows thousandths of a thou, so three decimals or more cannot be meant in thou.
 */
function bareUnit(decimal: string, magnitude: number, context: EntryContext): UnitId {
  if (context.unit === 'perMK' && magnitude < LEAST_PER_MK) return 'perK'
  const decimals = /[.,](\d+)$/.exec(decimal)?.[1]?.length ?? 0
  return context.unit === 'thou' && decimals >= 3 ? 'in' : context.unit
}

/** Crank degrees from a dead-centre word; a negative number crosses the dead centre (−2 BTDC is 2 ATDC). */
function crankAngleDeg(degrees: number, word: string, bottomCentreDeg: 180 | -180): number {
  switch (word) {
    case 'btdc': return -degrees
    case 'atdc': return degrees
    case 'bbdc': return bottomCentreDeg - degrees
    default: return bottomCentreDeg + degrees
  }
}

function failed(issue: EntryIssue): ParsedEntry {
  return { ok: false, issue }
}
