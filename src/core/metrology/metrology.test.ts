import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { judge, judgeInterval } from './conformity'
import { gaugeReading, goNoGoReading, paperNumber, statedNumber, type GaugeCard } from './gaugeUncertainty'
import { resultOf, statedFigure } from './formula'
import { spread } from './spread'
import { budget, covariance, difference, exactly, linear, mean, propagate, standardUncertainty, type Uncertain } from './uncertain'

const gauge: GaugeCard = { id: 'g', resolution: 0.01, repeatability: 0.004, repeatabilityDof: 19, bias: 0.002, biasU: 0.003, scaleU: 0 }
const known = (value: number, u: number): Uncertain => ({
  value,
  components: [{ source: { id: `s${value}`, owner: 'o', dof: Infinity }, u }],
})

describe('uncertainty of a reading (GUM 4.3.7, F.2.2.1)', () => {
  it('takes the bias off and adds step, repeatability and bias in quadrature', () => {
    const x = gaugeReading('r', 0.11, gauge)
    expectNear(x.value, 0.108, 1e-12)
    expectNear(standardUncertainty(x), Math.hypot(0.01 / Math.sqrt(12), 0.004, 0.003), 1e-12)
  })

  it('a go/no-go is its midpoint with width/√12', () => {
    const x = goNoGoReading('r', 0.43, 0.46, { ...gauge, repeatability: 0, bias: 0, biasU: 0 })
    expectNear(x.value, 0.445, 1e-12)
    expectNear(standardUncertainty(x), 0.03 / Math.sqrt(12), 1e-12)
  })

  it('paper tolerance is ±a/√3, a typed ± is at 95 %', () => {
    expectNear(standardUncertainty(paperNumber('bore', 83, 0.02)), 0.02 / Math.sqrt(3), 1e-12)
    expectNear(standardUncertainty(statedNumber('chamber', 64, 0.5)), 0.25, 1e-12)
    expect(paperNumber('bore', 83, undefined).components).toEqual([])
  })
})

describe('shared gauge', () => {
  const a = gaugeReading('a', 0.11, gauge)
  const b = gaugeReading('b', 0.05, gauge)

  it('its bias cancels in a difference and stays in a mean', () => {
    const own = Math.hypot(0.01 / Math.sqrt(12), 0.004)
    expectNear(standardUncertainty(difference(a, b)), Math.SQRT2 * own, 1e-12)
    expectNear(standardUncertainty(mean([a, b])), Math.hypot(own / Math.SQRT2, 0.003), 1e-12)
    expectNear(covariance(a, b), 0.003 ** 2, 1e-15)
  })

  it('does so through any formula, the same by propagation as by the linear law', () => {
    const byFormula = propagate(({ a, b }) => a - b, { a, b })
    expectNear(standardUncertainty(byFormula), standardUncertainty(difference(a, b)), 1e-12)
  })

  it('a spread names its extremes', () => {
    expect(
      spread(
        new Map([
          [1, a],
          [2, b],
          [3, exactly(0.07)],
        ]),
      ),
    ).toMatchObject({ largest: 1, smallest: 2 })
    expect(spread(new Map([[1, a]]))).toBeUndefined()
  })
})

describe('laws of propagation', () => {
  const numbers = fc.double({ min: -100, max: 100, noNaN: true })
  const uncertainties = fc.double({ min: 1e-3, max: 2, noNaN: true })

  it('budget shares add up to one; scaling scales the uncertainty; order does not matter', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(numbers, uncertainties), { minLength: 1, maxLength: 6 }),
        fc.double({ min: 0.1, max: 10, noNaN: true }),
        (pairs, factor) => {
          const inputs = pairs.map(([value, u], index): Uncertain => ({
            value,
            components: [{ source: { id: `s${index}`, owner: `o${index}`, dof: Infinity }, u }],
          }))
          const total = linear(inputs.map((x) => [1, x] as const))
          expectNear(
            budget(total).reduce((sum, { share }) => sum + share, 0),
            1,
            1e-9,
          )
          expectNear(standardUncertainty(linear([[factor, total]])), factor * standardUncertainty(total), 1e-9)
          expectNear(standardUncertainty(linear(inputs.toReversed().map((x) => [1, x] as const))), standardUncertainty(total), 1e-9)
        },
      ),
    )
  })

  it('does not change its inputs', () => {
    const x = Object.freeze({
      value: 1,
      components: Object.freeze([Object.freeze({ source: Object.freeze({ id: 's', owner: 'o', dof: 3 }), u: 1 })]),
    })
    expect(
      standardUncertainty(
        linear([
          [2, x],
          [1, x],
        ]),
      ),
    ).toBe(3)
  })
})

describe('verdicts (ISO 14253-1)', () => {
  const limit = { lower: 0.9, upper: 1.3 }
  it.each([
    [1.1, 'within'],
    [0.93, 'inDoubt'],
    [0.97, 'within'],
    [0.83, 'under'],
    [1.35, 'inDoubt'],
    [1.37, 'over'],
  ] as const)('%s ± 0.06 is %s', (value, verdict) => {
    expect(judge(known(value, 0.03), limit, 'strict').verdict).toBe(verdict)
  })

  it('the 2017 rule takes what 95 % one-sided can vouch for: 1.65 u, not 2 u', () => {
    expect(judge(known(0.955, 0.03), limit, 'strict').verdict).toBe('inDoubt')
    expect(judge(known(0.955, 0.03), limit, 'probable').verdict).toBe('within')
  })

  it('probability is Φ of the distance in u (any table of Φ): 95 % at 1.645 u', () => {
    expectNear(judge(known(0.9 + 1.645 * 0.03, 0.03), { lower: 0.9 }, 'strict').probability, 0.95, 1e-4)
    expectNear(judge(known(0.9, 0.03), { lower: 0.9 }, 'strict').probability, 0.5, 1e-9)
  })

  it('says when the gauge cannot decide, and how far out a value is', () => {
    expect(judge(known(1.1, 0.12), limit, 'strict').gaugeCannotDecide).toBe(true)
    expect(judge(known(1.1, 0.03), limit, 'strict').gaugeCannotDecide).toBe(false)
    expectNear(judge(known(1.36, 0.01), limit, 'strict').excess, 0.06, 1e-12)
  })

  it('0.1 + 0.2 meets an upper limit of 0.3', () => {
    expect(judge(exactly(0.1 + 0.2), { upper: 0.3 }, 'strict').verdict).toBe('within')
  })

  it('more uncertainty never turns in doubt into within', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.5, max: 1.7, noNaN: true }), fc.double({ min: 0.001, max: 0.3, noNaN: true }), (value, u) => {
        const less = judge(known(value, u), limit, 'strict').verdict
        const more = judge(known(value, u * 1.5), limit, 'strict').verdict
        expect(less === 'inDoubt' ? more : 'inDoubt').toBe('inDoubt')
      }),
    )
  })

  it('a feeler that goes at the minimum is within; its share inside is its probability', () => {
    expect(judgeInterval(0.43, 0.46, { lower: 0.43 }, 'strict').verdict).toBe('within')
    expect(judgeInterval(0.42, 0.46, { lower: 0.43 }, 'strict')).toMatchObject({ verdict: 'inDoubt', probability: expect.closeTo(0.75, 9) })
    expect(judgeInterval(0.3, 0.4, { lower: 0.43 }, 'strict').verdict).toBe('under')
    expect(judgeInterval(0.43, 0.46, { lower: 0.43 }, 'strict', 0.002).verdict).toBe('inDoubt')
  })
})

describe('at a turning point (GUM 5.1.2, note)', () => {
  const u = 0.01
  const at = (value: number) => propagate(({ x }) => x ** 2, { x: { value, components: [{ source: { id: 'x', owner: 'x', dof: 9 }, u }] } })

  it('the second-order term stands in: x² at 0 has √2 · u²', () => {
    const square = at(0)
    expect(standardUncertainty(square)).toBeCloseTo(Math.SQRT2 * u ** 2, 12)
    expect(square.components.map(({ source }) => [source.id, source.owner, source.dof])).toEqual([
      ['x', 'x', 9],
      ['x/curvature', 'x', 9],
    ])
  })

  it('beside a slope it adds in quadrature, and is left out where it is less than a twentieth of it', () => {
    // √2 u² over 2xu is a twentieth at x = 14.14 u.
    expect(standardUncertainty(at(14 * u))).toBeCloseTo(Math.hypot(28 * u * u, Math.SQRT2 * u * u), 12)
    expect(standardUncertainty(at(14.3 * u))).toBeCloseTo(28.6 * u * u, 12)
    expect(at(14.3 * u).components).toHaveLength(1)
  })

  it('is charged to the largest source', () => {
    const two = [
      { source: { id: 'small', owner: 'gauge', dof: 4 }, u: 0.003 },
      { source: { id: 'large', owner: 'reading', dof: 7 }, u: -0.01 },
    ]
    const square = propagate(({ x }) => x ** 2, { x: { value: 0, components: two } })
    expect(square.components.at(-1)!.source).toMatchObject({ id: 'large/curvature', owner: 'reading', dof: 7 })
  })
})

describe('a weighted sum as a derivation', () => {
  it('names its terms by their place, each with what it does to the uncertainty', () => {
    const [one, two] = [statedFigure('one', 10, 0.2), statedFigure('two', 4, 0.6)]
    const text = { id: 'diff', title: 'Difference', kind: 'length', expression: 'x1 − x2', source: 'test' } as const
    const { value, origin } = resultOf(text, [
      { label: 'Level one', weight: 1, figure: one },
      { label: 'Level two', weight: -0.5, figure: two },
    ])
    expect(value.value).toBeCloseTo(8, 12)
    if (origin.from !== 'sum') throw new Error('not a sum')
    expect(origin.sum.terms.map(({ name, label }) => [name, label])).toEqual([
      ['x1', 'Level one'],
      ['x2', 'Level two'],
    ])
    // ±0.2 and ±0.6 at 95 % are 0.1 and 0.3 standard; half of the second.
    expect(origin.sum.terms[0]!.effectU).toBeCloseTo(standardUncertainty(one.value), 12)
    expect(origin.sum.terms[1]!.effectU).toBeCloseTo(standardUncertainty(two.value) / 2, 12)
  })
})
