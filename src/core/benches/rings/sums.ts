import { impossible, type QuickSum } from '../../bench/quickSum'
import { given, grows, HEAT, length, orUsual, SMALL } from '../../bench/sumInputs'
import { EXPANSION } from '../../geometry/materials'
import { buttingTemperature, hotGap, ringTarget } from './formulas'

const ringgap: QuickSum = {
  id: 'ringgap',
  title: 'Ring gap',
  question: 'How much gap does a ring want in this bore?',
  inputs: {
    bore: length('Bore', '83.00 mm', { paper: 'bore' }),
    factor: { label: 'Factor, gap per bore', kind: 'ratio', units: { metric: 'one', inch: 'one' }, required: true, example: '0.0065' },
  },
  evaluate({ figures }) {
    const { bore, factor } = given(figures, 'bore', 'factor')
    if (factor.value.value <= 0 || factor.value.value > 0.02)
      return impossible('a factor is a few thousandths of the bore, such as 0.0050', 'factor')
    return { ok: true, results: [{ id: 'target', label: 'Least gap', kind: 'length', figure: ringTarget.of({ boreMm: bore, factor }) }] }
  },
}

const hotgap: QuickSum = {
  id: 'hotgap',
  title: 'Ring gap, hot',
  question: 'What is left of the gap when hot, and when does the ring butt?',
  inputs: {
    bore: length('Bore', '83.00 mm', { paper: 'bore' }),
    gap: length('Gap at 20 °C', '0.54 mm', { units: SMALL }),
    ringAlpha: grows('Ring grows', '12'),
    boreAlpha: grows('Bore grows', '11'),
    ringTemp: { label: 'Ring temperature', kind: 'temperature', units: HEAT, required: false, paper: 'ringTemperature', example: '280 C' },
    boreTemp: { label: 'Wall temperature', kind: 'temperature', units: HEAT, required: true, paper: 'boreTemperature', example: '150 C' },
  },
  evaluate({ figures }) {
    const { bore, gap, boreTemp } = given(figures, 'bore', 'gap', 'boreTemp')
    const heat = {
      boreMm: bore,
      gapMm: gap,
      boreTempC: boreTemp,
      ringPerK: orUsual(figures, 'ringAlpha', EXPANSION.ring.ductileIron),
      borePerK: orUsual(figures, 'boreAlpha', EXPANSION.part.greyIron),
    }
    if (heat.ringPerK.value.value <= 0) return impossible('a ring that does not grow never butts', 'ringAlpha')
    if (gap.value.value >= Math.PI * bore.value.value) return impossible('the gap is longer than the ring', 'gap')
    return {
      ok: true,
      results: [
        ...(figures.ringTemp
          ? [
              {
                id: 'hotGap',
                label: 'Gap left hot',
                kind: 'length',
                estimate: true,
                figure: hotGap.of({ ...heat, ringTempC: figures.ringTemp }),
              } as const,
            ]
          : []),
        { id: 'buttingTemperature', label: 'Butts at', kind: 'temperature', estimate: true, figure: buttingTemperature.of(heat) },
      ],
    }
  },
}

export const sums: readonly QuickSum[] = [ringgap, hotgap]
