import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { basisAt, basisSize } from './bSpline'

const knots = { from: -20, to: 80, spans: 25 }
const curve = (x: number, derivative = 0) => {
  const { first, values } = basisAt(knots, x, derivative)
  return values.reduce((sum, value, index) => sum + value * Math.sin(1.7 * (first + index)), 0)
}

describe('quintic B-splines', () => {
  it('are 1, 26, 66, 26, 1 of 120 at a knot (Schoenberg, Cardinal Spline Interpolation, 1973)', () => {
    const { first, values } = basisAt(knots, 0)
    expect(first).toBe(5)
    expect([...values].map((value) => Math.round(value * 120 * 1e9) / 1e9)).toEqual([1, 26, 66, 26, 1, 0])
    expect(basisSize(knots)).toBe(30)
  })

  it('sum to one, and their derivatives to nothing, anywhere', () => {
    fc.assert(
      fc.property(fc.double({ min: -20, max: 80, noNaN: true }), fc.integer({ min: 0, max: 3 }), (x, derivative) => {
        const sum = basisAt(knots, x, derivative).values.reduce((all, value) => all + value, 0)
        expect(sum).toBeCloseTo(derivative === 0 ? 1 : 0, 10)
      }),
      { numRuns: 200, seed: 1 },
    )
  })

  it.each([1, 2, 3])('have for their derivative %i what a difference quotient of the one before gives', (derivative) => {
    const h = 1e-3
    for (const x of [-19.9, -3.21, 0.37, 41.5, 79.8])
      expect(curve(x, derivative)).toBeCloseTo((curve(x + h, derivative - 1) - curve(x - h, derivative - 1)) / (2 * h), 5)
  })

  it('end where the knots end', () => {
    expect(curve(85)).toBe(curve(80))
    expect(curve(-25)).toBe(curve(-20))
    expect(basisAt(knots, 80).first).toBe(24)
  })
})
