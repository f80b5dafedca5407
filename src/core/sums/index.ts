import { compression } from './compression'
import { conformity } from './conformity'
import { convert } from './convert'
import { crank } from './crank'
import type { QuickSum } from './sum'

/** Every quick sum, in the order a builder would look for them. */
export const SUMS: readonly QuickSum[] = [compression, crank, conformity, convert]

export function sumById(id: string): QuickSum | undefined {
  return SUMS.find((sum) => sum.id === id)
}

export { computeSum, type Given, type QuickSum, type SumInput, type SumIssue, type SumOutcome, type SumResult } from './sum'
