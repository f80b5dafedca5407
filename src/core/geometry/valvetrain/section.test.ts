import { describe, expect, it } from 'vitest'
import { sectionOf, type SectionOf } from './section'
import { valveGapMm } from './valveGap'

/** A section to proportion: what is drawn is as long as what is said of it. */
const intake: SectionOf = {
  boreMm: 83,
  headMm: 33,
  pocketMm: 36.5,
  marginMm: 1.2,
  angleDeg: 15.5,
  surface: 'pocket',
  dropAtTdcMm: 3.3,
  leans: 1,
}
const length = ([a, b]: readonly [{ x: number; y: number }, { x: number; y: number }]) => Math.hypot(a.x - b.x, a.y - b.y)
/** Distance of a point from the line through two others. */
const off = (p: { x: number; y: number }, a: { x: number; y: number }, b: { x: number; y: number }) =>
  Math.abs((b.x - a.x) * (a.y - p.y) - (a.x - p.x) * (b.y - a.y)) / length([a, b])

describe('the section of a valve over its piston', () => {
  it.each([
    ['at TDC, shut', intake, 0, 0],
    ['after TDC, half open', intake, 4.2, 3.1],
    ['an exhaust', { ...intake, leans: -1, angleDeg: 17, headMm: 28.5, pocketMm: 32 }, 2, 2.5],
    ['over a flat crown', { ...intake, surface: 'flat' }, 3, 1],
  ] as const)('%s: its gap is drawn as long as it is', (_, of, dropMm, liftMm) => {
    expect(length(sectionOf(of, dropMm, liftMm).gap)).toBeCloseTo(valveGapMm(of, dropMm, liftMm), 9)
  })

  it('a gap ends on the floor of its pocket, which lies along the valve’s head, and the crown goes from wall to wall', () => {
    for (const leans of [1, -1] as const) {
      const { crown, gap, valve } = sectionOf({ ...intake, leans }, 2, 1)
      const [left, right] = [crown[2]!, crown[3]!]
      expect(off(gap[1], left, right)).toBeLessThan(1e-9)
      expect(length([left, right])).toBeCloseTo(36.5, 9)
      // Parallel: the floor's slope is that of the head.
      const slope = (a: { x: number; y: number }, b: { x: number; y: number }) => (b.y - a.y) / (b.x - a.x)
      expect(slope(left, right)).toBeCloseTo(slope(valve[0]!, valve[1]!), 9)
      expect(slope(left, right) * leans).toBeLessThan(0)
      expect([crown[0]!.x, crown.at(-1)!.x]).toEqual([-41.5, 41.5])
      for (const index of [0, 1, 4, 5]) expect(crown[index]!.y).toBeCloseTo(-2, 9)
      expect(length([valve[0]!, valve[1]!])).toBeCloseTo(33, 9)
    }
  })

  it('over a flat crown it is the low edge of the head that would touch', () => {
    const { gap, crown } = sectionOf({ ...intake, surface: 'flat' }, 0, 0)
    expect(crown).toHaveLength(2)
    expect(gap[1].y).toBeCloseTo(0, 9)
  })
})
