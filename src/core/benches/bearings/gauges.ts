import { card, type BenchGauges } from '../../bench/gauges'
import { UNITS } from '../../units'

const MM_PER_THOU = UNITS.thou.factor

export const gauges: BenchGauges = {
  uses: { strip: { label: 'Plastic strip', measures: 'length' } },
  cards: [
    card('strip', 'Plastic strip', 'length', 'strip', 'mm', { resolution: 0.005, repeatability: 0.003, biasU: (0.3 * MM_PER_THOU) / 2 }),
  ],
}
