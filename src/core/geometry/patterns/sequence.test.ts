import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { capPattern, circlePattern, headPattern, middleOf, rectanglePattern } from './pattern'
import type { Position } from '../sheets/sheets'
import { centreOut, loadedFirst, orderIssues, outsideIn, spiral } from './sequence'

const twoRows = (cylinders: number) =>
  headPattern(cylinders, 90, [
    { yMm: 55, at: 'between' },
    { yMm: -55, at: 'between' },
  ])

/** Patterns as engines have them: heads with two to four rows, caps, circles, edges. */
const patterns = fc.oneof(
  fc
    .tuple(
      fc.integer({ min: 1, max: 8 }),
      fc.double({ min: 70, max: 130, noNaN: true }),
      fc.subarray(['between', 'middle', 'betweenOnly'] as const),
    )
    .map(([cylinders, spacing, extra]) =>
      headPattern(cylinders, spacing, [
        { yMm: 50, at: 'between' },
        { yMm: -50, at: 'between' },
        ...extra.map((at, index) => ({ yMm: 75 * (index % 2 === 0 ? 1 : -1) + index, at })),
      ]),
    ),
  fc.integer({ min: 3, max: 24 }).map((count) => circlePattern(count, 90)),
  fc
    .tuple(fc.integer({ min: 2, max: 9 }), fc.integer({ min: 2, max: 6 }))
    .map(([along, across]) => rectanglePattern(along, across, 300, 180)),
  fc.tuple(fc.integer({ min: 1, max: 9 }), fc.constantFrom([40], [40, 70], [40, 70, 90])).map(([caps, across]) =>
    capPattern(
      Array.from({ length: caps }, (_, cap) => cap * 95),
      across,
    ),
  ),
)

const distances = (positions: readonly Position[]) => {
  const middle = middleOf(positions)
  return positions.map(({ xMm, yMm }) => Math.hypot(xMm - middle.xMm, yMm - middle.yMm))
}

describe('patterns', () => {
  it('a head shares the fasteners between its cylinders: one gap more than cylinders', () => {
    expect(twoRows(5)).toHaveLength(12)
    expect(twoRows(5)[0]).toEqual({ xMm: -45, yMm: 55 })
    expect(twoRows(5)[5]).toEqual({ xMm: 405, yMm: 55 })
    // Seventeen a bank of a V8: five between on either side, four beside the cylinders, three in the inner gaps alone.
    const rows = [
      { yMm: 60, at: 'between' },
      { yMm: -60, at: 'between' },
      { yMm: 85, at: 'middle' },
      { yMm: -85, at: 'betweenOnly' },
    ] as const
    expect(headPattern(4, 111.8, rows)).toHaveLength(17)
    expect(headPattern(1, 100, [{ yMm: 0, at: 'betweenOnly' }])).toEqual([])
  })

  it('a circle stands evenly, the first at the top and on clockwise', () => {
    expect(circlePattern(4, 80)).toEqual([
      { xMm: 0, yMm: 40 },
      { xMm: 40, yMm: 0 },
      { xMm: 0, yMm: -40 },
      { xMm: -40, yMm: 0 },
    ])
  })

  it('an edge has every corner once', () => {
    const edge = rectanglePattern(4, 3, 300, 100)
    expect(edge).toHaveLength(2 * 4 + 2 * 1)
    expect(new Set(edge.map(({ xMm, yMm }) => `${xMm}/${yMm}`)).size).toBe(edge.length)
    expect(edge.filter(({ xMm, yMm }) => (xMm === 0 || xMm === 300) && (yMm === 0 || yMm === 100))).toHaveLength(4)
  })

  it('caps hold two, four or six', () => {
    expect(capPattern([0, 95, 190], [42, 70])).toHaveLength(12)
    expect(capPattern([10], [42])).toEqual([
      { xMm: 10, yMm: -42 },
      { xMm: 10, yMm: 42 },
    ])
  })
})

describe('sequences', () => {
  it('take every position once a stage', () => {
    fc.assert(
      fc.property(patterns, fc.constantFrom(centreOut, spiral), (positions, sequence) => {
        const order = sequence(positions)
        expect(order.toSorted((a, b) => a - b)).toEqual(positions.map((_, index) => index))
      }),
    )
  })

  it('start with one of the nearest to the middle', () => {
    fc.assert(
      fc.property(patterns, fc.constantFrom(centreOut, spiral), (positions, sequence) => {
        const out = distances(positions)
        expect(out[sequence(positions)[0]!]!).toBeLessThanOrEqual(Math.min(...out) + 0.5)
      }),
    )
  })

  it('a spiral never comes back inwards by more than a ring', () => {
    fc.assert(
      fc.property(patterns, (positions) => {
        const out = distances(positions)
        const pulled = spiral(positions).map((index) => out[index]!)
        for (const [at, distance] of pulled.entries()) expect(distance).toBeGreaterThanOrEqual(Math.max(...pulled.slice(0, at + 1)) - 0.5)
      }),
    )
  })

  it('centre out pulls opposite pairs wherever the pattern has a place opposite', () => {
    fc.assert(
      fc.property(patterns, (positions) => {
        const middle = middleOf(positions)
        const at = (index: number) => ({ x: positions[index]!.xMm - middle.xMm, y: positions[index]!.yMm - middle.yMm })
        const order = centreOut(positions)
        // A place that has its mirror image in the pattern is torqued directly before or after it.
        for (const [turn, index] of order.entries()) {
          const { x, y } = at(index)
          if (Math.hypot(x, y) < 1) continue
          const mirror = positions.findIndex((_, other) => Math.hypot(at(other).x + x, at(other).y + y) < 1e-3)
          if (mirror >= 0) expect(Math.abs(order.indexOf(mirror) - turn)).toBe(1)
        }
      }),
    )
  })

  it('are none of those that run from one end', () => {
    fc.assert(
      fc.property(patterns, (positions) => {
        fc.pre(positions.length >= 4)
        const members = positions.map((_, index) => index)
        expect(orderIssues(centreOut(positions), members, positions)).toEqual([])
      }),
    )
  })

  it('of a ten-stud head: the inner four crosswise, then outwards', () => {
    // By hand: gaps 0 to 4 on the right (indices 0–4) and on the left (5–9); the middle gap is 2.
    expect(centreOut(twoRows(4))).toEqual([2, 7, 1, 8, 3, 6, 0, 9, 4, 5])
  })

  it('of a circle of six: across, then as far from those as may be', () => {
    const order = centreOut(circlePattern(6, 100))
    for (const pair of [0, 2, 4]) expect(Math.abs(order[pair]! - order[pair + 1]!)).toBe(3)
  })

  it('of a circle of an odd number: the star, never a neighbour after a neighbour (common practice)', () => {
    expect(centreOut(circlePattern(5, 100))).toEqual([0, 2, 4, 1, 3])
    for (let count = 5; count <= 25; count += 2) {
      const order = centreOut(circlePattern(count, 100))
      const apart = order.slice(1).map((place, turn) => {
        const steps = Math.abs(place - order[turn]!)
        return Math.min(steps, count - steps)
      })
      expect(Math.min(...apart), `${count}`).toBeGreaterThanOrEqual(2)
    }
  })

  it('loaded caps come first, loosening turns the order round', () => {
    const caps = capPattern([0, 90, 180, 270, 360], [20])
    const isLoaded = (index: number) => index === 0 || index === 7
    expect(
      loadedFirst(caps, isLoaded)
        .slice(0, 2)
        .toSorted((a, b) => a - b),
    ).toEqual([0, 7])
    expect(outsideIn([3, 1, 2])).toEqual([2, 1, 3])
  })
})

describe('an order somebody wrote', () => {
  const positions = twoRows(4)
  const members = positions.map((_, index) => index)
  it('is told what is missing, doubled or not there, as numbered on the casting', () => {
    expect(orderIssues([2, 7, 7, 1, 8, 3, 6, 0, 9, 4], members, positions)).toEqual([
      { code: 'missing', fasteners: [6] },
      { code: 'doubled', fasteners: [8] },
    ])
    expect(orderIssues([...members, 10], members, positions)).toEqual([{ code: 'unknown', fasteners: [11] }])
  })

  it('is told that it runs from one end, either way, and only then', () => {
    expect(orderIssues([0, 5, 1, 6, 2, 7, 3, 8, 4, 9], members, positions)).toEqual([{ code: 'fromOneEnd' }])
    expect(orderIssues([4, 9, 3, 8, 2, 7, 1, 6, 0, 5], members, positions)).toEqual([{ code: 'fromOneEnd' }])
    expect(orderIssues([2, 7, 1, 8, 3, 6, 0, 9, 4, 5], members, positions)).toEqual([])
    // One side after the other, each from its middle: not from an end.
    expect(orderIssues([2, 1, 3, 0, 4, 7, 6, 8, 5, 9], members, positions)).toEqual([])
    // Three have no middle to start from.
    expect(orderIssues([0, 1, 2], [0, 1, 2], positions)).toEqual([])
  })
})
