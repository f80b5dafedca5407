import { card, type BenchGauges } from '../../bench/gauges'

export const gauges: BenchGauges = {
  uses: { scales: { label: 'Scales', measures: 'mass' } },
  cards: [card('scales', 'Scales, 0.1 g', 'mass', 'scales', 'g', { resolution: 0.1, repeatability: 0.05, biasU: 0.03, scaleU: 0.0002 })],
}
