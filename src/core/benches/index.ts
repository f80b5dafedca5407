export { BENCHES } from './all'
export { benchById, benchesOf, isBenchId } from './byId'
export { METHODS, methodsOf } from './methods'
export { STOCK } from './stock'
export { TRUTHS } from './truths'
export { GROWTH, openBuild } from './openBuild'
export { freshSpec, USUAL_METHODS, withUsual } from './usual'
export { PAPER, PAPER_KEYS } from './paper'
export type {
  Advice,
  AdvisingBench,
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
