import fc from 'fast-check'
import { munkres } from 'munkres'
import { describe, expect, it } from 'vitest'
import { matchEvenly } from './matching'

const worstOf = (values: readonly (readonly number[])[], parts: readonly number[], target: number) =>
  Math.max(...parts.map((part, place) => Math.abs(values[place]![part]! - target)))
const spreadOf = (values: readonly (readonly number[])[], parts: readonly number[]) => {
  const taken = parts.map((part, place) => values[place]![part]!)
  return Math.max(...taken) - Math.min(...taken)
}
const moved = (parts: readonly number[]) => parts.filter((part, place) => part !== place).length

function* permutations(size: number, taken: readonly number[] = []): Generator<readonly number[]> {
  if (taken.length === size) yield taken
  for (let part = 0; part < size; part++) if (!taken.includes(part)) yield* permutations(size, [...taken, part])
}

const tables = (size: number) =>
  fc.array(
    fc.array(
      fc.integer({ min: 0, max: 60 }).map((tenths) => tenths / 10),
      { minLength: size, maxLength: size },
    ),
    { minLength: size, maxLength: size },
  )

describe('matching parts to places', () => {
  it('agrees with every permutation tried, worst first, then spread, then moves', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 5 }).chain(tables), fc.constantFrom(0, 2.5, 6), (values, target) => {
        const found = matchEvenly(values, target)
        expect([...found].sort((a, b) => a - b)).toEqual(values.map((_, index) => index))
        const best = [...permutations(values.length)]
          .map((parts) => [worstOf(values, parts, target), spreadOf(values, parts), moved(parts)] as const)
          .reduce((least, one) =>
            one[0] < least[0] - 1e-9 ||
            (one[0] < least[0] + 1e-9 && (one[1] < least[1] - 1e-9 || (one[1] < least[1] + 1e-9 && one[2] < least[2])))
              ? one
              : least,
          )
        expect(worstOf(values, found, target)).toBeCloseTo(best[0], 9)
        expect(spreadOf(values, found)).toBeCloseTo(best[1], 9)
        expect(moved(found)).toBe(best[2])
      }),
      { numRuns: 200, seed: 1 },
    )
  })

  it('reaches on large tables the worst deviation that the Hungarian method proves, cost raised to a high power', () => {
    fc.assert(
      fc.property(tables(12), (values) => {
        // With costs that grow so fast, the cheapest total is the one whose dearest pair is cheapest.
        const steps = [...new Set(values.flat().map((value) => Math.abs(value - 3)))].sort((a, b) => a - b)
        const worst = worstOf(values, matchEvenly(values, 3), 3)
        const priced = (limit: number) => values.map((row) => row.map((value) => Number(Math.abs(value - 3) > limit + 1e-9)))
        const cost = (limit: number) => munkres(priced(limit)).reduce((sum, [place, part]) => sum + priced(limit)[place]![part]!, 0)
        expect(cost(worst)).toBe(0)
        const below = steps.filter((step) => step < worst - 1e-9).at(-1)
        if (below !== undefined) expect(cost(below)).toBeGreaterThan(0)
      }),
      { numRuns: 40, seed: 2 },
    )
  })

  it('leaves parts where they are when nothing is gained', () => {
    expect(
      matchEvenly(
        [
          [1, 1, 1],
          [1, 1, 1],
          [1, 1, 1],
        ],
        1,
      ),
    ).toEqual([0, 1, 2])
    expect(matchEvenly([], 1)).toEqual([])
  })
})
