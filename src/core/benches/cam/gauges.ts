import { card, type BenchGauges } from '../../bench/gauges'

export const gauges: BenchGauges = {
  uses: { wheel: { label: 'Degree wheel', measures: 'angle' } },
  cards: [
    card('wheel', 'Degree wheel, 0.5° read to a quarter', 'angle', 'wheel', 'deg', { resolution: 0.25, repeatability: 0.2, biasU: 0 }),
  ],
}
