import { describe, expect, it } from 'vitest'
import { randomStream, seedOf } from '../../numerics/random'
import { closedLiftMm } from './closedLobe'
import { eventsAt, uOf } from './lobeEvents'
import { lobeCurve } from './lobeCurve'
import { refits } from './refits'

const UNCERTAINTY = { wheelDeg: 0.25, dialMm: 0.005 }
const rowsFrom = (from: number, seed = 5) => {
  const random = randomStream(seedOf(seed))
  return Array.from({ length: Math.floor((320 - from) / 2) }, (_, index) => {
    const angleDeg = from + 2 * index
    const at = angleDeg - 109.5 + UNCERTAINTY.wheelDeg * random.normal()
    return { angleDeg, liftMm: closedLiftMm({ liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }, at) + UNCERTAINTY.dialMm * random.normal() }
  })
}
const all = (curve: ReturnType<typeof lobeCurve>, more: object = {}, count = 400) => [
  ...refits(curve, UNCERTAINTY, { checkLiftMm: 1.27, count, seed: 11, ...more }),
]

describe('refits', () => {
  const curve = lobeCurve(rowsFrom(-80), UNCERTAINTY)

  it('scatter about where the curve was as much as its uncertainty says, by another way', () => {
    const { spread } = all(curve, {}, 1000).at(-1)!
    const stated = eventsAt(curve, 1.27)
    for (const name of ['open', 'close', 'duration', 'centreline'] as const) {
      const { mean, sd } = spread![name]
      expect(Math.abs(mean - stated[name]!.value)).toBeLessThan(uOf(stated[name]!))
      // A refit keeps its weights and has no bias to cover: a little less than the uncertainty that is stated.
      expect(sd / uOf(stated[name]!)).toBeGreaterThan(0.6)
      expect(sd / uOf(stated[name]!)).toBeLessThan(1.15)
    }
  })

  it('carry what is common: TDC moves both events and the centreline, and leaves the duration', () => {
    const without = all(curve).at(-1)!.spread!
    const withTdc = all(curve, { common: { tdcDeg: 1 } }).at(-1)!.spread!
    expect(withTdc.centreline.sd).toBeGreaterThan(0.9)
    expect(Math.abs(withTdc.duration.sd - without.duration.sd)).toBeLessThan(0.05)
    const tilted = all(curve, { common: { tiltShare: 0.05 } }).at(-1)!.spread!
    expect(tilted.duration.sd).toBeGreaterThan(2 * without.duration.sd)
    expect(Math.abs(tilted.centreline.sd - without.centreline.sd)).toBeLessThan(0.05)
  })

  it('say how far they have come, and come out the same every time', () => {
    const slices = all(curve, {}, 250)
    expect(slices.map(({ done }) => done)).toEqual([100, 200, 250])
    expect(slices.slice(0, -1).every(({ spread }) => spread === undefined)).toBe(true)
    expect(all(curve, {}, 250).at(-1)).toEqual(slices.at(-1))
  })

  it('are none where the table does not come down to the lift on one side', () => {
    expect(all(lobeCurve(rowsFrom(60), UNCERTAINTY))).toEqual([])
  })
})
