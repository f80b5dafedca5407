import { asExtreme, resultOf, selectionU, type Figure } from '../metrology'

/** The smallest of several figures, as a choice that opens to all of them. */
export function smallestOf(title: string, figures: readonly { readonly label: string; readonly figure: Figure }[]): Figure {
  const ranked = [...figures].sort((a, b) => a.figure.value.value - b.figure.value.value)
  const text = { id: 'smallest', title, kind: 'length', expression: 'the smallest one read', source: 'definition' } as const
  const { origin } = resultOf(
    text,
    ranked.map(({ label, figure: one }, index) => ({ label, figure: one, weight: index === 0 ? 1 : 0 })),
  )
  const figure = { value: ranked[0]!.figure.value, origin }
  return asExtreme(
    figure,
    selectionU(
      'smallest',
      figures.map(({ figure: one }) => one.value),
      figure.value,
    ),
  )
}

/** The one furthest from zero of several differences, each with its uncertainty, as a choice among them. */
export function largestOf(figures: readonly Figure[]): Figure | undefined {
  const [largest] = [...figures].sort((a, b) => b.value.value - a.value.value)
  return (
    largest &&
    asExtreme(
      largest,
      selectionU(
        'largestSize',
        figures.map(({ value }) => value),
        largest.value,
      ),
    )
  )
}
