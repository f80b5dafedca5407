import type { Bench, BenchId } from '../bench/bench'
import { bearings } from './bearings'
import { bores } from './bores'
import { compression } from './compression'
import { rings } from './rings'
import { rods } from './rods'

/** Every bench, in the order of work. */
export const BENCHES: readonly Bench[] = [bores, bearings, rings, rods, compression]

export function benchById(id: BenchId): Bench {
  return BENCHES.find((bench) => bench.id === id)!
}

export function isBenchId(id: string): id is BenchId {
  return BENCHES.some((bench) => bench.id === id)
}

export type {
  Advice,
  Bench,
  BenchDefinition,
  BenchId,
  CharacteristicId,
  Broken,
  Change,
  Characteristic,
  CheckDefinition,
  Cost,
  Finding,
  Headline,
  Id,
  JudgedAdvice,
  LimitDefinition,
  LimitId,
  Missing,
  Output,
  OutputId,
  Remark,
  Station,
  Units,
} from '../bench/bench'
export { uncertaintyBudget, type BudgetShare } from '../bench/uncertaintyBudget'
export { columnOf, sheetsOf, type Across, type SheetOf, type SheetRow } from '../bench/sheets'
export { gaugesFor } from '../bench/gaugeChoice'
export { benchChecks, type BenchCheck } from '../bench/checks'
export { benchProgress, benchState, type BenchState } from '../bench/benchState'
export { byConsequence, standsOut } from '../bench/consequence'
export { startingLimits, followPresets } from './startingLimits'
