import { describe, expect, it } from 'vitest'
import { closedHalfDurationDeg, closedLiftMm, lobeOfDuration } from './closedLobe'

describe('a closed lobe', () => {
  it.each([
    [10.2, 150, 2.6, 222.7],
    [10, 152, 2.6, 225],
    [0.4 * 25.4, 184, 2.9, 263.3],
    [0.4 * 25.4, 189, 2.9, 270.4],
    [9.6, 146, 2.6, 214.7],
  ])('of %f mm, %f° and power %f lasts %f° at 1.27 mm (the demo’s lobes)', (liftMm, halfWidthDeg, power, durationDeg) => {
    expect(2 * closedHalfDurationDeg({ liftMm, halfWidthDeg, power }, 1.27)!).toBeCloseTo(durationDeg, 1)
  })

  it('lifts to its peak in the middle, the same on both sides, and not at all beyond its width', () => {
    const lobe = { liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }
    expect(closedLiftMm(lobe, 0)).toBe(10.2)
    expect(closedLiftMm(lobe, 75)).toBeCloseTo(10.2 * 0.75 ** 2.6, 12)
    expect(closedLiftMm(lobe, -75)).toBe(closedLiftMm(lobe, 75))
    expect(closedLiftMm(lobe, 150)).toBe(0)
    expect(closedLiftMm(lobe, -151)).toBe(0)
  })

  it('never lifts to its peak or above for any duration', () => {
    const lobe = { liftMm: 10, halfWidthDeg: 150, power: 2.6 }
    expect(closedHalfDurationDeg(lobe, 10)).toBeUndefined()
    expect(closedHalfDurationDeg(lobe, 0)).toBeUndefined()
  })

  it('is found again from lift and duration of its card', () => {
    const lobe = { liftMm: 9.6, halfWidthDeg: 146, power: 2.6 }
    const found = lobeOfDuration(9.6, 2 * closedHalfDurationDeg(lobe, 1.27)!, 1.27)!
    expect(found).toEqual({ liftMm: 9.6, halfWidthDeg: expect.closeTo(146, 9), power: 2.6 })
    expect(lobeOfDuration(1.2, 214, 1.27)).toBeUndefined()
  })
})
