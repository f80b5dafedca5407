import { formula, type FormulaText } from '../../metrology'

const CLOSURE = 'linear thermal expansion of ring and bore; coefficients from memory'
const FROM_DEGC = 20

/** What the hot gap and its butting temperature rest on. */
const heat = {
  boreMm: { label: 'Bore', kind: 'length' },
  gapMm: { label: 'Gap at 20 °C', kind: 'length' },
  ringPerK: { label: 'Ring grows', kind: 'expansion' },
  borePerK: { label: 'Bore grows', kind: 'expansion' },
  boreTempC: { label: 'Cylinder wall', kind: 'temperature' },
} as const

/**
 * Gap left when hot: the bore's circumference has grown and so has the ring.
 * g = π·D·(1 + α_b·(T_b − 20)) − (π·D − g₀)·(1 + α_r·(T_r − 20)).
 */
export const hotGap = formula({
  id: 'hotGap',
  title: 'Gap left when hot',
  kind: 'length',
  expression: 'π·D·(1 + α bore·ΔT wall) − (π·D − g)·(1 + α ring·ΔT ring)',
  source: CLOSURE,
  inputs: { ...heat, ringTempC: { label: 'Ring', kind: 'temperature' } },
  evaluate: hotGapMm,
})

/** The bare arithmetic of `hotGap`, for draws by the hundred thousand. */
export function hotGapMm({
  boreMm,
  gapMm,
  ringPerK,
  borePerK,
  boreTempC,
  ringTempC,
}: {
  boreMm: number
  gapMm: number
  ringPerK: number
  borePerK: number
  boreTempC: number
  ringTempC: number
}): number {
  const circumferenceMm = Math.PI * boreMm
  return circumferenceMm * (1 + borePerK * (boreTempC - FROM_DEGC)) - (circumferenceMm - gapMm) * (1 + ringPerK * (ringTempC - FROM_DEGC))
}

/** Ring temperature at which the gap closes: the hot gap solved for T_r at g = 0. */
export const buttingTemperature = formula({
  id: 'buttingTemperature',
  title: 'Ring butts at',
  kind: 'temperature',
  expression: '20 °C + [π·D·(1 + α bore·ΔT wall) ÷ (π·D − g) − 1] ÷ α ring',
  source: CLOSURE,
  inputs: heat,
  evaluate: ({ boreMm, gapMm, ringPerK, borePerK, boreTempC }) => {
    const circumferenceMm = Math.PI * boreMm
    return FROM_DEGC + ((circumferenceMm * (1 + borePerK * (boreTempC - FROM_DEGC))) / (circumferenceMm - gapMm) - 1) / ringPerK
  },
})

export const ringTarget = formula({
  id: 'ringTarget',
  title: 'Least gap by factor',
  kind: 'length',
  expression: 'bore × factor',
  source: 'common practice; the ring maker’s number outranks it',
  inputs: { boreMm: { label: 'Bore', kind: 'length' }, factor: { label: 'Factor', kind: 'ratio' } },
  evaluate: ({ boreMm, factor }) => boreMm * factor,
})

export const secondOverTop: FormulaText = {
  id: 'secondOverTop',
  title: 'Second over top',
  kind: 'length',
  expression: 'gap of the second ring − gap of the top ring',
  source: 'common practice',
}
