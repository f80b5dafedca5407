import type { Build } from '../../build/build'
import type { Gasket } from '../../build/types'
import { outcomeOf, type Outcome } from './change'
import type { CylinderState } from './cylinder'

export interface RackRow {
  readonly gasket: Gasket
  readonly fitted: boolean
  readonly outcome: Outcome
  /** Mean distance of the ratios from their target. */
  readonly offTarget: number
}

const RANK = { within: 0, inDoubt: 1, notJudged: 2, under: 3, over: 3 } as const

/** Every gasket in stock with what it would make of the engine, best first: verdict, then nearest the target. */
export function gasketRack(build: Build, states: readonly CylinderState[]): readonly RackRow[] {
  const { stock, choice, limits } = build.spec
  const limit = limits.compressionRatio
  const target = limit?.target ?? ((limit?.lower ?? limit?.upper ?? 0) + (limit?.upper ?? limit?.lower ?? 0)) / 2
  return stock.gaskets
    .map((gasket): RackRow => {
      const outcome = outcomeOf(build, states, { gasket })
      const offTarget = outcome.ratios.reduce((sum, { figure }) => sum + Math.abs(figure.value.value - target), 0) / Math.max(1, outcome.ratios.length)
      return { gasket, fitted: gasket.id === choice.gasket, outcome, offTarget }
    })
    .sort((a, b) => RANK[a.outcome.verdict] - RANK[b.outcome.verdict] || a.offTarget - b.offTarget)
}

