/** Several papers that say different things of one number: kept side by side, one of them counts, and why. */
import { WORDS_OF_PAPER } from './paper'
import type { PaperNumber, Spec } from './types'

export type OtherPaper = NonNullable<PaperNumber['others']>[number]
type Word = OtherPaper['word']

export interface PaperConflict {
  /** Those that say something else than the one that counts. */
  readonly others: readonly OtherPaper[]
  /** The one whose word outranks that of the one that counts. */
  readonly outranks?: OtherPaper
  /** Somebody said why this one counts. */
  readonly isSettled: boolean
}

/** A maker's sheet before a preset, a preset before what somebody said. */
const rank = (word: Word = 'maker') => WORDS_OF_PAPER.indexOf(word)

/** What contradicts a number; nothing where all papers say the same. */
export function paperConflict({ value, tolerance = 0, others = [], word, reason = '' }: PaperNumber): PaperConflict | undefined {
  // Written with so many digits, two papers say the same where they differ by less than the last of them.
  const differing = others.filter((other) => Math.abs(other.value - value) > Math.max(tolerance, Math.abs(value) * 1e-9))
  if (differing.length === 0) return undefined
  const [best] = differing.toSorted((a, b) => rank(a.word) - rank(b.word))
  return { others: differing, ...(rank(best!.word) < rank(word) && { outranks: best! }), isSettled: reason.trim() !== '' }
}

/** The number with another paper beside it. @param other canonical unit, as the number itself */
export function withOtherPaper(number: PaperNumber, other: OtherPaper): PaperNumber {
  return { ...number, others: [...(number.others ?? []), other] }
}

/** The number as another paper has it; what counted until then stands beside it. The tolerance goes: it was of the other paper. */
export function takingOther(number: PaperNumber, index: number, reason: string): PaperNumber {
  const taken = number.others?.[index]
  if (!taken) return number
  const { value, unit, source, word = 'maker' } = number
  const others = number.others!.map((other, at) => (at === index ? { value, unit, source, word } : other))
  return { value: taken.value, unit: taken.unit as PaperNumber['unit'], source: taken.source, word: taken.word, reason, others }
}

/** Numbers on paper that contradict each other, and that nobody has settled. */
export function unsettledPaper(paper: Spec['paper']): readonly string[] {
  return Object.entries(paper).flatMap(([key, number]) => {
    const conflict = number && paperConflict(number as PaperNumber)
    return conflict && !conflict.isSettled ? [key] : []
  })
}
