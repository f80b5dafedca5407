/** Gauges a shop starts with, and what they are for: those of several benches here, the rest with the bench that needs them. */
import type { Gauge } from '../document/types'
import { UNITS, type Kind } from '../units'

/** What a gauge is for: a characteristic says by which uses it can be read. */
export interface GaugeUse {
  readonly label: string
  readonly measures: Kind
}

export interface BenchGauges {
  readonly uses: Readonly<Record<string, GaugeUse>>
  readonly cards: readonly Gauge[]
}

const SINCE = '2020-01-01T00:00:00.000Z'
const MM_PER_THOU = UNITS.thou.factor

export function card(
  gauge: string,
  name: string,
  measures: Gauge['measures'],
  use: Gauge['use'],
  unit: Gauge['unit'],
  uncertainty: { resolution: number; repeatability: number; biasU: number; scaleU?: number },
): Gauge {
  return { id: `${gauge}.1`, gauge, name, measures, use, unit, repeatabilityDof: 19, bias: 0, scaleU: 0, ...uncertainty, since: SINCE }
}

/**
 * Typical working instruments (common practice), each to be replaced by the shop's own figures after a check against a standard.
 * Repeatability with about twenty readings behind it.
 */
export const COMMON_GAUGES: BenchGauges = {
  uses: {
    dial: { label: 'Dial', measures: 'length' },
    micrometer: { label: 'Micrometer', measures: 'length' },
    boreGauge: { label: 'Bore gauge', measures: 'length' },
    feeler: { label: 'Feeler', measures: 'length' },
    torque: { label: 'Torque wrench', measures: 'torque' },
    other: { label: 'Other length', measures: 'length' },
  },
  cards: [
    card('dial-metric', 'Bridge and dial, 0.01 mm', 'length', 'dial', 'mm', { resolution: 0.01, repeatability: 0.003, biasU: 0.003 }),
    card('dial-inch', 'Bridge and dial, 0.001 in', 'length', 'dial', 'thou', {
      resolution: MM_PER_THOU,
      repeatability: 0.2 * MM_PER_THOU,
      biasU: 0.2 * MM_PER_THOU,
    }),
    card('bore-metric', 'Bore gauge, 0.002 mm', 'length', 'boreGauge', 'mm', { resolution: 0.002, repeatability: 0.0015, biasU: 0.0015 }),
    card('bore-inch', 'Bore gauge, 0.0001 in', 'length', 'boreGauge', 'in', {
      resolution: 0.1 * MM_PER_THOU,
      repeatability: 0.05 * MM_PER_THOU,
      biasU: 0.06 * MM_PER_THOU,
    }),
    card('mic-metric', 'Micrometer, 0.002 mm', 'length', 'micrometer', 'mm', { resolution: 0.002, repeatability: 0.001, biasU: 0.001 }),
    card('mic-inch', 'Micrometer, 0.0001 in', 'length', 'micrometer', 'in', {
      resolution: 0.1 * MM_PER_THOU,
      repeatability: 0.05 * MM_PER_THOU,
      biasU: 0.05 * MM_PER_THOU,
    }),
    card('caliper', 'Vernier calliper, 0.02 mm', 'length', 'other', 'mm', { resolution: 0.02, repeatability: 0.01, biasU: 0.01 }),
    card('feeler-metric', 'Feeler set, 0.05 mm', 'length', 'feeler', 'mm', { resolution: 0.05, repeatability: 0, biasU: 0.002 }),
    card('feeler-fine', 'Feeler leaves, 0.01 mm', 'length', 'feeler', 'mm', { resolution: 0.01, repeatability: 0, biasU: 0.001 }),
    card('feeler-inch', 'Feeler set, 0.001 in', 'length', 'feeler', 'thou', {
      resolution: MM_PER_THOU,
      repeatability: 0,
      biasU: 0.1 * MM_PER_THOU,
    }),
    card('torque', 'Beam torque wrench', 'torque', 'torque', 'Nm', { resolution: 0.5, repeatability: 0.3, biasU: 0.2, scaleU: 0.02 }),
    card('protractor', 'Protractor, 1°', 'angle', 'other', 'deg', { resolution: 1, repeatability: 0.5, biasU: 0.3 }),
  ],
}
