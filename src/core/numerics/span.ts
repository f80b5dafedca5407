/** Largest minus smallest; zero of none. */
export function span(values: readonly number[]): number {
  return values.length === 0 ? 0 : Math.max(...values) - Math.min(...values)
}
