import type { Build } from '../../document/build'
import { applyChanges } from '../../document/changes'
import { outcomeOf, type Outcome } from './change'
import type { Gasket } from './stock'

export interface RackRow {
  readonly gasket: Gasket
  readonly fitted: boolean
  readonly outcome: Outcome
  /** Mean distance of the ratios from their target; zero where no ratio is wanted. */
  readonly offTarget: number
  readonly after: Build
}

const RANK = { within: 0, inDoubt: 1, notJudged: 2, under: 3, over: 3 } as const

/**
 * Every gasket in stock with what it would make of the engine, best first: verdict, fewest limits broken, then nearest the
 * target. The fitted one is the engine as it is, with the gasket as it was measured where it was.
 */
export function gasketRack(build: Build): readonly RackRow[] {
  const { stock, choice, limits } = build.spec
  const { lower, upper, target = middle(lower, upper) } = limits['compression.compressionRatio'] ?? {}
  return stock.gaskets
    .map((gasket): RackRow => {
      const fitted = gasket.id === choice.gasket
      const after = fitted ? build : applyChanges(build, [{ choose: 'gasket', id: gasket.id }])
      const outcome = outcomeOf(after)
      const off = target === undefined ? 0 : outcome.ratios.reduce((sum, { ratio }) => sum + Math.abs(ratio.value - target), 0)
      return { gasket, fitted, outcome, after, offTarget: off / Math.max(1, outcome.ratios.length) }
    })
    .sort((a, b) => RANK[a.outcome.verdict] - RANK[b.outcome.verdict] || a.outcome.out - b.outcome.out || a.offTarget - b.offTarget)
}

function middle(lower: number | undefined, upper: number | undefined): number | undefined {
  if (lower === undefined || upper === undefined) return lower ?? upper
  return (lower + upper) / 2
}
