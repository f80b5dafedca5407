import { selectionU } from './extremes'
import { difference, type Uncertain } from './uncertain'

/**
 * Largest minus smallest of several values. What they share (one gauge's bias) cancels; `selectionU` is what picking the
 * outermost of noisy values adds.
 */
export function spread<Key>(
  values: ReadonlyMap<Key, Uncertain>,
): { spread: Uncertain; selectionU: number; largest: Key; smallest: Key } | undefined {
  const ranked = [...values].sort(([, a], [, b]) => a.value - b.value)
  const smallest = ranked[0]
  const largest = ranked.at(-1)
  if (ranked.length < 2 || !smallest || !largest) return undefined
  const picked = difference(largest[1], smallest[1])
  return { spread: picked, selectionU: selectionU('range', [...values.values()], picked), largest: largest[0], smallest: smallest[0] }
}
