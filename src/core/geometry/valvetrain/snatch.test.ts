import { describe, expect, it } from 'vitest'
import { closedLiftMm } from './closedLobe'
import { snatchAnglesDeg } from './snatch'

const lobe = { liftMm: 10, halfWidthDeg: 150, power: 2.6 }
const at = (centreDeg: number) => (deg: number) => {
  const off = (((deg - centreDeg) % 720) + 720) % 720
  return closedLiftMm(lobe, off > 360 ? off - 720 : off)
}
const near = (found: readonly number[], wanted: readonly number[]) => {
  expect(found).toHaveLength(wanted.length)
  for (const [index, deg] of wanted.entries()) expect(Math.abs(found[index]! - deg)).toBeLessThan(0.5)
}

describe('a shaft turned by hand', () => {
  it('goes over at the peak of each lobe where they open one by one', () => {
    near(snatchAnglesDeg([at(110)]), [110])
    near(snatchAnglesDeg([at(110), at(470)]), [110, 470])
  })

  it('of four cylinders goes over between peaks: one still holds while another drives', () => {
    const four = [0, 180, 360, 540].map((phase) => at(110 + phase))
    const found = snatchAnglesDeg(four)
    expect(found).toHaveLength(4)
    // Evenly spaced, like the lobes.
    near(
      found.map((deg) => deg - found[0]!),
      [0, 180, 360, 540],
    )
    // Exhausts on the same shaft move it.
    expect(snatchAnglesDeg([...four, ...[0, 180, 360, 540].map((phase) => at(610 + phase))])[0]).not.toBeCloseTo(found[0]!, 1)
  })

  it('goes over where its springs hold most: force 1 + 1.4 · lift ÷ most, over the lift', () => {
    const lifts = [at(110), at(254), at(300), at(560)]
    const held = (deg: number) => lifts.reduce((sum, lift) => sum + lift(deg) + (0.7 * lift(deg) ** 2) / 10, 0)
    const tops = Array.from({ length: 7200 }, (_, index) => index / 10).filter(
      (deg) => held(deg) > held(deg - 0.1) && held(deg) >= held(deg + 0.1) && held(deg) > 1,
    )
    const found = snatchAnglesDeg(lifts)
    expect(found).toHaveLength(tops.length)
    for (const [index, deg] of tops.entries()) expect(Math.abs(found[index]! - deg)).toBeLessThan(0.1)
  })

  it('with nothing on it, or all in balance, goes over nowhere', () => {
    expect(snatchAnglesDeg([])).toEqual([])
    expect(snatchAnglesDeg([() => 0])).toEqual([])
    expect(snatchAnglesDeg(Array.from({ length: 72 }, (_, index) => at(index * 10)))).toEqual([])
  })
})
