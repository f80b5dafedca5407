import { differenceWords } from '../figures'
import type { ChangeWords, CostWords, RemarkWords } from '../vocabulary'

export const REMARKS = {
  narrowBeside: ({ side, byMm }, shown, system) =>
    `Narrower ${side} of the vertical by ${differenceWords(byMm, shown, system)}: is the cap where it belongs?`,
  shellsPlanned: ({ upper, lower }) => `Upper ${upper}, cap ${lower}.`,
} satisfies Partial<RemarkWords>

export const CHANGES = {
  shells: ({ kind, lands, pairs }) => {
    const byPair = new Map<string, number[]>()
    for (const { number, upper, lower } of pairs) {
      const pair = upper === lower ? upper : `${upper} above, ${lower} in the cap`
      byPair.set(pair, [...(byPair.get(pair) ?? []), number])
    }
    const fewestFirst = [...byPair].sort(([, a], [, b]) => a.length - b.length)
    const words = fewestFirst.map(([pair, numbers], index) =>
      index > 0 && index === fewestFirst.length - 1 ? `the others ${pair}` : `${numbers.join(', ')} ${pair}`,
    )
    return `${kind === 'main' ? 'Main' : 'Rod'} shells${lands ? '' : ' (nearest there is)'}: ${words.join('; ')}`
  },
} satisfies Partial<ChangeWords>

export const COSTS = {
  buyHalves: ({ halves, name }) => `buy ${halves} ${halves === 1 ? 'half' : 'halves'} ${name}`,
  fromShelf: () => 'all on the shelf',
} satisfies Partial<CostWords>
