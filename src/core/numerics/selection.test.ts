import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { selectEvenly, type Option } from './selection'

/** Every pick there is. */
function* picks(rows: readonly (readonly Option[])[], taken: readonly number[] = []): Generator<readonly number[]> {
  const row = rows[taken.length]
  if (!row) {
    yield taken
    return
  }
  for (let option = 0; option < row.length; option++) yield* picks(rows, [...taken, option])
}

function bought(rows: readonly (readonly Option[])[], picked: readonly number[], stock: readonly number[]): number {
  const used = stock.map((_, part) =>
    picked.reduce((sum, option, row) => sum + rows[row]![option]!.uses.filter((one) => one === part).length, 0),
  )
  return used.reduce((sum, count, part) => sum + Math.max(0, count - stock[part]!), 0)
}

const option = fc.record({
  value: fc.integer({ min: 0, max: 12 }),
  uses: fc.tuple(fc.integer({ min: 0, max: 2 }), fc.integer({ min: 0, max: 2 })),
})
const rowsOf = fc.array(fc.array(option, { minLength: 1, maxLength: 4 }), { minLength: 1, maxLength: 4 })
const stockOf = fc.tuple(fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 5 }), fc.integer({ min: 0, max: 5 }))

describe('choosing from a shelf', () => {
  it.each(['shelf', 'buy'] as const)('agrees with every pick tried (%s): worst deviation, then spread, then what is bought', (from) => {
    fc.assert(
      fc.property(rowsOf, stockOf, (rows, stock) => {
        const found = selectEvenly(rows, 5, stock, from)
        const score = (picked: readonly number[]) => {
          const values = picked.map((one, row) => rows[row]![one]!.value)
          return [
            Math.max(...values.map((value) => Math.abs(value - 5))),
            Math.max(...values) - Math.min(...values),
            bought(rows, picked, stock),
          ] as const
        }
        const allowed = [...picks(rows)].filter((picked) => from === 'buy' || bought(rows, picked, stock) === 0)
        if (allowed.length === 0) return void expect(found).toBeUndefined()
        const best = allowed.map(score).sort((a, b) => a[0] - b[0] || a[1] - b[1] || a[2] - b[2])[0]!
        expect(found).toBeDefined()
        const [worst, spread, toBuy] = score(found!)
        expect([worst, spread]).toEqual([best[0], best[1]])
        expect(toBuy).toBe(best[2])
      }),
      { numRuns: 300, seed: 5 },
    )
  })

  it('serves nobody with nothing', () => {
    expect(selectEvenly([], 1, [], 'shelf')).toEqual([])
    expect(selectEvenly([[]], 1, [], 'buy')).toBeUndefined()
  })
})
