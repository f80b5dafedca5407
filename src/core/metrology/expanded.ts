import { studentCoverageFactor } from '../numerics/distributions'
import { effectiveDof, standardUncertainty, type Expanded, type Uncertain } from './uncertain'

/** Below this many degrees of freedom k = 2 claims too much (GUM G.6.6 uses the same "about 10"). */
const FEW_DOF = 10
const COVERAGE = 0.95

/** Expanded uncertainty U = k·u: k = 2, or Student's t at 95 % when few repeats are behind it (GUM G.4, G.6). */
export function expand(x: Uncertain): Expanded {
  const dof = effectiveDof(x)
  const k = coverageFactor(dof)
  return { k, dof, U: k * standardUncertainty(x) }
}

export function coverageFactor(dof: number): number {
  // GUM G.4.1 note 1: the effective degrees of freedom are truncated to the next lower whole number.
  return dof >= FEW_DOF ? 2 : studentCoverageFactor(COVERAGE, Math.max(1, Math.floor(dof)))
}
