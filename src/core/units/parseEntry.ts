import { numbersIn, readsAsFraction, type NumberIssue, type TypedNumber } from './typedNumber'
import { differenceToCanonical, findUnit, toCanonical, UNITS, type Kind, type UnitId } from './units'

/** Where a number is typed decides what a bare one means. */
export type WheelMarks = 360 | 180 | 90

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
  /** Degrees before or after one dead centre, as a cam card writes an event: `12`, `12 btdc`, `-12 atdc` are one. */
  readonly event?: DeadCentre
  /** A wheel that is a turn further shows the same: a reading is brought within half a turn of this angle. */
  readonly turnsAboutDeg?: number
  /** How far the wheel is marked from its zero: 360, or 0–180–0, or 0–90–0–90, where a bare number stands in several places. */
  readonly wheelMarks?: WheelMarks
  /** Canonical range of what can stand here: where a text can be read in two ways, the one outside it is not meant. */
  readonly expected?: { readonly low: number; readonly high: number }
  /** Canonical step of the gauge: nobody reads a value smaller than it. */
  readonly step?: number
  /** Unit a bare `+3` from nominal is meant in, once a person has said so. */
  readonly offsetUnit?: UnitId
}

/** Which dead centre degrees count from, and on which side of it a bare number is meant. */
export interface DeadCentre {
  readonly centre: 'tdc' | 'bdc'
  readonly side: 'before' | 'after'
}

/** One way to read a typed text, in canonical units. */
export interface Understood {
  /** The lower end when `upper` is given. */
  readonly value: number
  /** Upper end of a go/no-go interval. */
  readonly upper?: number
  /** Half-width typed after ±, meant at 95 %. */
  readonly plusMinus?: number
  /** Unit the number was given in. */
  readonly unit: UnitId
  /** Typed as a difference from nominal, in this unit. */
  readonly offsetUnit?: UnitId
}

export interface Entry extends Understood {
  readonly ok: true
}

export type EntryIssue =
  | NumberIssue
  | { readonly code: 'empty' }
  | { readonly code: 'unknownUnit'; readonly text: string; readonly at: number }
  | { readonly code: 'wrongKind'; readonly text: string; readonly at: number; readonly wanted: Kind; readonly got: Kind }
  | { readonly code: 'ambiguous'; readonly text: string; readonly readings: readonly Understood[] }
  | { readonly code: 'intervalOrder'; readonly low: number; readonly high: number }
  | { readonly code: 'halfInterval'; readonly text: string }
  | { readonly code: 'negativeUncertainty'; readonly at: number }
  | { readonly code: 'otherCentre'; readonly text: string; readonly wanted: DeadCentre['centre'] }

export type ParsedEntry = Entry | { readonly ok: false; readonly issue: EntryIssue }

type Readings = readonly Understood[] | EntryIssue

/**
 * Reads what a person types at the bench: `17`, `.0175`, `0.0175in`, `17.5t`, `1 3/8`, `43um`, `0,29`, `+2`, `2 ATDC`,
 * `17/18` where a feeler is used, `64±0.5cc`, `5 in the hole`. Every way the text can be read is worked out; those that cannot
 * stand here are dropped; one left is taken, two are asked about. Never rounds, never clamps, never guesses.
 */
export function parseEntry(typed: string, context: EntryContext): ParsedEntry {
  const text = normalised(typed)
  if (text === '') return failed({ code: 'empty' })
  const [main = '', plusMinus, extra] = text.split(/±|\+\/-|\+-/)
  if (extra !== undefined) return failed({ code: 'notANumber', text: extra.trim(), at: text.lastIndexOf(extra) })
  const readings = plusMinus === undefined ? readMain(main.trim(), context) : readWithUncertainty(main.trim(), plusMinus.trim(), context)
  const marked = BARE_ANGLE.test(text) ? onWheel(readings, context) : readings
  return settle(turned(marked, context), typed.trim(), context)
}

const TURN_DEG = 360
/** Two turns of a wheel. */
const MOST_ON_WHEEL_DEG = 2 * TURN_DEG
/** An angle with neither sign nor dead centre. */
const BARE_ANGLE = /^[\d.,]+\s*°?$/

/** Everywhere a wheel shows a number: twice where it is marked to 180 either way, four times where each quarter is. */
function onWheel(readings: Readings, { wheelMarks = TURN_DEG }: EntryContext): Readings {
  if (wheelMarks === TURN_DEG || 'code' in readings) return readings
  const half = TURN_DEG / 2
  return readings.flatMap((one) => {
    if (one.value > wheelMarks) return [one]
    const places = wheelMarks === half ? [one.value, -one.value] : [one.value, -one.value, half - one.value, half + one.value]
    return places.map((value) => ({ ...one, value }))
  })
}

function turned(readings: Readings, { kind, turnsAboutDeg }: EntryContext): Readings {
  if (kind !== 'angle' || turnsAboutDeg === undefined || 'code' in readings) return readings
  // A turn or two more is the same on the wheel; what no wheel shows is a slip, not an angle.
  const isShown = ({ value }: Understood) => Math.abs(value) <= MOST_ON_WHEEL_DEG
  const nearest = (deg: number) => deg + TURN_DEG * Math.round((turnsAboutDeg - deg) / TURN_DEG)
  return readings.map((one) => (isShown(one) ? { ...one, value: nearest(one.value) } : one))
}

/** Signs, quotes and fractions as keyboards and phones write them, in one spelling each. */
function normalised(typed: string): string {
  return typed
    .replace(/[\u00A0\u2007\u2009\u202F]/g, ' ')
    .replace(/[−–‒—﹣－]/g, '-')
    .replace(/''|’’|”|″/g, '"')
    .replace(/\s+/g, ' ')
    .trim()
}

/** Nobody reads less than half a step; a little below it absorbs the conversion. */
const LEAST_OF_STEP = 0.49

/** What is left when everything that cannot stand here is dropped: in range and readable on the gauge, or else in range. */
function settle(readings: Readings, text: string, { expected, step, nominal = 0 }: EntryContext): ParsedEntry {
  if ('code' in readings) return failed(readings)
  const inRange = ({ value, upper = value }: Understood) => expected === undefined || (value >= expected.low && upper <= expected.high)
  const isReadable = ({ value, offsetUnit }: Understood) => {
    const shown = Math.abs(offsetUnit === undefined ? value : value - nominal)
    return step === undefined || shown === 0 || shown >= step * LEAST_OF_STEP
  }
  const tiers = [readings.filter((one) => inRange(one) && isReadable(one)), readings.filter(inRange), readings]
  // Outside the range nothing tells the readings apart: the first, the plainest, is taken, and the place questions it.
  const last = expected === undefined ? readings : readings.slice(0, 1)
  const left = distinct([...tiers.slice(0, 2), last].find((tier) => tier.length > 0) ?? [])
  const [only] = left
  if (!only) return failed({ code: 'notANumber', text, at: 0 })
  return left.length === 1 ? { ok: true, ...only } : failed({ code: 'ambiguous', text, readings: left })
}

function distinct(readings: readonly Understood[]): readonly Understood[] {
  const same = (a: Understood, b: Understood) => a.value === b.value && a.upper === b.upper && a.plusMinus === b.plusMinus
  return readings.filter((one, index) => readings.findIndex((other) => same(one, other)) === index)
}

/**
 * A unit behind the ± alone: a large one belongs to both numbers (`64±0.5cc`), a small one may be the uncertainty's own
 * (`83.000±2um`).
 */
function readWithUncertainty(main: string, plusMinus: string, context: EntryContext): Readings {
  const half = splitUnit(plusMinus)
  if (half.number === '') return { code: 'notANumber', text: plusMinus, at: main.length + 1 }
  if (half.number.startsWith('-')) return { code: 'negativeUncertainty', at: main.length + 1 }
  const magnitudes = numbersIn(half.number.replace(/^\+/, ''))
  if (!Array.isArray(magnitudes)) return magnitudes as NumberIssue
  const word = half.unit.toLowerCase()
  const isShare = word === '%' && !(context.unit === 'percent' && splitUnit(main).unit === '')
  if (isShare) return withHalf(readMain(main, context), ({ value }) => (Math.abs(value) * magnitudes[0]!.magnitude) / 100)
  if (CRANK_WORDS.test(word)) return withHalf(readMain(`${main} ${word}`, context), () => magnitudes[0]!.magnitude)
  const unit = word === '' ? undefined : knownUnit(half.unit, context, main.length + 1)
  if (typeof unit === 'object') return unit
  const isBare = splitUnit(main).unit === '' && !WAY.test(main)
  const mains =
    unit !== undefined && isBare ? [unit, ...(SMALL_UNITS.has(unit) && unit !== context.unit ? [context.unit] : [])] : [undefined]
  const all = mains.map((mainUnit) =>
    withHalf(readMain(main, mainUnit === undefined ? context : { ...context, unit: mainUnit }, mainUnit !== undefined), (reading) =>
      differenceToCanonical(magnitudes[0]!.magnitude, unit ?? reading.unit),
    ),
  )
  return all.find((one) => 'code' in one) ?? all.flatMap((one) => one as readonly Understood[])
}

function withHalf(readings: Readings, half: (reading: Understood) => number): Readings {
  return 'code' in readings ? readings : readings.map((reading) => ({ ...reading, plusMinus: half(reading) }))
}

const CRANK_WORDS = /^(btdc|atdc|bbdc|abdc)$/
const SMALL_UNITS: ReadonlySet<UnitId> = new Set(['um', 'hundredth', 'thou', 'tenth'])
/** Which way from nominal, or from the deck: `0.0005 under`, `5 in the hole`, `3 proud`. */
const WAY = /\s*\b(in the hole|down the hole|below deck|above deck|below|down|under(?:size)?|above|proud|out|up|over(?:size)?)$/i
const DOWN = /hole|below|down|under/i

/** `isGiven`: the unit of the context was written with the number, so that nothing else is thought of. */
function readMain(text: string, context: EntryContext, isGiven = false): Readings {
  if (FROM_NOMINAL.test(text)) return readFromNominal(text.replace(FROM_NOMINAL, ''), context)
  const way = WAY.exec(text)?.[1]
  if (way) return readWay(text.replace(WAY, ''), way, context)
  const crank = context.kind === 'angle' ? /^(.*?)\s*°?\s*(?<![a-z])(btdc|atdc|bbdc|abdc)$/i.exec(text) : null
  if (crank) return readCrank(crank[1]!.replace(/\s*(?:deg(?:rees)?)$/i, ''), crank[2]!.toLowerCase(), context)
  const spoken = GO_AND_NO_GO.exec(text)
  if (context.interval && spoken) return readMain(`${spoken[1]}/${spoken[2]}`, context, isGiven)
  if (GO_OR_NO_GO.test(text)) return { code: 'halfInterval', text }
  const interval = context.interval ? readInterval(text, context, isGiven) : undefined
  // A pair of leaves can look like a fraction: 1/64. Which of the two can stand here decides.
  if (interval && !readsAsFraction(text)) return interval
  const quantity = readQuantity(text, context, isGiven)
  if (!interval || 'code' in interval) return 'code' in quantity && interval ? interval : quantity
  return 'code' in quantity ? interval : [...interval, ...quantity]
}

/** A leaf that goes and one that does not, in words: `go 0.50 no go 0.55`; one of them alone is half of it. */
const GO_AND_NO_GO = /^go(?:es)?\s*(\S+?)\s*[,;]?\s*no[\s-]?go\s*(\S+)$/i
const GO_OR_NO_GO = /^(?:no[\s-]?)?go(?:es)?\b/i
const FROM_NOMINAL = /\s+from\s+nominal$/i

/** `+2 from nominal`, said in full; without a sign it is more. */
function readFromNominal(text: string, context: EntryContext): Readings {
  if (context.nominal === undefined || context.signed) return { code: 'unknownUnit', text: 'from nominal', at: text.length }
  return readMain(/^[+-]/.test(text) ? text : `+${text}`, context)
}

/** Below the deck is positive; anywhere else over is more than nominal and under is less. */
function readWay(text: string, way: string, context: EntryContext): Readings {
  if (text === '' || /^[+-]/.test(text)) return { code: 'notANumber', text: `${text} ${way}`.trim(), at: 0 }
  const isDown = DOWN.test(way)
  if (context.signed) return readMain(isDown ? text : `-${text}`, context)
  if (context.nominal === undefined) return { code: 'unknownUnit', text: way, at: text.length }
  return readMain(`${isDown ? '-' : '+'}${text}`, context)
}

/** Crank degrees from a dead-centre word; a negative number crosses the dead centre (−2 BTDC is 2 ATDC). */
function readCrank(text: string, word: string, { bottomCentreDeg = 180, event }: EntryContext): Readings {
  const sign = text.startsWith('-') ? -1 : 1
  const numbers = numbersIn(text.replace(/^[+-]\s*/, ''))
  if (!Array.isArray(numbers)) return numbers as NumberIssue
  const after = word.startsWith('a') ? 1 : -1
  if (event) return readEvent(numbers, { word, isAfter: after > 0, sign }, event)
  const from = word.endsWith('bdc') ? bottomCentreDeg : 0
  return numbers.map(({ magnitude }) => ({ value: from + after * sign * magnitude, unit: 'deg' }))
}

/** An event belongs to its dead centre: degrees about the other one are another event's. */
function readEvent(
  numbers: readonly TypedNumber[],
  { word, isAfter, sign }: { word: string; isAfter: boolean; sign: number },
  { centre, side }: DeadCentre,
): Readings {
  if (!word.endsWith(centre)) return { code: 'otherCentre', text: word, wanted: centre }
  const own = isAfter === (side === 'after') ? sign : -sign
  return numbers.map(({ magnitude }) => ({ value: own * magnitude, unit: 'deg' }))
}

function readInterval(text: string, context: EntryContext, isGiven: boolean): Readings | undefined {
  const match = /^([^/-]+?)\s*(?:\/|-|\bto\b)\s*([^/-]+)$/i.exec(text)
  if (!match) return undefined
  const [low, high] = [splitUnit(match[1]!.trim()), splitUnit(match[2]!.trim())]
  if (low.number === '' || high.number === '' || /\s/.test(low.number)) return undefined
  // A unit behind the second leaf belongs to both.
  const word = low.unit || high.unit
  const own = { ...context, interval: false, nominal: undefined }
  const [from, to] = [
    readQuantity(`${low.number} ${word}`, own, isGiven),
    readQuantity(`${high.number} ${high.unit || word}`, own, isGiven),
  ]
  if ('code' in from) return from
  if ('code' in to) return to
  const pairs = from.flatMap((lower) =>
    to
      .filter(({ unit }) => word !== '' || unit === lower.unit)
      .map((upper) => ({ value: lower.value, upper: upper.value, unit: lower.unit })),
  )
  const inOrder = pairs.filter(({ value, upper }) => upper > value)
  return inOrder.length > 0 ? inOrder : { code: 'intervalOrder', low: pairs[0]?.value ?? 0, high: pairs[0]?.upper ?? 0 }
}

function readQuantity(text: string, context: EntryContext, isGiven: boolean): Readings {
  const { sign, number, unit: word } = splitSign(text)
  if (number === '') return { code: 'notANumber', text, at: 0 }
  const numbers = numbersIn(number)
  if (!Array.isArray(numbers)) return numbers as NumberIssue
  const named = word === '' ? undefined : knownUnit(word, context, text.length - word.length)
  if (typeof named === 'object') return named
  const isOffset = sign !== '' && !context.signed && context.nominal !== undefined
  const unitsOf = (typed: TypedNumber): readonly UnitId[] => {
    if (named !== undefined) return [named]
    if (isGiven) return [context.unit]
    return isOffset ? offsetUnits(typed, context) : bareUnits(typed, context)
  }
  const all = numbers.flatMap((typed) =>
    unitsOf(typed).map((unit): Understood => {
      const signed = sign === '-' ? -typed.magnitude : typed.magnitude
      return isOffset
        ? { value: context.nominal! + differenceToCanonical(signed, unit), unit, offsetUnit: unit }
        : { value: toCanonical(signed, unit), unit }
    }),
  )
  return all.every(({ value }) => Number.isFinite(value) && Math.abs(value) < 1e12) ? all : { code: 'tooLarge', text }
}

const EXPONENT = String.raw`(?:e[+-]?\d+)?`
/** `1/2`, or behind whole inches ` 1/2` and `-1/2`. */
const FRACTION = String.raw`(?:[\s-]+\d+\s*\/\s*\d+|\s*\/\s*\d+)?`
const NUMBER = String.raw`(?:\d[\d.,]*${EXPONENT}${FRACTION}|[.,]\d+${EXPONENT})?`
const NUMBER_AND_UNIT = new RegExp(String.raw`^([+-]?\s*${NUMBER}\s*[¼½¾⅓⅔⅛⅜⅝⅞]?)\s*(.*)$`, 'is')

/** The number in front and the unit behind it. */
function splitUnit(text: string): { number: string; unit: string } {
  const match = NUMBER_AND_UNIT.exec(text)
  return { number: (match?.[1] ?? '').trim(), unit: (match?.[2] ?? '').trim() }
}

function splitSign(text: string): { sign: string; number: string; unit: string } {
  const { number, unit } = splitUnit(text)
  const sign = /^[+-]/.exec(number)?.[0] ?? ''
  return { sign, number: number.slice(sign.length).trim(), unit }
}

/** @returns the unit a word names, of the kind wanted here, or what is wrong with it. */
function knownUnit(word: string, context: EntryContext, at: number): UnitId | EntryIssue {
  const unit = findUnit(word, context.kind)
  if (unit === undefined) return { code: /^[\d/.,]/.test(word) ? 'notANumber' : 'unknownUnit', text: word, at }
  return UNITS[unit].kind === context.kind ? unit : { code: 'wrongKind', text: word, at, wanted: context.kind, got: UNITS[unit].kind }
}

/** No metal grows this little a million kelvin-parts: a smaller bare number is written per kelvin, 0.000012. */
const LEAST_PER_MK = 0.01

/** The units a bare number can be meant in, the likeliest first. */
function bareUnits({ magnitude, decimals, isFraction, isPointed }: TypedNumber, { unit, expected }: EntryContext): readonly UnitId[] {
  switch (unit) {
    case 'perMK':
      return [magnitude < LEAST_PER_MK ? 'perK' : 'perMK']
    // A share of a half is written 0.5 by some and 50 by others.
    case 'percent':
      return magnitude <= 1 ? ['percent', 'one'] : ['percent']
    case 'thou': {
      // No gauge shows thousandths of a thou: three decimals, or a fraction, are inches.
      if (decimals >= 3 || (isFraction && magnitude < 1)) return ['in']
      return isPointed && (expected !== undefined || decimals === 2) ? ['thou', 'in'] : ['thou']
    }
    // Nobody writes a millimetre in sixty-fourths; where both can be it is asked.
    case 'mm':
      return isFraction ? ['in', 'mm'] : ['mm']
    default:
      return [unit]
  }
}

/** From nominal one says the small units: +3 on an inch bore is thou or tenths, on a metric one hundredths or microns. */
function offsetUnits({ isFraction }: TypedNumber, { unit, offsetUnit, expected }: EntryContext): readonly UnitId[] {
  if (isFraction && (unit === 'mm' || unit === 'in')) return ['in']
  if (offsetUnit !== undefined) return [offsetUnit]
  if (expected === undefined) return [unit]
  if (unit === 'in') return ['in', 'thou', 'tenth']
  return unit === 'mm' ? ['mm', 'hundredth', 'um'] : [unit]
}

function failed(issue: EntryIssue): ParsedEntry {
  return { ok: false, issue }
}
