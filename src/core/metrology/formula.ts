import type { Kind } from '../units'
import { paperNumber, statedNumber } from './gaugeUncertainty'
import { exactly, propagate, standardUncertainty, weighted, type Uncertain } from './uncertain'

/** Where a number came from, so that any result opens down to the readings. */
export type Origin =
  | { readonly from: 'reading'; readonly readingId: string; readonly stationId: string }
  | { readonly from: 'paper'; readonly key: string; readonly source: string; readonly exact: boolean }
  | { readonly from: 'stock'; readonly id: string; readonly name: string; readonly source: string }
  | { readonly from: 'typed'; readonly name: string }
  | { readonly from: 'assumed'; readonly name: string; readonly source: string }
  | { readonly from: 'leftOut' }
  | { readonly from: 'sum'; readonly sum: Sum }

/** A number with its uncertainty and its origin. */
export interface Figure {
  readonly value: Uncertain
  readonly origin: Origin
}

interface Labelled {
  readonly label: string
  readonly kind: Kind
}

/** What a formula says of itself, without its code. */
export interface FormulaText {
  readonly id: string
  readonly title: string
  /** The formula as a builder would write it. */
  readonly expression: string
  /** Published source, "common practice", or "from memory". */
  readonly source: string
  readonly kind: Kind
}

/** One derivation as data: the formula, the numbers put in, where each came from and how much of the uncertainty it owns. */
export interface Sum {
  readonly formula: FormulaText
  readonly terms: readonly Term[]
}

export interface Term extends Labelled {
  readonly name: string
  readonly figure: Figure
  /** Uncertainty of the result if this term alone were uncertain, in the result's unit. */
  readonly effectU: number
}

export interface Formula<Name extends string> extends FormulaText {
  readonly inputs: Readonly<Record<Name, Labelled>>
  /** The bare arithmetic on canonical units. */
  readonly evaluate: (values: Readonly<Record<Name, number>>) => number
  /** The arithmetic with uncertainty and derivation. */
  readonly of: (figures: Readonly<Record<Name, Figure>>) => Figure
}

/** Makes a formula of its text and its arithmetic: the one shape every derivation has. */
export function formula<Name extends string>(
  definition: FormulaText & {
    readonly inputs: Readonly<Record<Name, Labelled>>
    readonly evaluate: (values: Readonly<Record<Name, number>>) => number
  },
): Formula<Name> {
  const names = Object.keys(definition.inputs) as Name[]
  const { inputs, evaluate, ...text } = definition
  return {
    ...definition,
    of(figures) {
      const values = {} as Record<Name, Uncertain>
      for (const name of names) values[name] = figures[name].value
      const value = propagate(evaluate, values)
      return { value, origin: { from: 'sum', sum: new LazySum(text, () => termsOf(names, inputs, figures, evaluate)) } }
    },
  }
}

function termsOf<Name extends string>(
  names: readonly Name[],
  inputs: Readonly<Record<Name, Labelled>>,
  figures: Readonly<Record<Name, Figure>>,
  evaluate: (at: Record<Name, number>) => number,
): Term[] {
  const at = {} as Record<Name, number>
  for (const name of names) at[name] = figures[name].value.value
  return names.map((name) => {
    const figure = figures[name]
    return { name, ...inputs[name], figure, effectU: effectOf(name, evaluate, at, standardUncertainty(figure.value)) }
  })
}

/** A derivation whose terms are worked out when somebody opens it: few ever are. */
class LazySum implements Sum {
  private worked: readonly Term[] | undefined

  constructor(
    readonly formula: FormulaText,
    private readonly work: () => readonly Term[],
  ) {}

  get terms(): readonly Term[] {
    return (this.worked ??= this.work())
  }
}

function effectOf<Name extends string>(
  name: Name,
  evaluate: (at: Record<Name, number>) => number,
  at: Record<Name, number>,
  u: number,
): number {
  if (u === 0) return 0
  return Math.abs(evaluate({ ...at, [name]: at[name] + u }) - evaluate({ ...at, [name]: at[name] - u })) / 2
}

/** A weighted sum of like figures (mean of places, difference of two levels) as a derivation of its own. */
export function resultOf(text: FormulaText, terms: readonly { label: string; weight: number; figure: Figure }[]): Figure {
  const value = weighted(
    terms,
    ({ weight }) => weight,
    ({ figure }) => figure.value,
  )
  const sumTerms = () =>
    terms.map(({ label, weight, figure }, index): Term => ({
      name: `x${index + 1}`,
      label,
      kind: text.kind,
      figure,
      effectU: Math.abs(weight) * standardUncertainty(figure.value),
    }))
  return { value, origin: { from: 'sum', sum: new LazySum(text, sumTerms) } }
}

/**
 * How far two like figures stand apart, never negative: the larger less the smaller, so that the uncertainty of both stays also
 * where they are the same (an absolute value would lose it there).
 */
export function apart(text: FormulaText, one: { label: string; figure: Figure }, other: { label: string; figure: Figure }): Figure {
  const [larger, smaller] = one.figure.value.value >= other.figure.value.value ? [one, other] : [other, one]
  return resultOf(text, [
    { label: larger.label, weight: 1, figure: larger.figure },
    { label: smaller.label, weight: -1, figure: smaller.figure },
  ])
}

/** A figure picked as the extreme of several, with what the picking adds to its uncertainty. */
export function asExtreme(figure: Figure, u: number): Figure {
  if (u === 0) return figure
  const { value, components } = figure.value
  // Named after what was picked: two figures picked from other readings share nothing by it.
  const id = `selection:${components
    .map((component) => component.source.id)
    .join('+')
    .slice(0, 200)}`
  return { origin: figure.origin, value: { value, components: [...components, { source: { id, owner: 'selection', dof: Infinity }, u }] } }
}

/** A number from a maker's sheet; `name` tells one piece's tolerance from another's. */
export function paperFigure(name: string, paper: { value: number; tolerance?: number; source: string }, key = name): Figure {
  return {
    value: paperNumber(name, paper.value, paper.tolerance),
    origin: { from: 'paper', key, source: paper.source, exact: !paper.tolerance },
  }
}

/** A number typed into a quick sum. */
export function statedFigure(name: string, value: number, plusMinus?: number): Figure {
  return { value: statedNumber(name, value, plusMinus), origin: { from: 'typed', name } }
}

/** A constant of a model, with the uncertainty the model's source gives it. */
export function assumedFigure(name: string, assumed: { value: number; tolerance: number; source: string }): Figure {
  return { value: paperNumber(name, assumed.value, assumed.tolerance), origin: { from: 'assumed', name, source: assumed.source } }
}

/** A part of a sum that nothing was said of: zero, and shown as left out. */
export function leftOut(): Figure {
  return { value: exactly(0), origin: { from: 'leftOut' } }
}
