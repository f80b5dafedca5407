/** A walk of one's own: steps added to it, and others moved, as far as what waits for what allows. */
import type { StageId } from '../document/walkStages'
import type { Spec } from '../document/types'
import type { Step } from './step'

/** The spec with one more step at the end of a stage; its id is the first that is free. */
export function withOwnStep(spec: Spec, stage: StageId, title: string, why: string): Spec {
  const own = spec.walk?.own ?? []
  const taken = new Set(own.map(({ id }) => id))
  const id = Array.from({ length: own.length + 1 }, (_, index) => `own.${index + 1}`).find((one) => !taken.has(one))!
  return { ...spec, walk: { ...spec.walk, own: [...own, { id, stage, title, ...(why && { why }) }] } }
}

/** Whether a step may go before, or behind, the one beside it in its stage: neither waits for the other. */
export function mayMove(steps: readonly Step[], id: string, by: -1 | 1): boolean {
  const beside = neighbour(steps, id, by)
  const step = steps.find((one) => one.id === id)
  return step !== undefined && beside !== undefined && !beside.after.includes(id) && !step.after.includes(beside.id)
}

/** The spec with a step moved by one within its stage; as it was where it may not. */
export function withStepMoved(spec: Spec, steps: readonly Step[], id: string, by: -1 | 1): Spec {
  if (!mayMove(steps, id, by)) return spec
  const other = neighbour(steps, id, by)!.id
  const swapped = new Map([
    [id, other],
    [other, id],
  ])
  return { ...spec, walk: { ...spec.walk, order: steps.map((step) => swapped.get(step.id) ?? step.id) } }
}

function neighbour(steps: readonly Step[], id: string, by: -1 | 1): Step | undefined {
  const at = steps.findIndex((one) => one.id === id)
  const beside = steps[at + by]
  return at >= 0 && beside?.stage === steps[at]!.stage ? beside : undefined
}
