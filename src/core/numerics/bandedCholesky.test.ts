import fc from 'fast-check'
import { CholeskyDecomposition, determinant, Matrix } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import {
  addTo,
  bandedZeros,
  choleskyOf,
  dot,
  logDeterminant,
  solveLower,
  solveUpper,
  sumOf,
  trace,
  type BandedMatrix,
} from './bandedCholesky'

/** Held to the package ml-matrix, which works on whole matrices. */
function dense({ size, band, lower }: BandedMatrix): Matrix {
  const whole = Matrix.zeros(size, size)
  for (let row = 0; row < size; row++)
    for (let column = Math.max(0, row - band); column <= row; column++) {
      const value = lower[row * (band + 1) + band - (row - column)]!
      whole.set(row, column, value)
      whole.set(column, row, value)
    }
  return whole
}

/** B Bᵀ of a banded B, and a little of the unit matrix: positive definite. */
function positive(values: readonly number[], size: number, band: number): BandedMatrix {
  const matrix = bandedZeros(size, band)
  const at = (row: number, column: number) =>
    row < 0 || column > row || row - column > band ? 0 : values[(row * 7 + column) % values.length]!
  for (let row = 0; row < size; row++)
    for (let column = Math.max(0, row - band); column <= row; column++) {
      let sum = row === column ? 0.1 : 0
      for (let k = Math.max(0, row - band); k <= column; k++) sum += at(row, k) * at(column, k)
      addTo(matrix, row, column, sum)
    }
  return matrix
}

const numbers = fc.array(fc.double({ min: -3, max: 3, noNaN: true }), { minLength: 20, maxLength: 20 })

describe('a banded Cholesky factor', () => {
  it('solves, and has the determinant, as a dense one does', () => {
    fc.assert(
      fc.property(numbers, fc.integer({ min: 1, max: 12 }), fc.integer({ min: 0, max: 5 }), (values, size, band) => {
        const matrix = positive(values, size, band)
        const whole = dense(matrix)
        const b = values.slice(0, size)
        const factor = choleskyOf(matrix)
        const x = solveUpper(factor, solveLower(factor, b))
        const expected = new CholeskyDecomposition(whole).solve(Matrix.columnVector(b)).to1DArray()
        expected.forEach((value, index) => expect(x[index]).toBeCloseTo(value, 6))
        expect(logDeterminant(factor)).toBeCloseTo(Math.log(determinant(whole)), 6)
        expect(trace(matrix)).toBeCloseTo(whole.trace(), 9)
      }),
      { numRuns: 100, seed: 3 },
    )
  })

  it('says where a matrix is not positive definite', () => {
    const matrix = bandedZeros(3, 1)
    addTo(matrix, 0, 0, 1)
    addTo(matrix, 1, 1, 1)
    addTo(matrix, 1, 0, 2)
    addTo(matrix, 2, 2, 1)
    expect(() => choleskyOf(matrix)).toThrow(new RangeError('not positive definite at row 2'))
  })

  it('adds on either side of the diagonal, leaves out what is outside, and sums with a share', () => {
    const a = bandedZeros(2, 1)
    addTo(a, 0, 1, 3)
    addTo(a, 1, 0, 1)
    addTo(a, 2, 1, 9)
    addTo(a, -1, 0, 9)
    addTo(a, 0, 0, 5)
    expect(dense(sumOf(a, a, 0.5)).to2DArray()).toEqual([
      [7.5, 6],
      [6, 0],
    ])
    expect(dot([1, 2, 3], [4, 5, 6])).toBe(32)
  })
})
