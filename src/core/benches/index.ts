import type { Bench, BenchId } from './bench'
import { bores } from './bores'
import { compression } from './compression'

/** Every bench, in the order of work. */
export const BENCHES: readonly Bench[] = [bores, compression]

export function benchById(id: BenchId): Bench {
  return BENCHES.find((bench) => bench.id === id)!
}

export function isBenchId(id: string): id is BenchId {
  return BENCHES.some((bench) => bench.id === id)
}

export type {
  Advice, Bench, BenchDefinition, BenchId, Change, Characteristic, Cost, Finding, LimitDefinition, Missing, Outcome, Output, Remark, Station, Units,
} from './bench'
export { doubtBudget, type DoubtShare } from './doubtBudget'
export { benchProgress, benchState, type BenchState } from './benchState'
