import { card, type BenchGauges } from '../../bench/gauges'

export const gauges: BenchGauges = {
  uses: { roughness: { label: 'Roughness tester', measures: 'roughness' } },
  cards: [
    card('finish', 'Roughness tester', 'roughness', 'roughness', 'umRa', {
      resolution: 0.01,
      repeatability: 0.02,
      biasU: 0.01,
      scaleU: 0.025,
    }),
  ],
}
