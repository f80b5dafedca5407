import type { Build } from '../document/build'
import type { Finding, OutputId } from '../bench/bench'
import { compare, isOut, type Moved } from './compare'
import { evaluate } from './evaluate'

/** Findings that no plan may bring out of their limits without a reason on record: what meets at speed breaks an engine. */
const NEVER_UNASKED: ReadonlySet<OutputId> = new Set([
  'clearance.closest',
  'clearance.atRedline',
  'clearance.valveToValve',
  'clearance.pistonToHead',
  'clearance.headAtRedline',
])

/**
 * What a newly planned change brings too near, among what was not before: nothing where everything newly planned says why it is done
 * despite that, and on whose word.
 */
export function plannedTooNear(before: Build, after: Build): readonly Finding[] {
  const known = new Set((before.spec.planned ?? []).map(({ id }) => id))
  const unasked = (after.spec.planned ?? []).some(({ id, despite }) => !known.has(id) && !despite)
  return unasked ? tooNear(compare(evaluate(before), evaluate(after))) : []
}

/** What is too near after a change and was not before. */
export function tooNear(moved: readonly Moved[]): readonly Finding[] {
  return moved.flatMap(({ before, after }) => (after && NEVER_UNASKED.has(after.output) && isOut(after) && !isOut(before) ? [after] : []))
}
