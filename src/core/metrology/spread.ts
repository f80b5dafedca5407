import { difference, type Uncertain } from './uncertain'

/**
 * Largest minus smallest of several values, with its doubt. What the two share (one gauge's bias) cancels.
 * Linear between the two extremes: a kink where a third value rivals them; reading noise alone makes a spread a little
 * too large (its expectation for n equal parts is d₂(n)·σ), so a "within" is on the cautious side.
 */
export function spread<Key>(values: ReadonlyMap<Key, Uncertain>): { spread: Uncertain; largest: Key; smallest: Key } | undefined {
  const ranked = [...values].sort(([, a], [, b]) => a.value - b.value)
  const smallest = ranked[0]
  const largest = ranked.at(-1)
  if (ranked.length < 2 || !smallest || !largest) return undefined
  return { spread: difference(largest[1], smallest[1]), largest: largest[0], smallest: smallest[0] }
}
