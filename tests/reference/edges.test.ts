import { describe, expect, it } from 'vitest'
import { judge, judgeInterval, type Uncertain } from '@/core/metrology'
import { expectNear } from '../support/expectNear'

const known = (value: number, u: number, dof = Infinity): Uncertain => ({
  value,
  components: u === 0 ? [] : [{ source: { id: 's', owner: 'o', dof }, u }],
})
const band = { lower: 1, upper: 2 }

describe('a verdict on each side of every edge (ISO 14253-1: guard bands of U)', () => {
  it.each([
    [1.2, 0.1, 'within'],
    [1.199, 0.1, 'inDoubt'],
    [0.801, 0.1, 'inDoubt'],
    [0.799, 0.1, 'under'],
    [1.8, 0.1, 'within'],
    [1.801, 0.1, 'inDoubt'],
    [2.199, 0.1, 'inDoubt'],
    [2.201, 0.1, 'over'],
    [1, 0, 'within'],
    [2, 0, 'within'],
    [0.999, 0, 'under'],
    [2.001, 0, 'over'],
  ] as const)('strict: %s with u %s is %s', (value, u, verdict) => expect(judge(known(value, u), band, 'strict').verdict).toBe(verdict))

  it('probable: within from P ≥ 95 %, with Student’s t where few degrees of freedom are behind it', () => {
    // 1.645 u inside of one bound is P = 95 % of a normal (ISO 14253-1 and tables of the normal distribution).
    expect(judge(known(1.17, 0.1), band, 'probable').verdict).toBe('within')
    expect(judge(known(1.16, 0.1), band, 'probable').verdict).toBe('inDoubt')
    // t(0.95; 3) = 2.353.
    expect(judge(known(1.22, 0.1, 3), band, 'probable').verdict).toBe('inDoubt')
    expect(judge(known(1.25, 0.1, 3), band, 'probable').verdict).toBe('within')
    // A band narrower than twice the guard: inside both bounds one by one, but not jointly with 95 %.
    const narrow = judge(known(1.5, 0.3), { lower: 1, upper: 2 }, 'probable')
    expectNear(narrow.probability, 0.904, 0.001)
    expect(narrow.verdict).toBe('inDoubt')
  })

  it('excess is counted from the bound, inside it is nothing', () => {
    expectNear(judge(known(2.3, 0.01), band, 'strict').excess, 0.3, 1e-12)
    expectNear(judge(known(0.6, 0.01), band, 'strict').excess, 0.4, 1e-12)
    expect(judge(known(1.5, 0.01), band, 'strict').excess).toBe(0)
  })

  it('says of one-sided limits too when a gauge cannot decide: even the target or nothing at all would stay in doubt', () => {
    const cannot = (u: number, bounds: object, isNeverNegative = false) =>
      judge(known(0.01, u), bounds, 'strict', isNeverNegative).gaugeCannotDecide
    expect([cannot(0.004, { upper: 0.01 }, true), cannot(0.006, { upper: 0.01 }, true)]).toEqual([false, true])
    expect([cannot(0.006, { upper: 0.01 }), cannot(0.006, { lower: 0.01 })]).toEqual([false, false])
    expect([cannot(0.004, { lower: 0.01, target: 0.02 }), cannot(0.006, { lower: 0.01, target: 0.02 })]).toEqual([false, true])
    expect([cannot(0.004, { upper: 0.02, target: 0.01 }), cannot(0.006, { upper: 0.02, target: 0.01 })]).toEqual([false, true])
  })

  it.each([
    // A leaf that goes at the minimum is in; one that does not go at the minimum is out; one that goes at the maximum is out
    // (common practice).
    [1, 1.01, 'within'],
    [0.995, 1.005, 'inDoubt'],
    [0.99, 1, 'under'],
    [1.99, 2, 'within'],
    [1.995, 2.005, 'inDoubt'],
    [2, 2.01, 'over'],
    [0.5, 2.5, 'inDoubt'],
  ] as const)('a feeler that goes at %s and not at %s is %s', (low, high, verdict) =>
    expect(judgeInterval(low, high, band, 'strict').verdict).toBe(verdict),
  )

  it('an interval’s probability is its share inside, its U half its width, its k √3', () => {
    expect(judgeInterval(0.96, 1.04, band, 'strict')).toMatchObject({
      probability: expect.closeTo(0.5, 9),
      U: expect.closeTo(0.04, 9),
      k: expect.closeTo(Math.sqrt(3), 9),
      excess: 0,
    })
    expect(judgeInterval(1.98, 2.06, band, 'strict')).toMatchObject({
      probability: expect.closeTo(0.25, 9),
      excess: expect.closeTo(0.02, 9),
    })
    expect(judgeInterval(0.9, 0.94, band, 'strict')).toMatchObject({ probability: 0, excess: expect.closeTo(0.08, 9) })
    // A checked leaf may be off by its tolerance, at both ends.
    expect(judgeInterval(1.96, 2.0, band, 'strict', 0.02)).toMatchObject({
      verdict: 'inDoubt',
      U: expect.closeTo(0.04, 9),
      probability: expect.closeTo(0.75, 9),
    })
  })
})
