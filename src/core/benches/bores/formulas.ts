import { formula, type FormulaText } from '../../metrology'

export const outOfRound: FormulaText = {
  id: 'outOfRound',
  title: 'Out-of-round',
  kind: 'length',
  expression: '|across the thrust − along the pin|, at the worst depth',
  source: 'definition; common practice',
}

export const boreOffPaper: FormulaText = {
  id: 'boreOffPaper',
  title: 'Bore against paper',
  kind: 'length',
  expression: 'mean bore as measured − bore on paper',
  source: 'definition',
}

export const taper: FormulaText = {
  id: 'taper',
  title: 'Taper',
  kind: 'length',
  expression: '|top − bottom|, on the worst axis',
  source: 'definition; common practice',
}

export const pistonClearance = formula({
  id: 'pistonClearance',
  title: 'Piston to wall',
  kind: 'length',
  expression: 'smallest bore read − skirt at the gauge point',
  source: 'common practice',
  inputs: { boreMm: { label: 'Smallest bore', kind: 'length' }, skirtMm: { label: 'Skirt', kind: 'length' } },
  evaluate: ({ boreMm, skirtMm }) => boreMm - skirtMm,
})
