import { max } from 'd3-array'
import type { Joint } from '../document/types'
import type { RunRefusal } from './plan'
import { stepsOf, type Run } from './run'

/** A wrench's own step: what is nearer is the same figure. */
const SAME_NM = 0.5

/** A re-torque never goes above what a fastener was first torqued to; `runs` with the one begun last first. */
export function retorqueRefusals(joint: Joint, runs: readonly Run[]): readonly RunRefusal[] {
  const first = runs.find(({ way, isEnded, isCancelled }) => way === 'tighten' && isEnded && !isCancelled)
  if (!first) return []
  const above = stepsOf(joint, 'retorque').flatMap(({ fastener, pull }): RunRefusal[] => {
    const firstNm = lastPulledNm(first, fastener)
    return pull.pull === 'torque' && firstNm !== undefined && pull.nm > firstNm + SAME_NM
      ? [{ code: 'aboveFirst', nm: pull.nm, firstNm }]
      : []
  })
  return above.slice(0, 1)
}

/** The most a run torqued a fastener to, N·m, as it was recorded then: the plan may be another one by now. */
function lastPulledNm({ path }: Run, fastener: number): number | undefined {
  return max(path, ({ did, unit, value, fastener: at }) => (did === 'pulled' && unit === 'Nm' && at === fastener ? value : undefined))
}
