import { formula, REFERENCE_TEMP_C, type FormulaText } from '../../metrology'

export const journalMean: FormulaText = {
  id: 'journalMean',
  title: 'Journal diameter',
  kind: 'length',
  expression: 'mean of the places and axes read',
  source: 'definition of a mean',
}

export const journalOutOfRound: FormulaText = {
  id: 'journalOutOfRound',
  title: 'Journal out-of-round',
  kind: 'length',
  expression: '|vertical − horizontal|, at the worse end',
  source: 'definition; common practice',
}

export const journalTaper: FormulaText = {
  id: 'journalTaper',
  title: 'Journal taper',
  kind: 'length',
  expression: '|front end − rear end|, on the worse axis',
  source: 'definition; common practice',
}

export const bearingClearance = formula({
  id: 'bearingClearance',
  title: 'Bearing clearance',
  kind: 'length',
  expression: 'inside of the fitted shells, vertical − journal',
  source: 'common practice',
  inputs: { insideMm: { label: 'Inside the shells', kind: 'length' }, journalMm: { label: 'Journal', kind: 'length' } },
  evaluate: ({ insideMm, journalMm }) => insideMm - journalMm,
})

export const plannedClearance = formula({
  id: 'plannedClearance',
  title: 'Clearance with the planned shells',
  kind: 'length',
  expression: 'as measured − (walls planned − walls measured with)',
  source: 'geometry: both halves stand across the vertical',
  inputs: { clearanceMm: { label: 'As measured', kind: 'length' }, thickerMm: { label: 'Planned pair thicker by', kind: 'length' } },
  evaluate: ({ clearanceMm, thickerMm }) => clearanceMm - thickerMm,
})

/** Housing, shells and journal each grow by themselves; the shells are steel backed and pressed to the housing. */
export const warmClearance = formula({
  id: 'warmClearance',
  title: 'Warm clearance',
  kind: 'length',
  source: 'linear thermal expansion; coefficients from memory',
  expression: '(J + c + 2w)(1 + α block·ΔT block) − 2w(1 + α shell·ΔT block) − J(1 + α crank·ΔT crank)',
  inputs: {
    clearanceMm: { label: 'Clearance c at 20 °C', kind: 'length' },
    journalMm: { label: 'Journal J', kind: 'length' },
    wallMm: { label: 'Shell wall w', kind: 'length' },
    warmDegC: { label: 'Block warm', kind: 'temperature' },
    crankDegC: { label: 'Crank warm', kind: 'temperature' },
    blockPerK: { label: 'Block grows', kind: 'expansion' },
    shellPerK: { label: 'Shell grows', kind: 'expansion' },
    crankPerK: { label: 'Crank grows', kind: 'expansion' },
  },
  evaluate: ({ clearanceMm, journalMm, wallMm, warmDegC, crankDegC, blockPerK, shellPerK, crankPerK }) => {
    const riseK = warmDegC - REFERENCE_TEMP_C
    const crankRiseK = crankDegC - REFERENCE_TEMP_C
    return (
      (journalMm + clearanceMm + 2 * wallMm) * (1 + blockPerK * riseK) -
      2 * wallMm * (1 + shellPerK * riseK) -
      journalMm * (1 + crankPerK * crankRiseK)
    )
  },
})

export const spinRise: FormulaText = {
  id: 'spinRise',
  title: 'Added by this cap',
  kind: 'torque',
  expression: 'torque to turn after this cap − after the one before',
  source: 'common practice',
}
