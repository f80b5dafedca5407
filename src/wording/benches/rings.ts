import { differenceWords, plainWords } from '../figures'
import { IN_WORDS, type ChangeWords, type CostWords, type RemarkWords } from '../vocabulary'

const RING_WORDS = { top: 'top ring', second: 'second ring', upperRail: 'oil rail', lowerRail: 'oil rail' } as const

export const REMARKS = {
  filedSince: ({ places }) =>
    places === 1
      ? 'Filed since one other place was read: read it again.'
      : `Filed since ${places} other places were read: read them again.`,
} satisfies Partial<RemarkWords>

export const CHANGES = {
  file: ({ ring, cylinder, mm, toMm }, system) => {
    const by = `${differenceWords(mm, IN_WORDS.fineLength, system)}, to ${plainWords(toMm, IN_WORDS.fineLength, system)}`
    return `File the ${RING_WORDS[ring]} of cylinder ${cylinder} by ${by}; a little at a time, one end only, square, deburred`
  },
  swapRings: ({ ring, after }) =>
    `${RING_WORDS[ring]} into other bores: ${after.map((from, index) => `bore ${index + 1} takes ${from}’s`).join(', ')}`,
} satisfies Partial<ChangeWords>

export const COSTS = {} satisfies Partial<CostWords>
