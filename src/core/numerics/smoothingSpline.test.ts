import { CholeskyDecomposition, Matrix } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { dot } from './bandedCholesky'
import { basisAt, basisSize, type EvenKnots } from './bSpline'
import { randomStream, seedOf } from './random'
import { uncertaintyAt, smoothingSpline, splineAt, type Scatter } from './smoothingSpline'

const free = { start: false, end: false }
const knots: EvenKnots = { from: 0, to: 10, spans: 20 }
const places = Array.from({ length: 41 }, (_, index) => index / 4)
const wave = (seed: number, noise: number): Scatter => {
  const random = randomStream(seedOf(seed))
  return { x: places, y: places.map((x) => Math.sin(x) + noise * random.normal()), sd: places.map(() => noise) }
}

/** The same problem with whole matrices, by the package ml-matrix: no band, no clamp. */
function dense({ x, y, sd }: Scatter, smoothing: number) {
  const size = basisSize(knots)
  const design = Matrix.zeros(x.length, size)
  x.forEach((at, row) => {
    const { first, values } = basisAt(knots, at)
    values.forEach((value, index) => value !== 0 && design.set(row, first + index, value))
  })
  const differences = Matrix.zeros(size - 3, size)
  for (let row = 0; row < size - 3; row++) [-1, 3, -3, 1].forEach((value, index) => differences.set(row, row + index, value))
  const weights = Matrix.diag(sd.map((one) => 1 / one ** 2))
  const inverse = design.transpose().mmul(weights).mmul(design).add(differences.transpose().mmul(differences).mul(smoothing))
  // What rounding leaves uneven.
  const even = Matrix.add(inverse, inverse.transpose()).mul(0.5)
  const factor = new CholeskyDecomposition(even)
  const moments = design
    .transpose()
    .mmul(weights)
    .mmul(Matrix.columnVector([...y]))
  const coefficients = factor.solve(moments)
  const left = Matrix.columnVector([...y]).sub(design.mmul(coefficients))
  const penalty = differences.mmul(coefficients)
  const chiSquare = left.transpose().mmul(weights).mmul(left).get(0, 0) + smoothing * penalty.dot(penalty)
  const logDet = 2 * factor.lowerTriangularMatrix.diagonal().reduce((sum, value) => sum + Math.log(value), 0)
  return {
    coefficients: coefficients.to1DArray(),
    chiSquare,
    score: logDet - (size - 3) * Math.log(smoothing) + chiSquare,
    covariance: factor.solve(Matrix.eye(size)),
  }
}

describe('a smoothing spline', () => {
  it('goes through a parabola that has no noise, however much it smooths', () => {
    const y = places.map((x) => 2 - 3 * x + 0.5 * x * x)
    const fit = smoothingSpline({ x: places, y, sd: places.map(() => 0.1) }, knots, free)
    for (const x of [0, 0.3, 4.9, 10]) {
      expect(splineAt(fit, x)).toBeCloseTo(2 - 3 * x + 0.5 * x * x, 6)
      expect(splineAt(fit, x, 1)).toBeCloseTo(-3 + x, 5)
    }
    expect(fit.freedom).toBe(38)
  })

  it('is the ridge regression it says, coefficients, uncertainty and χ², by whole matrices', () => {
    const scatter = wave(2, 0.05)
    const fit = smoothingSpline(scatter, knots, free)
    const whole = dense(scatter, fit.smoothing)
    whole.coefficients.forEach((value, index) => expect(fit.coefficients[index]).toBeCloseTo(value, 6))
    expect(fit.chiSquare).toBeCloseTo(whole.chiSquare, 6)
    const { first, values } = basisAt(knots, 3.3)
    const weights = Matrix.zeros(1, basisSize(knots))
    values.forEach((value, index) => weights.set(0, first + index, value))
    const uncertainty = uncertaintyAt(fit, 3.3)
    expect(dot(uncertainty, uncertainty)).toBeCloseTo(weights.mmul(whole.covariance).mmul(weights.transpose()).get(0, 0), 8)
  })

  it('smooths as restricted likelihood says: any more or less scores worse', () => {
    const scatter = wave(4, 0.1)
    const { smoothing } = smoothingSpline(scatter, knots, free)
    const best = dense(scatter, smoothing).score
    for (const share of [0.5, 0.9, 1.1, 2]) expect(dense(scatter, smoothing * share).score).toBeGreaterThan(best)
  })

  it('leaves zero with all its derivatives where it is clamped', () => {
    const y = places.map((x) => (x * (10 - x)) ** 6 / 25 ** 6)
    const fit = smoothingSpline({ x: places, y, sd: places.map(() => 0.001) }, knots, { start: true, end: true })
    for (const at of [0, 10]) for (const derivative of [0, 1, 2, 3]) expect(splineAt(fit, at, derivative)).toBeCloseTo(0, 9)
    expect(splineAt(fit, 5)).toBeCloseTo(1, 2)
    expect(fit.freedom).toBe(41)
  })

  it('has a χ² about its freedom where the noise is as stated, and far more where it is double', () => {
    const mean = (share: number) => {
      const all = Array.from({ length: 60 }, (_, index) => {
        const scatter = wave(index + 1, 0.05)
        const { chiSquare, freedom } = smoothingSpline({ ...scatter, sd: places.map(() => 0.05 / share) }, knots, free)
        return chiSquare / freedom
      })
      return all.reduce((sum, value) => sum + value, 0) / all.length
    }
    expect(Math.abs(mean(1) - 1)).toBeLessThan(0.08)
    // Less than four times: what is not believed to be noise is taken for shape.
    expect(mean(2)).toBeGreaterThan(2)
  })

  it('wants more points than a parabola has', () => {
    expect(() => smoothingSpline({ x: [0, 1, 2], y: [0, 1, 4], sd: [1, 1, 1] }, knots, free)).toThrow(RangeError)
  })
})
