/** What the inputs of quick sums have in common: a length, a mass, what a material grows by. */
import type { Expansion } from '../geometry/materials'
import { assumedFigure, type Figure } from '../metrology'
import type { Given, SumInput } from './quickSum'

const BIG = { metric: 'mm', inch: 'in' } as const
export const SMALL = { metric: 'mm', inch: 'thou' } as const
const GRAMS = { metric: 'g', inch: 'g' } as const
export const HEAT = { metric: 'degC', inch: 'degF' } as const
const GROWS = { metric: 'perMK', inch: 'perMK' } as const

export const length = (label: string, example: string, more: Partial<SumInput> = {}): SumInput => ({
  label,
  kind: 'length',
  units: BIG,
  required: true,
  example,
  ...more,
})
export const grows = (label: string, example: string): SumInput => ({
  label: `${label}, ×10⁻⁶/K`,
  kind: 'expansion',
  units: GROWS,
  required: false,
  example,
})
export const mass = (label: string, example: string, required = true): SumInput => ({
  label,
  kind: 'mass',
  units: GRAMS,
  required,
  example,
})

/** A given input, or the usual value of a material with its uncertainty. */
export function orUsual(figures: Given['figures'], name: string, { label, perK, tolerancePerK }: Expansion): Figure {
  return figures[name] ?? assumedFigure(`${name}: ${label}`, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
}

/** The figures of required inputs, which `computeSum` has checked. */
export function given<Name extends string>(figures: Given['figures'], ...names: Name[]): Record<Name, Figure> {
  return Object.fromEntries(names.map((name) => [name, figures[name]!])) as Record<Name, Figure>
}
