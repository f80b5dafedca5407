import { munkres } from 'munkres'

/** One of two equal parts is not worth moving for less than this share of the numbers compared. */
const REL_TOL = 1e-9

/**
 * Which part goes to which place, when `values[place][part]` is what the pair comes to: the worst deviation from `target` as
 * small as can be, then the spread (largest − smallest), then the fewest parts moved from the place of their own number.
 * Returns the part of each place. Square tables only.
 *
 * Worst deviation: bottleneck assignment by thresholds. Spread: the narrowest window of values that still holds a whole
 * assignment. Fewest moves: the Hungarian method of the package munkres on what the first two leave (Kuhn 1955, Munkres 1957).
 */
export function matchEvenly(values: readonly (readonly number[])[], target: number): readonly number[] {
  const size = values.length
  if (size === 0) return []
  const all = [...new Set(values.flat())].sort((a, b) => a - b)
  const slack = REL_TOL * Math.max(...all.map((value) => Math.abs(value - target)), Number.MIN_VALUE)
  const deviations = [...new Set(all.map((value) => Math.abs(value - target)))].sort((a, b) => a - b)
  const worst =
    deviations[firstTrue(deviations.length, (at) => canAssign(values, target - deviations[at]! - slack, target + deviations[at]! + slack))]!
  const inReach = all.filter((value) => Math.abs(value - target) <= worst + slack)
  const window = narrowestWindow(values, inReach)
  const allowed = (value: number) => value >= window.low - slack && value <= window.high + slack
  // A pair that is not allowed costs more than every move together.
  const costs = values.map((row, place) => row.map((value, part) => (allowed(value) ? Number(place !== part) : size + 1)))
  const partOf = new Map(munkres(costs))
  return values.map((_, place) => partOf.get(place)!)
}

/** The narrowest range of `sorted` values in which every place still finds a part: the ends of a window walk up in turn. */
function narrowestWindow(values: readonly (readonly number[])[], sorted: readonly number[]): { low: number; high: number } {
  let best = { low: sorted[0]!, high: sorted.at(-1)! }
  let high = 0
  for (const low of sorted) {
    while (high < sorted.length && (sorted[high]! < low || !canAssign(values, low, sorted[high]!))) high++
    if (high === sorted.length) break
    if (sorted[high]! - low < best.high - best.low) best = { low, high: sorted[high]! }
  }
  return best
}

/** Whether every place can have a part of its own with its value in [low, high]: augmenting paths of a bipartite matching. */
function canAssign(values: readonly (readonly number[])[], low: number, high: number): boolean {
  const placeOf = new Int32Array(values.length).fill(-1)
  const seen = new Int32Array(values.length).fill(-1)
  const seat = (place: number, round: number): boolean =>
    values[place]!.some((value, part) => {
      if (value < low || value > high || seen[part] === round) return false
      seen[part] = round
      if (placeOf[part]! >= 0 && !seat(placeOf[part]!, round)) return false
      placeOf[part] = place
      return true
    })
  return values.every((_, place) => seat(place, place))
}

/** The first index at which a test that stays true once true is true; the last one when it never is. */
function firstTrue(length: number, test: (at: number) => boolean): number {
  let [low, high] = [0, length - 1]
  while (low < high) {
    const middle = (low + high) >> 1
    if (test(middle)) high = middle
    else low = middle + 1
  }
  return low
}
