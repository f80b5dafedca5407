import { standardUncertainty, type Figure } from '@/core/metrology'
import { CANONICAL_UNIT, UNITS } from '@/core/units'

/** The derivation of a figure as plain data, down to what was typed. */
export function sumOf(figure: Figure): object {
  const { origin, value } = figure
  if (origin.from !== 'sum') return { from: origin }
  const { formula, terms } = origin.sum
  return {
    formula: formula.expression,
    source: formula.source,
    terms: Object.fromEntries(
      terms.map((term) => [
        term.name,
        {
          label: term.label,
          value: term.figure.value.value,
          unit: UNITS[CANONICAL_UNIT[term.kind]].symbol || '1',
          u: standardUncertainty(term.figure.value),
          shareOfUncertainty:
            standardUncertainty(value) === 0 ? 0 : term.effectU ** 2 / terms.reduce((sum, one) => sum + one.effectU ** 2, 0),
          ...sumOf(term.figure),
        },
      ]),
    ),
  }
}
