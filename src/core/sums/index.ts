import { benchById, type BenchId } from '../benches'
import { SUMS_OF } from '../benches/lists/sums'
import type { QuickSum } from '../bench/quickSum'
import { conformity } from './conformity'
import { convert } from './convert'
import { gaugestudy } from './gaugeStudy'
import { mix } from './mix'

/** Of use at any bench. */
const ANYWHERE: readonly QuickSum[] = [mix, conformity, gaugestudy, convert]

/** Every quick sum by whose work it belongs to, in the order of work; what any bench uses comes last. */
export const SUMS_BY_BENCH: readonly { readonly title: string; readonly sums: readonly QuickSum[] }[] = [
  ...Object.entries(SUMS_OF).map(([id, sums]) => ({ title: benchById(id as BenchId).definition.title, sums })),
  { title: 'Any bench', sums: ANYWHERE },
]

export const SUMS: readonly QuickSum[] = SUMS_BY_BENCH.flatMap(({ sums }) => sums)

export function sumById(id: string): QuickSum | undefined {
  return SUMS.find((sum) => sum.id === id)
}

export { computeSum } from './computeSum'
export type { Given, QuickSum, SumInput, SumIssue, SumOutcome, SumRemarks, SumResult } from '../bench/quickSum'
