import { formula } from './formula'

/** Lengths refer to this temperature (ISO 1). */
export const REFERENCE_TEMP_C = 20

/**
 * A clearance read away from 20 °C, as it would be at 20 °C: what is outside has grown away from what is inside, both at the
 * temperature of the parts. The gauge reads a few hundredths and does not grow.
 */
export const clearanceAtTwenty = formula({
  id: 'clearanceAtTwenty',
  title: 'Clearance at 20 °C',
  kind: 'length',
  source: 'ISO 1; linear thermal expansion; coefficients from memory',
  expression: 'read − diameter · (α outside − α inside) · (parts − 20 °C)',
  inputs: {
    readMm: { label: 'As read', kind: 'length' },
    diameterMm: { label: 'Diameter', kind: 'length' },
    partTempC: { label: 'Parts', kind: 'temperature' },
    outerPerK: { label: 'Outside grows', kind: 'expansion' },
    innerPerK: { label: 'Inside grows', kind: 'expansion' },
  },
  evaluate: ({ readMm, diameterMm, partTempC, outerPerK, innerPerK }) =>
    readMm - diameterMm * (outerPerK - innerPerK) * (partTempC - REFERENCE_TEMP_C),
})

/**
 * A length read away from 20 °C, as it would be at 20 °C: what the gauge grew it read too little, what the part grew it
 * read too much. First order in the expansions, good to 1e-6 of the length for the 30 K a shop ever sees.
 */
export const lengthAtTwenty = formula({
  id: 'lengthAtTwenty',
  title: 'Length at 20 °C',
  kind: 'length',
  source: 'ISO 1; common practice for the coefficients',
  expression: 'read · (1 + α gauge · (gauge − 20 °C) − α part · (part − 20 °C))',
  inputs: {
    readMm: { label: 'As read', kind: 'length' },
    gaugeTempC: { label: 'Gauge', kind: 'temperature' },
    partTempC: { label: 'Part', kind: 'temperature' },
    gaugePerK: { label: 'Gauge grows', kind: 'expansion' },
    partPerK: { label: 'Part grows', kind: 'expansion' },
  },
  evaluate: ({ readMm, gaugeTempC, partTempC, gaugePerK, partPerK }) =>
    readMm * (1 + gaugePerK * (gaugeTempC - REFERENCE_TEMP_C) - partPerK * (partTempC - REFERENCE_TEMP_C)),
})
