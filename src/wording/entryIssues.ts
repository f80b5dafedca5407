import { CANONICAL_UNIT, formatKnown, joinUnit, UNITS, type EntryIssue, type Slip, type Understood, type UnitId } from '@/core/units'

/** Why a typed number was not understood, and what to do. */
export function entryIssueWords(issue: EntryIssue, unit: UnitId): string {
  switch (issue.code) {
    case 'empty':
      return 'Nothing typed yet.'
    case 'notANumber':
      return `“${issue.text}” is not a number. Type as on the gauge: ${joinUnit('0.11', unit)}, 3 3/4, 43um.`
    case 'unknownUnit':
      return `“${issue.text}” is no unit known here.`
    case 'wrongKind':
      return `“${issue.text}” measures ${issue.got}; this place wants ${issue.wanted}.`
    case 'tooLarge':
      return `“${issue.text}” is too large for any part.`
    case 'ambiguous':
      return `“${issue.text}” can be ${orWords(issue.readings.map((one) => understoodWords(one)))}. Type it with the unit.`
    case 'zeroDenominator':
      return 'A fraction over nothing.'
    case 'intervalOrder':
      return 'The leaf that goes comes first: goes/does not go, as 24/25.'
    case 'halfInterval':
      return `“${issue.text}” is half of it: the leaf that goes and the one that does not, as 0.50/0.55.`
    case 'negativeUncertainty':
      return 'The ± is a size, never negative.'
    case 'otherCentre':
      return `“${issue.text}” counts from the other dead centre: here it is before or after ${issue.wanted.toUpperCase()}.`
  }
}

/** One way to read a text: "0.017 in to 0.018 in", "83 mm ±0.1 thou". */
function understoodWords({ value, upper, unit, offsetUnit }: Understood): string {
  const low = joinUnit(
    formatKnown(value, offsetUnit ? CANONICAL_UNIT[UNITS[unit].kind] : unit),
    offsetUnit ? CANONICAL_UNIT[UNITS[unit].kind] : unit,
  )
  const high = upper === undefined ? '' : ` to ${joinUnit(formatKnown(upper, unit), unit)}`
  return `${low}${high}${offsetUnit ? ` (in ${UNITS[offsetUnit].symbol})` : ''}`
}

function orWords(words: readonly string[]): string {
  return words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`
}

const SLIP_WORDS: Readonly<Record<Slip['code'], string>> = {
  decimalPoint: 'decimal point?',
  inchForMm: 'inches read as mm?',
  mmForInch: 'mm read as inches?',
  thouForMm: 'thou read as mm?',
  mmForThou: 'mm read as thou?',
  thouForInch: 'thou read as inches?',
  inchForThou: 'inches read as thou?',
  sign: 'wrong sign?',
  dialTurn: 'dial read one turn off?',
  fromNominal: 'meant from nominal?',
}

export function slipWords(slip: Slip): string {
  return SLIP_WORDS[slip.code]
}
