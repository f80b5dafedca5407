/** A bare number as it was typed, without sign and unit. */
export interface TypedNumber {
  readonly magnitude: number
  readonly decimals: number
  readonly isFraction: boolean
  /** Written with nothing, or a zero, before the point: .01, 0.5. */
  readonly isPointed: boolean
}

/** Why a text is no number; `at` is the place in the text. */
export type NumberIssue =
  | { readonly code: 'notANumber'; readonly text: string; readonly at: number }
  | { readonly code: 'tooLarge'; readonly text: string }
  | { readonly code: 'zeroDenominator'; readonly at: number }

const FRACTIONS: Readonly<Record<string, number>> = {
  '¼': 0.25,
  '½': 0.5,
  '¾': 0.75,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
  '⅛': 0.125,
  '⅜': 0.375,
  '⅝': 0.625,
  '⅞': 0.875,
}
const MIXED = /^(?:(\d+)[\s-]+)?(\d+)\s*\/\s*(\d+)$/
const SIGN_OF_FRACTION = /^(\d*)\s*([¼½¾⅓⅔⅛⅜⅝⅞])$/
/** A point with nothing behind it yet is a number on its way: 83. is 83. */
const DECIMAL = /^(\d*)(?:[.,](\d*))?(e[+-]?\d{1,3})?$/i
/** A comma with three figures behind it may divide thousands. */
const GROUPED = /^[1-9]\d{0,2},\d{3}$/

/** Every number a text can be: one, or two where a comma may be a decimal or divide thousands. */
export function numbersIn(text: string): readonly TypedNumber[] | NumberIssue {
  const mixed = MIXED.exec(text)
  if (mixed) {
    const [, whole = '0', top = '', bottom = ''] = mixed
    if (Number(bottom) === 0) return { code: 'zeroDenominator', at: text.indexOf('/') + 1 }
    return [{ magnitude: Number(whole) + Number(top) / Number(bottom), decimals: 0, isFraction: true, isPointed: false }]
  }
  const sign = SIGN_OF_FRACTION.exec(text)
  if (sign) return [{ magnitude: Number(sign[1] || 0) + FRACTIONS[sign[2]!]!, decimals: 0, isFraction: true, isPointed: false }]
  const decimal = DECIMAL.exec(text)
  if (!decimal || text === '' || /^[.,]?$/.test(text) || (decimal[1] === '' && !decimal[2])) return { code: 'notANumber', text, at: 0 }
  const [, whole = '', part = '', exponent] = decimal
  const magnitude = Number(text.replace(',', '.'))
  if (!Number.isFinite(magnitude)) return { code: 'tooLarge', text }
  const plain: TypedNumber = {
    magnitude,
    decimals: exponent ? 0 : part.length,
    isFraction: false,
    isPointed: part !== '' && Number(whole || 0) === 0,
  }
  return GROUPED.test(text) ? [plain, { ...plain, magnitude: Number(text.replace(',', '')), decimals: 0 }] : [plain]
}

/** Whether a text can be a fraction of the workshop: over 2, 4, 8 … 128, and less than one whole. */
export function readsAsFraction(text: string): boolean {
  const match = /^(?:\d+[\s-]+)?(\d+)\s*\/\s*(\d+)\b/.exec(text)
  const [top, bottom] = [Number(match?.[1]), Number(match?.[2])]
  return match !== null && top < bottom && bottom <= 128 && Number.isInteger(Math.log2(bottom))
}
