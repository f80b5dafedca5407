import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { graduations, niceNumber } from './graduations'

describe('a figure one would say', () => {
  it.each([
    [0.13, 0.2, 0.1],
    [2, 2, 2],
    [7, 10, 5],
    [4900, 5000, 2000],
  ])('%s is %s or %s', (number, up, down) => {
    expect(niceNumber(number, 'up')).toBeCloseTo(up, 12)
    expect(niceNumber(number, 'down')).toBeCloseTo(down, 12)
  })
})

describe('graduations', () => {
  it.each([
    [1.37, 3.62, [1, 1.5, 2, 2.5, 3, 3.5, 4], 1],
    [0, 100, [0, 20, 40, 60, 80, 100], 0],
    [8.86, 9.12, [8.8, 8.9, 9, 9.1, 9.2], 1],
  ] as const)('%s to %s', (low, high, marks, decimals) => {
    expect(graduations(low, high, 5)).toEqual({ marks, decimals })
  })

  it('hold what they are for, on even steps of 1, 2 or 5', () => {
    fc.assert(
      fc.property(fc.double({ min: -1000, max: 1000, noNaN: true }), fc.double({ min: 0.01, max: 500, noNaN: true }), (low, span) => {
        const { marks, decimals } = graduations(low, low + span, 5)
        expect(marks[0]!).toBeLessThanOrEqual(low + span * 1e-6)
        expect(marks.at(-1)!).toBeGreaterThanOrEqual(low + span * (1 - 1e-6))
        expect(marks.length).toBeLessThanOrEqual(8)
        const step = marks[1]! - marks[0]!
        expect([1, 2, 5, 10].map(String)).toContain(String(Math.round(step / 10 ** Math.floor(Math.log10(step) + 1e-9))))
        for (const mark of marks) expect(mark).toBe(Number(mark.toFixed(decimals)))
      }),
    )
  })
})
