import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { reordered } from '.'

describe('an order rearranged by hand', () => {
  it('puts one before or behind another, several together in the order they had', () => {
    expect(reordered([1, 2, 3, 4, 5], [5], { beside: 2, where: 'before' })).toEqual([1, 5, 2, 3, 4])
    expect(reordered([1, 2, 3, 4, 5], [1], { beside: 3, where: 'after' })).toEqual([2, 3, 1, 4, 5])
    expect(reordered([1, 2, 3, 4, 5], [4, 2], { beside: 5, where: 'after' })).toEqual([1, 3, 5, 2, 4])
    expect(reordered([1, 2, 3], [2], { beside: 2, where: 'after' })).toEqual([1, 2, 3])
  })

  it('keeps every fastener once, and the others in their order', () => {
    const cases = fc
      .uniqueArray(fc.integer({ min: 1, max: 40 }), { minLength: 2, maxLength: 20 })
      .chain((order) =>
        fc.tuple(
          fc.constant(order),
          fc.subarray(order, { minLength: 1 }),
          fc.constantFrom(...order),
          fc.constantFrom('before' as const, 'after' as const),
        ),
      )
    fc.assert(
      fc.property(cases, ([order, moved, beside, where]) => {
        const next = reordered(order, moved, { beside, where })
        expect([...next].sort((a, b) => a - b)).toEqual([...order].sort((a, b) => a - b))
        expect(next.filter((one) => !moved.includes(one))).toEqual(order.filter((one) => !moved.includes(one)))
      }),
    )
  })
})
