import { differenceWords } from '../figures'
import { IN_WORDS, type ChangeWords, type CostWords, type RemarkWords } from '../vocabulary'

export const REMARKS = {
  rodsOnPin: ({ cylinders }) => `Rods ${cylinders.join(' and ')} on one pin.`,
  stackOwn: () => 'This one alone: look at its rod, its throw or its piston.',
  stackShared: () => 'All alike: block height, stroke or compression height on paper is not what is there.',
} satisfies Partial<RemarkWords>

export const CHANGES = {
  pairMasses: ({ setOnRod, fromG, toG }, system) => {
    const moves = setOnRod.map((mark, index) => `rod ${index + 1} takes ${mark}`)
    const spread = `spread from ${differenceWords(fromG, IN_WORDS.mass, system)} to ${differenceWords(toG, IN_WORDS.mass, system)}`
    return `Piston sets onto other rods: ${moves.join(', ')}; ${spread}`
  },
  lighten: ({ byCylinder }, system) => {
    const off = [...byCylinder].map(([cylinder, grams]) => `${differenceWords(grams, IN_WORDS.mass, system)} at cylinder ${cylinder}`)
    return `Take off ${off.join(', ')}`
  },
} satisfies Partial<ChangeWords>

export const COSTS = { otherBores: () => 'piston to wall changes with the bore' } satisfies Partial<CostWords>
