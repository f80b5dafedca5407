import { card, type BenchGauges } from '../../bench/gauges'

export const gauges: BenchGauges = {
  uses: { burette: { label: 'Burette', measures: 'volume' } },
  cards: [
    card('burette', 'Burette, 0.1 cm³', 'volume', 'burette', 'cm3', { resolution: 0.1, repeatability: 0.05, biasU: 0.03, scaleU: 0.0005 }),
  ],
}
