import type { Component, Figure, FormulaText } from '../../metrology'
import { UNCERTAINTY_NAMES, type UncertaintyName, type FromCurve } from './lobeEvents'

/** Whose the uncertainty is that a number off a curve has; `curve` tells one curve's own from another's. */
export interface CurveOwners {
  readonly curve: string
  /** Whose is the uncertainty of true TDC: shared by all curves read off one wheel. */
  readonly tdc: string
  readonly wheel: string
}

/** A number off a curve as a figure: what its rows leave open is its own, TDC and wheel are shared with whatever else was read by them. */
export function figureFromCurve(text: FormulaText, { value, parts }: FromCurve, owners: CurveOwners): Figure {
  const sourceOf: Readonly<Record<UncertaintyName, { readonly id: string; readonly owner: string }>> = {
    rows: { id: `curve:${owners.curve}/${text.id}`, owner: `curve:${owners.curve}` },
    zero: { id: `curve:${owners.curve}/zero`, owner: `curve:${owners.curve}/zero` },
    tilt: { id: `curve:${owners.curve}/tilt`, owner: `curve:${owners.curve}/tilt` },
    tdc: { id: owners.tdc, owner: owners.tdc },
    eccentricityCos: { id: `${owners.wheel}/cos`, owner: owners.wheel },
    eccentricitySin: { id: `${owners.wheel}/sin`, owner: owners.wheel },
  }
  const components = UNCERTAINTY_NAMES.flatMap((name): Component[] =>
    parts[name] === 0 ? [] : [{ source: { ...sourceOf[name], dof: Infinity }, u: parts[name] }],
  )
  return { value: { value, components }, origin: { from: 'sum', sum: { formula: text, terms: [] } } }
}
