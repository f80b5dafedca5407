import { formula } from './formula'

/** Lengths refer to this temperature (ISO 1). */
export const REFERENCE_TEMP_C = 20

/**
 * A length read away from 20 °C, as it would be at 20 °C: what the gauge grew it read too little, what the part grew it
 * read too much. First order in the expansions, good to 1e-6 of the length for the 30 K a shop ever sees.
 */
export const lengthAtTwenty = formula({
  id: 'lengthAtTwenty', title: 'Length at 20 °C', kind: 'length', source: 'ISO 1; common practice for the coefficients',
  expression: 'read · (1 + α gauge · (gauge − 20 °C) − α part · (part − 20 °C))',
  inputs: {
    readMm: { label: 'As read', kind: 'length' }, gaugeTempC: { label: 'Gauge', kind: 'temperature' }, partTempC: { label: 'Part', kind: 'temperature' },
    gaugePerK: { label: 'Gauge grows', kind: 'expansion' }, partPerK: { label: 'Part grows', kind: 'expansion' },
  },
  evaluate: ({ readMm, gaugeTempC, partTempC, gaugePerK, partPerK }) =>
    readMm * (1 + gaugePerK * (gaugeTempC - REFERENCE_TEMP_C) - partPerK * (partTempC - REFERENCE_TEMP_C)),
})
