import { formula } from '../../metrology'

export const outOfRound = formula({
  id: 'outOfRound', title: 'Out-of-round', kind: 'length', expression: '|across the thrust − along the pin|, at the worst depth', source: 'definition; common practice',
  inputs: { thrustMm: { label: 'Thrust axis', kind: 'length' }, pinMm: { label: 'Pin axis', kind: 'length' } },
  evaluate: ({ thrustMm, pinMm }) => Math.abs(thrustMm - pinMm),
})

export const taper = formula({
  id: 'taper', title: 'Taper', kind: 'length', expression: '|top − bottom|, on the worst axis', source: 'definition; common practice',
  inputs: { topMm: { label: 'Top', kind: 'length' }, bottomMm: { label: 'Bottom', kind: 'length' } },
  evaluate: ({ topMm, bottomMm }) => Math.abs(topMm - bottomMm),
})

export const pistonClearance = formula({
  id: 'pistonClearance', title: 'Piston to wall', kind: 'length', expression: 'smallest bore read − skirt at the gauge point', source: 'common practice',
  inputs: { boreMm: { label: 'Smallest bore', kind: 'length' }, skirtMm: { label: 'Skirt', kind: 'length' } },
  evaluate: ({ boreMm, skirtMm }) => boreMm - skirtMm,
})
