import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { rootBetween, rootOr } from './roots'

describe('a root in a bracket', () => {
  it('is found to the last digits, whichever end is named first', () => {
    expect(
      rootOr(
        rootBetween((x) => x * x - 2, 0, 2),
        undefined,
      ),
    ).toBeCloseTo(Math.SQRT2, 13)
    expect(
      rootOr(
        rootBetween((x) => x * x - 2, 2, 0),
        undefined,
      ),
    ).toBeCloseTo(Math.SQRT2, 13)
    expect(rootOr(rootBetween(Math.cos, 0, 3), undefined)).toBeCloseTo(Math.PI / 2, 13)
  })

  it('lies where the sign changes, wherever that is', () => {
    fc.assert(
      fc.property(fc.double({ min: -90, max: 90, noNaN: true }), fc.double({ min: 0.01, max: 5, noNaN: true }), (at, slope) => {
        const root = rootBetween((x) => slope * (x - at) ** 3, -100, 110)
        expect(rootOr(root, Number.NaN)).toBeCloseTo(at, 9)
      }),
    )
  })

  it('is not made up: a bracket without a change of sign has none, and one that ends in no number says so', () => {
    expect(rootBetween((x) => x * x + 1, -1, 1)).toEqual({ status: 'noSignChange' })
    expect(rootBetween((x) => x * x - 1, -2, 2)).toEqual({ status: 'noSignChange' })
    expect(rootBetween((x) => -1 - x * x, -1, 1)).toEqual({ status: 'noSignChange' })
    expect(rootBetween(Math.log, 0, 2)).toEqual({ status: 'notFinite' })
    expect(rootBetween(Math.sqrt, -1, 2)).toEqual({ status: 'notFinite' })
  })

  it('is, for a function that is nothing at one end, that end', () => {
    expect(rootBetween((x) => x - 3, 1, 3)).toEqual({ status: 'found', x: 3 })
    expect(rootBetween((x) => x - 3, 3, 5)).toEqual({ status: 'found', x: 3 })
    // Nothing at one end and negative behind it: the edge is there, not a step further.
    expect(rootBetween((x) => -x, 0, 0.5)).toEqual({ status: 'found', x: 0 })
  })

  it('is replaced where there is none by what is said to stand for it', () => {
    expect(
      rootOr(
        rootBetween((x) => x, 1, 2),
        7,
      ),
    ).toBe(7)
    expect(
      rootOr(
        rootBetween((x) => x - 1.5, 1, 2),
        7,
      ),
    ).toBeCloseTo(1.5, 12)
  })
})
