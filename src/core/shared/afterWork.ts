import { exactly, resultOf, type Figure } from '../metrology'
import type { Kind } from '../units'

/** A measured figure as it would be after work: the uncertainty of what was measured stays, the work is taken as it is set. */
export function afterWork(figure: Figure, by: number | undefined, kind: Kind, label: string): Figure {
  if (!by) return figure
  return resultOf({ id: 'afterWork', title: 'After the work', kind, expression: 'measured + change', source: 'definition' }, [
    { label: 'Measured', weight: 1, figure },
    { label, weight: 1, figure: { value: exactly(by), origin: { from: 'typed', name: label } } },
  ])
}
