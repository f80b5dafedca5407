import { describe, expect, it } from 'vitest'
import { crankingPressure, endPressure, endTemperature } from '@/core/benches/compression/formulas'
import {
  gaugeReading,
  gaugeStudy,
  goNoGoReading,
  judge,
  judgeInterval,
  shareOfTolerance,
  standardUncertainty,
  studyVerdict,
  type GaugeStudy,
  type Uncertain,
} from '@/core/metrology'
import { expectNear } from '../support/expectNear'

const exact = (value: number): Uncertain => ({ value, components: [] })
const known = (value: number, u: number): Uncertain => ({ value, components: [{ source: { id: 's', owner: 's', dof: Infinity }, u }] })

describe('verdicts at their edges (ISO 14253-1; JCGM 106)', () => {
  it('an exact value on a bound keeps it, a hair beyond does not', () => {
    for (const [value, verdict, probability] of [
      [1, 'within', 1],
      [2, 'within', 1],
      [0.999, 'under', 0],
      [2.001, 'over', 0],
    ] as const) {
      expect(judge(exact(value), { lower: 1, upper: 2 }, 'strict')).toMatchObject({ verdict, probability })
    }
    // 0.1 + 0.2 is the bound 0.3, whatever the binary says.
    expect(judge(exact(0.1 + 0.2), { upper: 0.3 }, 'strict').verdict).toBe('within')
    expect(judge(exact(0.1 + 0.2), { lower: 0.3 }, 'strict').verdict).toBe('within')
    expect(judge(exact(0.1 + 0.2 - 1e-15), { lower: 0.30000000000000004 }, 'strict').verdict).toBe('within')
  })

  it('half the chance on the bound, all of it far inside, none far outside', () => {
    expectNear(judge(known(1, 0.1), { lower: 1 }, 'strict').probability, 0.5, 1e-9)
    expectNear(judge(known(1, 0.1), { upper: 1 }, 'strict').probability, 0.5, 1e-9)
    expectNear(judge(known(1.5, 0.01), { lower: 1, upper: 2 }, 'strict').probability, 1, 1e-9)
    expectNear(judge(known(3, 0.01), { lower: 1, upper: 2 }, 'strict').probability, 0, 1e-9)
  })

  it('a band just as wide as 2U could still be decided, a narrower one not', () => {
    expect(judge(known(1, 0.25), { lower: 0.5, upper: 1.5 }, 'strict').gaugeCannotDecide).toBe(false)
    expect(judge(known(1, 0.26), { lower: 0.5, upper: 1.5 }, 'strict').gaugeCannotDecide).toBe(true)
  })

  it('an interval is inside, outside or across, with how far its middle is out', () => {
    const at = (low: number, high: number, leaf = 0) => judgeInterval(low, high, { lower: 1, upper: 2 }, 'strict', leaf)
    expect(at(1, 2)).toMatchObject({ verdict: 'within', probability: 1, excess: 0, U: 0.5 })
    expect(at(2.1, 2.3)).toMatchObject({ verdict: 'over', probability: 0 })
    expectNear(at(2.1, 2.3).excess, 0.2, 1e-12)
    expect(at(0.5, 0.9)).toMatchObject({ verdict: 'under', probability: 0 })
    expectNear(at(0.5, 0.9).excess, 0.3, 1e-12)
    expect(at(1.9, 2.1).verdict).toBe('inDoubt')
    expectNear(at(1.9, 2.1).probability, 0.5, 1e-12)
    expect(at(1.2, 1.4).gaugeCannotDecide).toBe(false)
    expect(at(0.9, 2.1).gaugeCannotDecide).toBe(true)
    // The leaves' own tolerance widens both ends.
    expect(at(1, 1.1, 0.01).verdict).toBe('inDoubt')
    expect(at(1.9, 2, 0.01).verdict).toBe('inDoubt')
    expectNear(at(1.2, 1.4, 0.1).U, 0.2, 1e-12)
  })

  it('a bias is taken off a reading and off a pair of leaves; an uncertain scale grows with the value', () => {
    const card = { id: 'g', resolution: 0.01, repeatability: 0, repeatabilityDof: 9, bias: 0.02, biasU: 0, scaleU: 0.01 }
    expectNear(gaugeReading('r', 5.02, card).value, 5, 1e-12)
    expectNear(goNoGoReading('r', 0.52, 0.56, card).value, 0.52, 1e-12)
    expectNear(standardUncertainty(gaugeReading('r', 5.02, { ...card, resolution: 1e-9 })), 0.05, 1e-9)
  })
})

describe('the end of compression, by hand', () => {
  const figure = (value: number) => ({ value: exact(value), origin: { from: 'typed', name: 'x' } }) as const
  it('pressure (100 + 60)·8^1.3 = 2388 kPa', () =>
    expectNear(
      endPressure.of({ ratio: figure(8), ambientKpa: figure(100), boostKpa: figure(60), exponent: figure(1.3) }).value.value,
      160 * Math.exp(1.3 * Math.log(8)),
      1e-9,
    ))
  it('temperature 300 K·8^0.3 = 560 K', () =>
    expectNear(
      endTemperature.of({ ratio: figure(8), chargeDegC: figure(26.85), exponent: figure(1.3) }).value.value,
      300 * 8 ** 0.3 - 273.15,
      1e-9,
    ))
  it('cranking, gauge: 100·8^1.2 − 100 = 1113 kPa', () =>
    expectNear(crankingPressure.of({ ratio: figure(8), ambientKpa: figure(100), exponent: figure(1.2) }).value.value, 1112.57, 0.02))
  it('nothing is compressed at a ratio of one', () => {
    expectNear(crankingPressure.of({ ratio: figure(1), ambientKpa: figure(101), exponent: figure(1.2) }).value.value, 0, 1e-12)
    expectNear(endTemperature.of({ ratio: figure(1), chargeDegC: figure(45), exponent: figure(1.32) }).value.value, 45, 1e-9)
  })
})

describe('a gauge study by hand', () => {
  // Two spots, two people, two readings: means 1, 3 (A) and 2, 6 (B); every pair is 0.2 apart.
  const readings = (
    [
      ['1', 'A', 1],
      ['2', 'A', 3],
      ['1', 'B', 2],
      ['2', 'B', 6],
    ] as const
  ).flatMap(([spot, person, mean]) => [mean - 0.1, mean + 0.1].map((value) => ({ spot, person, value })))
  const result = gaugeStudy(readings)
  const study = (result as { study: GaugeStudy }).study

  it('keeps the interaction apart: F = 2 ÷ 0.02 = 100 on 1 and 4', () => {
    expect(study.isPooled).toBe(false)
    expectNear(study.repeatability, Math.sqrt(0.02), 1e-12)
    // Mean squares: spots 18, people 8, interaction 2. People (8 − 2)/4, interaction (2 − 0.02)/2, spots (18 − 2)/4.
    expectNear(study.reproducibility, Math.sqrt(1.5 + 0.99), 1e-12)
    expectNear(study.gaugeRr, Math.sqrt(0.02 + 1.5 + 0.99), 1e-12)
    expectNear(study.partVariation, 2, 1e-12)
    expect(study.categories).toBe(1)
    expect(study.anova.map(({ sumOfSquares, dof }) => [Number(sumOfSquares.toFixed(9)), dof])).toEqual([
      [18, 1],
      [8, 1],
      [2, 1],
      [0.08, 4],
    ])
  })

  it('is judged at the edges as the manual draws them', () => {
    const of = (share: number, categories: number) => studyVerdict({ ...study, categories }, share)
    expect([of(0.0999, 5), of(0.1, 5), of(0.0999, 4), of(0.3, 5), of(0.301, 5), of(0.05, 1), of(0.05, 2)]).toEqual([
      'good',
      'marginal',
      'marginal',
      'marginal',
      'notGood',
      'notGood',
      'marginal',
    ])
    expect(shareOfTolerance(study, { lower: 2, upper: 2 })).toBeUndefined()
    expect(shareOfTolerance(study, { upper: study.mean })).toBeUndefined()
    expectNear(shareOfTolerance(study, { upper: study.mean + 3 })!, study.gaugeRr, 1e-12)
  })
})
