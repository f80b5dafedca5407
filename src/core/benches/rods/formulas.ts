import { pinHeightAtTdcMm } from '../../geometry/crank'
import { formula, type FormulaText } from '../../metrology'

export const pinClearance = formula({
  id: 'pinClearance',
  title: 'Pin in its bush',
  kind: 'length',
  expression: 'bush − pin',
  source: 'common practice',
  inputs: { bushMm: { label: 'Bush', kind: 'length' }, pinMm: { label: 'Pin', kind: 'length' } },
  evaluate: ({ bushMm, pinMm }) => bushMm - pinMm,
})

export const bigEndMean: FormulaText = {
  id: 'bigEndMean',
  title: 'Big end, bolts tight',
  kind: 'length',
  expression: 'mean of both axes',
  source: 'definition of a mean',
}

export const bigEndRound: FormulaText = {
  id: 'bigEndRound',
  title: 'Big end out-of-round',
  kind: 'length',
  expression: '|along the rod − across it|',
  source: 'definition; common practice',
}

export const reciprocatingMass: FormulaText = {
  id: 'reciprocatingMass',
  title: 'Reciprocating mass',
  kind: 'mass',
  expression: 'piston + pin + rings and clips + rod, small end',
  source: 'common practice',
}

export const rotatingMass: FormulaText = {
  id: 'rotatingMass',
  title: 'Rotating mass',
  kind: 'mass',
  expression: 'rod, big end + its shells',
  source: 'common practice',
}

/** For two rods on one pin of a 90° V; the usual share is one half. */
export const bobweight = formula({
  id: 'bobweight',
  title: 'Bobweight for the pin',
  kind: 'mass',
  expression: 'both rotating + share · both reciprocating + oil',
  source: 'common practice: 90° V, common pins, share 50 %',
  inputs: {
    rotatingG: { label: 'Rotating, both rods', kind: 'mass' },
    reciprocatingG: { label: 'Reciprocating, both', kind: 'mass' },
    share: { label: 'Share', kind: 'ratio' },
    oilG: { label: 'Oil', kind: 'mass' },
  },
  evaluate: ({ rotatingG, reciprocatingG, share, oilG }) => rotatingG + share * reciprocatingG + oilG,
})

/** Deck clearance the dimensions add up to: block height − (pin height at TDC + compression height); below deck positive. */
export const stackedDeck = formula({
  id: 'stackedDeck',
  title: 'Deck clearance by the stack',
  kind: 'length',
  expression: 'block height − (√((l + a)² − e²) + compression height)',
  source: 'Heywood, Internal Combustion Engine Fundamentals, eq. 2.5 at TDC; offset by the same triangle',
  inputs: {
    blockHeightMm: { label: 'Block height', kind: 'length' },
    strokeMm: { label: 'Stroke', kind: 'length' },
    rodMm: { label: 'Rod, centre to centre', kind: 'length' },
    compressionHeightMm: { label: 'Compression height', kind: 'length' },
    pinOffsetMm: { label: 'Pin offset', kind: 'length' },
  },
  evaluate: ({ blockHeightMm, compressionHeightMm, ...crank }) => blockHeightMm - pinHeightAtTdcMm(crank) - compressionHeightMm,
})

export const stackApart = formula({
  id: 'stackApart',
  title: 'Deck, measured against the stack',
  kind: 'length',
  expression: 'deck as measured − deck by the stack',
  source: 'definition',
  inputs: { measuredMm: { label: 'Deck as measured', kind: 'length' }, stackedMm: { label: 'Deck by the stack', kind: 'length' } },
  evaluate: ({ measuredMm, stackedMm }) => measuredMm - stackedMm,
})
