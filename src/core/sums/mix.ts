import { linear, standardUncertainty, type Figure } from '../metrology'
import { impossible, type QuickSum, type SumResult } from '../bench/quickSum'

const VOLUME = { metric: 'cm3', inch: 'in3' } as const
/** A bottle that is shaken is not filled to its neck (common practice). */
const USUAL_SHARE = 0.9

/** `4 engine oil, 2 moly paste, 1 additive`: how many parts of what, in the order they are poured. */
export function partsOfMix(text: string): readonly { readonly parts: number; readonly of: string }[] | undefined {
  const each = text.split(/(?<!\d),\s*|,\s+|;|\n/).map((one) => /^(\d+(?:[.,]\d+)?)\s+(?:parts?\s+(?:of\s+)?)?(.+)$/i.exec(one.trim()))
  if (each.some((one) => one === null)) return undefined
  const read = each.map((one) => ({ parts: Number(one![1]!.replace(',', '.')), of: one![2]!.trim() }))
  return read.every(({ parts }) => parts > 0) ? read : undefined
}

export const mix: QuickSum = {
  id: 'mix',
  title: 'Mix by parts',
  question: 'How much of each goes into this bottle, and up to which line?',
  inputs: {
    bottle: { label: 'Bottle holds', kind: 'volume', units: VOLUME, required: true, example: '500' },
    parts: {
      label: 'Parts by volume, in pouring order',
      kind: 'words',
      units: VOLUME,
      required: true,
      example: '4 engine oil; 2 moly paste; 1 additive',
    },
    share: {
      label: 'Filled to, of the whole (0.9)',
      kind: 'ratio',
      units: { metric: 'one', inch: 'one' },
      required: false,
      example: '0.9',
    },
  },
  evaluate({ figures, names }) {
    const { bottle, share } = figures
    if (!bottle) throw new Error('mix: a required input was not checked')
    const parts = partsOfMix(names.parts!)
    if (!parts) return impossible('is how many parts of what, with a comma between: 4 engine oil, 1 moly paste', 'parts')
    const full = share?.value.value ?? USUAL_SHARE
    if (!(full > 0 && full <= 1)) return impossible('is more than nothing and no more than the whole, 1', 'share')
    const total = parts.reduce((sum, one) => sum + one.parts, 0)
    let poured = 0
    return {
      ok: true,
      results: parts.flatMap((one, index): SumResult[] => {
        poured += one.parts
        const result = (id: string, label: string, of: number): SumResult => ({
          id: `${id}${index + 1}`,
          label,
          kind: 'volume',
          figure: shareOf(bottle, (full * of) / total, label),
        })
        return [result('pour', one.of, one.parts), ...(index > 0 ? [result('line', `filled to, with ${one.of}`, poured)] : [])]
      }),
    }
  },
}

function shareOf(bottle: Figure, factor: number, title: string): Figure {
  const formula = {
    id: 'mixShare',
    title,
    kind: 'volume',
    expression: 'bottle × filled to × parts / all parts',
    source: 'Parts by volume',
  } as const
  return {
    value: linear([[factor, bottle.value]]),
    origin: {
      from: 'sum',
      sum: {
        formula,
        terms: [
          { name: 'bottle', label: 'Bottle holds', kind: 'volume', figure: bottle, effectU: factor * standardUncertainty(bottle.value) },
        ],
      },
    },
  }
}
