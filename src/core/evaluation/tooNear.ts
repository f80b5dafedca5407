import type { Build } from '../document/build'
import type { Finding } from '../bench/bench'
import { BENCHES } from '../benches'
import { compare, isOut, type Moved } from './compare'
import { evaluate } from './evaluate'

/** Findings that no plan may bring out of their limits without a reason on record: what meets at speed breaks an engine. */
export const PARTS_MEET: ReadonlySet<string> = new Set(
  BENCHES.flatMap(({ definition }) => Object.entries(definition.outputs).flatMap(([id, { partsMeet }]) => (partsMeet ? [id] : []))),
)

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
  return moved.flatMap(({ before, after }) => (after && PARTS_MEET.has(after.output) && isOut(after) && !isOut(before) ? [after] : []))
}
