import { exactly, resultOf, type Figure } from '../../metrology'
import type { CardNumber, Combination } from './camCard'

const COMMON = 'common practice'

/** The numbers of a card as they are called on one. */
export const CARD_LABELS: Readonly<Record<CardNumber, string>> = {
  io: 'Intake opens, BTDC',
  ic: 'Intake closes, ABDC',
  eo: 'Exhaust opens, BBDC',
  ec: 'Exhaust closes, ATDC',
  intakeDuration: 'Intake duration',
  exhaustDuration: 'Exhaust duration',
  icl: 'Intake centreline, ATDC',
  ecl: 'Exhaust centreline, BTDC',
  lsa: 'Lobe separation',
  advance: 'Advance',
  overlap: 'Overlap',
}

/** A number of the card that follows from others, with its sum. */
export function cardFigure(name: CardNumber, { of, constant }: Combination, read: ReadonlyMap<CardNumber, Figure>): Figure {
  const own = read.get(name)
  if (own && of.size === 1 && of.get(name) === 1) return own
  const parts = [...of].map(([one, weight]) => `${weight} · ${CARD_LABELS[one]}`)
  const expression = [...parts, ...(constant === 0 ? [] : [constant])].join(' + ')
  const text = { id: name, title: CARD_LABELS[name], kind: 'angle', expression, source: COMMON } as const
  const terms = [...of].map(([one, weight]) => ({ label: CARD_LABELS[one], weight, figure: read.get(one)! }))
  return resultOf(
    text,
    constant === 0
      ? terms
      : [
          ...terms,
          { label: 'Dead centres apart', weight: 1, figure: { value: exactly(constant), origin: { from: 'typed', name: 'dead centres' } } },
        ],
  )
}
