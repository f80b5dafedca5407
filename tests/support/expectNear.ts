import { expect } from 'vitest'

/** Asserts |actual − expected| ≤ tolerance, in words that name all three. */
export function expectNear(actual: number, expected: number, tolerance: number): void {
  expect(Math.abs(actual - expected), `${actual} should be ${expected} ± ${tolerance}`).toBeLessThanOrEqual(tolerance)
}
