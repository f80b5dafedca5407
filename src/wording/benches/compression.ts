import { differenceWords, figureWords } from '../figures'
import { counted, IN_WORDS, type ChangeWords, type CostWords, type RemarkWords } from '../vocabulary'

export const REMARKS = {
  oddOneOut: ({ others }, shown, system, { output }) => {
    const sits =
      output === 'compression.deckClearance'
        ? 'Look at rod, pin height or piston of this one, not the block.'
        : 'Measure this one again before cutting.'
    return `The others are at ${figureWords(others.value, shown, system)}. ${sits}`
  },
  repeatsDisagree: ({ apart }, shown, system) =>
    `The fills are ${differenceWords(apart.value.value, shown, system)} apart, more than the gauge allows: a bubble or a drip?`,
} satisfies Partial<RemarkWords>

export const CHANGES = {
  lookAgain: ({ cylinder, output }) =>
    `Measure cylinder ${cylinder} again: ${output === 'compression.deckClearance' ? 'piston, pin and rod' : 'chamber'}`,
  setup: ({ gasket, piston, deckCutMm, headCutMm, equalise }, system) => {
    const parts = [`Gasket ${gasket.name}`]
    if (piston) parts.push(piston.name)
    if (deckCutMm > 0) parts.push(`deck −${differenceWords(deckCutMm, IN_WORDS.length, system)}`)
    if (headCutMm > 0) parts.push(`head −${differenceWords(headCutMm, IN_WORDS.length, system)}`)
    if (equalise) parts.push('chambers opened alike')
    return parts.join(', ')
  },
  openChambers: ({ byCylinder }, system) => {
    const most = Math.max(...byCylinder.values())
    return `Open chambers ${[...byCylinder.keys()].join(', ')} by up to ${differenceWords(most, IN_WORDS.volume, system)}`
  },
} satisfies Partial<ChangeWords>

export const COSTS = {
  valvesCloser: ({ mm }, system) => `valves ${differenceWords(mm, IN_WORDS.length, system)} closer`,
  metal: ({ mm }, system) => `${differenceWords(mm, IN_WORDS.length, system)} of metal`,
  newPistons: () => 'new pistons',
  grinding: ({ cylinders }) => `${counted(cylinders, 'chamber', 'chambers')} to grind`,
  spreadStays: () => 'spread stays',
} satisfies Partial<CostWords>
