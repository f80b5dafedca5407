import { differenceWords, figureWords } from '../figures'
import { counted, IN_WORDS, type ChangeWords, type CostWords, type RemarkWords } from '../vocabulary'

export const REMARKS = {
  pistonMarked: ({ mark }) => `With the piston marked ${mark}.`,
  ringOnTaper: ({ ring, gauge, agrees }, shown, system) => {
    const said = `The ring gaps say ${figureWords(ring.value, shown, system)}`
    if (agrees) return `${said}, which agrees.`
    return `${said}, the bore gauge ${figureWords(gauge.value, shown, system)}: one of the two is off, measure again.`
  },
} satisfies Partial<RemarkWords>

export const CHANGES = {
  swapPistons: ({ pistonInBore }) =>
    `Pistons into other bores: ${pistonInBore.map((mark, index) => `bore ${index + 1} takes ${mark}`).join(', ')}`,
  hone: ({ byCylinder }, system) =>
    `Hone ${[...byCylinder].map(([cylinder, mm]) => `bore ${cylinder} by ${differenceWords(mm, IN_WORDS.fineLength, system)}`).join(', ')}`,
} satisfies Partial<ChangeWords>

export const COSTS = { honing: ({ cylinders }) => `${counted(cylinders, 'bore', 'bores')} on the hone` } satisfies Partial<CostWords>
