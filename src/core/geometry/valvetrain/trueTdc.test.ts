import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bothSides, dropAtMm, middleOffDeg, wrapped } from './trueTdc'

const crank = (pinOffsetMm: number) => ({ strokeMm: 90, rodMm: 150, pinOffsetMm })

/** Height of the pin by the law of cosines in the triangle crank centre, crank pin, piston pin; the top by golden section. */
function heightMm(offsetMm: number, phiDeg: number): number {
  const phi = (phiDeg * Math.PI) / 180
  const across = 45 * Math.sin(phi) - offsetMm
  return 45 * Math.cos(phi) + 150 * Math.cos(Math.asin(across / 150))
}
function topDeg(offsetMm: number): number {
  let [low, high] = [-20, 20]
  const golden = (Math.sqrt(5) - 1) / 2
  for (let step = 0; step < 100; step++) {
    const [a, b] = [high - golden * (high - low), low + golden * (high - low)]
    if (heightMm(offsetMm, a) > heightMm(offsetMm, b)) high = b
    else low = a
  }
  return (low + high) / 2
}
/** Where the piston stands at a height, by the secant method from a start. */
function phiAt(offsetMm: number, mm: number, start: number): number {
  let [a, b] = [start, start + 1]
  for (let step = 0; step < 60 && a !== b; step++) {
    const [atA, atB] = [heightMm(offsetMm, a) - mm, heightMm(offsetMm, b) - mm]
    if (atA === atB) break
    ;[a, b] = [b, b - (atB * (b - a)) / (atB - atA)]
  }
  return b
}

describe('the middle of two readings', () => {
  it.each([
    [350, 10, 0, 10],
    [-24, 26, 1, 25],
    [335, 26, 0.5, 25.5],
    [-95, 95, 0, 95],
    [265, 95, 0, 95],
    [26, -24, 1, 25],
    // A wheel that was put on anyhow: near to each other is near to the top.
    [100, 140, 120, 20],
    [-69, 71, 1, 70],
    [-71, 72, 0.5, 71.5],
    // Up to 140° apart the middle between them counts, wherever it is; further apart the one nearer to zero.
    [110, 249.5, 179.75, 69.75],
    [110, 250.5, 0.25, 109.75],
  ])('%f and %f is %f, %f either side', (before, after, middleDeg, halfDeg) => {
    const both = bothSides(before, after)
    expect(both.middleDeg).toBeCloseTo(middleDeg, 9)
    expect(both.halfDeg).toBeCloseTo(halfDeg, 9)
  })

  it('turns with the wheel', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 69, noNaN: true }), fc.double({ min: -720, max: 720, noNaN: true }), (half, at) => {
        const both = bothSides(at - half, at + half)
        expect(Math.abs(wrapped(both.middleDeg - at))).toBeLessThan(1e-6)
        expect(both.halfDeg).toBeCloseTo(half, 6)
      }),
      { numRuns: 300, seed: 1 },
    )
  })
})

describe('equal drops with an offset pin', () => {
  it.each([
    [1.27, 1],
    [20, 1],
    [45, -0.8],
    [45, 2],
    [80, 0.5],
  ])('%f mm down with %f mm of offset, by secants on another form of the triangle', (dropMm, offsetMm) => {
    const top = topDeg(offsetMm)
    const mm = heightMm(offsetMm, top) - dropMm
    const [before, after] = [phiAt(offsetMm, mm, top - 60), phiAt(offsetMm, mm, top + 60)]
    const half = (after - before) / 2
    expect(middleOffDeg(crank(offsetMm), half)).toBeCloseTo((before + after) / 2 - top, 4)
    expect(dropAtMm(crank(offsetMm), half)).toBeCloseTo(dropMm, 4)
  })

  it('is about 0.09° a millimetre at mid-stroke and nothing to speak of at 1.27 mm (common practice)', () => {
    expect(middleOffDeg(crank(1), 82)).toBeGreaterThan(0.08)
    expect(middleOffDeg(crank(1), 82)).toBeLessThan(0.1)
    expect(Math.abs(middleOffDeg(crank(1), 12))).toBeLessThan(0.01)
    expect(middleOffDeg(crank(0), 82)).toBe(0)
    expect(middleOffDeg(crank(-1), 82)).toBeCloseTo(-middleOffDeg(crank(1), 82), 9)
  })
})
