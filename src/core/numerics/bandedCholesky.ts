/**
 * A symmetric matrix whose elements further than `band` from the diagonal are zero, by its lower part: element (row, column) at
 * `row · (band + 1) + band − (row − column)`.
 */
export interface BandedMatrix {
  readonly size: number
  readonly band: number
  readonly lower: Float64Array
}

export function bandedZeros(size: number, band: number): BandedMatrix {
  return { size, band, lower: new Float64Array(size * (band + 1)) }
}

/** Adds to the elements (row, column) and (column, row); those outside the matrix are left out. */
export function addTo({ size, band, lower }: BandedMatrix, row: number, column: number, value: number): void {
  const [low, high] = row < column ? [row, column] : [column, row]
  if (low < 0 || high >= size) return
  lower[high * (band + 1) + band - (high - low)]! += value
}

export function trace({ size, band, lower }: BandedMatrix): number {
  let sum = 0
  for (let row = 0; row < size; row++) sum += lower[row * (band + 1) + band]!
  return sum
}

/** a + share · b, of one size and band. */
export function sumOf(a: BandedMatrix, b: BandedMatrix, share: number): BandedMatrix {
  return { ...a, lower: a.lower.map((value, index) => value + share * b.lower[index]!) }
}

/** The factor L of a positive definite matrix, L Lᵀ, as banded as it is. Throws RangeError where the matrix is not. */
export function choleskyOf(matrix: BandedMatrix): BandedMatrix {
  const { size, band } = matrix
  const lower = matrix.lower.slice()
  const width = band + 1
  for (let row = 0; row < size; row++) {
    const least = Math.max(0, row - band)
    for (let column = least; column <= row; column++) {
      let sum = lower[row * width + band - (row - column)]!
      for (let k = Math.max(least, column - band); k < column; k++)
        sum -= lower[row * width + band - (row - k)]! * lower[column * width + band - (column - k)]!
      if (column < row) lower[row * width + band - (row - column)] = sum / lower[column * width + band]!
      else if (sum > 0) lower[row * width + band] = Math.sqrt(sum)
      else throw new RangeError(`not positive definite at row ${row + 1}`)
    }
  }
  return { ...matrix, lower }
}

/** Solves L z = b. */
export function solveLower({ size, band, lower }: BandedMatrix, b: ArrayLike<number>): Float64Array {
  const z = Float64Array.from(b)
  const width = band + 1
  for (let row = 0; row < size; row++) {
    let sum = z[row]!
    for (let k = Math.max(0, row - band); k < row; k++) sum -= lower[row * width + band - (row - k)]! * z[k]!
    z[row] = sum / lower[row * width + band]!
  }
  return z
}

/** Solves Lᵀ x = z. */
export function solveUpper({ size, band, lower }: BandedMatrix, z: ArrayLike<number>): Float64Array {
  const x = Float64Array.from(z)
  const width = band + 1
  for (let row = size - 1; row >= 0; row--) {
    x[row]! /= lower[row * width + band]!
    for (let k = Math.max(0, row - band); k < row; k++) x[k]! -= lower[row * width + band - (row - k)]! * x[row]!
  }
  return x
}

/** log of the determinant of L Lᵀ. */
export function logDeterminant({ size, band, lower }: BandedMatrix): number {
  let sum = 0
  for (let row = 0; row < size; row++) sum += 2 * Math.log(lower[row * (band + 1) + band]!)
  return sum
}

export function dot(a: ArrayLike<number>, b: ArrayLike<number>): number {
  let sum = 0
  for (let index = 0; index < a.length; index++) sum += a[index]! * b[index]!
  return sum
}
