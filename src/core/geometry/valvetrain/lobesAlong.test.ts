import { describe, expect, it } from 'vitest'
import { randomStream, seedOf } from '../../numerics/random'
import { lobePattern, type LobeAlong } from './lobesAlong'

/** Shafts of known truth: eight lobes in four places, read to a quarter of a degree. */
const U_DEG = 0.25
const SEEDS = 400

function shaft(seed: number, trueDeg: (along: number, index: number) => number, places = 4): readonly LobeAlong<string>[] {
  const { normal } = randomStream(seedOf(seed))
  return Array.from({ length: 2 * places }, (_, index) => {
    const along = Math.floor(index / 2)
    return { key: `lobe${index + 1}`, along, offDeg: trueDeg(along, index) + U_DEG * normal() }
  })
}

const shareOf = (is: (seed: number) => boolean) => Array.from({ length: SEEDS }, (_, seed) => is(seed + 1)).filter(Boolean).length / SEEDS

describe('the lobes along a shaft', () => {
  it('that stand alike are called something else in about one of a hundred, wherever they stand', () => {
    const named = shareOf(
      (seed) =>
        lobePattern(
          shaft(seed, () => 7),
          U_DEG,
        ) !== undefined,
    )
    expect(named).toBeLessThan(0.025)
    expect(named).toBeGreaterThan(0.002)
  })

  it('one of them two degrees off is the one that is named, by how much', () => {
    const byDeg: number[] = []
    const share = shareOf((seed) => {
      const at = seed % 8
      const found = lobePattern(
        shaft(seed, (_, index) => (index === at ? -2 : 0)),
        U_DEG,
      )
      if (found?.is === 'badLobe') byDeg.push(found.byDeg)
      return found?.is === 'badLobe' && found.key === `lobe${at + 1}`
    })
    expect(share).toBeGreaterThan(0.95)
    expect(byDeg.reduce((sum, deg) => sum + deg, 0) / byDeg.length).toBeCloseTo(-2, 1)
  })

  it('on a line along it are a twist: three degrees from the first to the last', () => {
    const byDeg: number[] = []
    const share = shareOf((seed) => {
      const found = lobePattern(
        shaft(seed, (along) => 1 - along),
        U_DEG,
      )
      if (found?.is === 'twisted') byDeg.push(found.byDeg)
      return found?.is === 'twisted'
    })
    expect(share).toBeGreaterThan(0.95)
    expect(byDeg.reduce((sum, deg) => sum + deg, 0) / byDeg.length).toBeCloseTo(-3, 1)
  })

  it('from four lobes in three places on, wherever along the engine they begin', () => {
    const at = (places: readonly number[]) => places.map((along, key) => ({ key, along, offDeg: 2 * along }))
    expect(lobePattern(at([2, 3, 4, 5]), U_DEG)).toEqual({ is: 'twisted', byDeg: expect.closeTo(6, 9) })
    expect(lobePattern(at([2, 2, 4, 6]), U_DEG)).toEqual({ is: 'twisted', byDeg: expect.closeTo(8, 9) })
    expect(lobePattern(at([2, 3, 4]), U_DEG)).toBeUndefined()
  })

  it('that scatter in no such way are not explained away', () => {
    const wild = [3, -3, -3, 3, 3, -3, -3, 3].map((offDeg, index) => ({ key: index, along: Math.floor(index / 2), offDeg }))
    expect(lobePattern(wild, U_DEG)).toBeUndefined()
  })

  it('in two places make no line, three make no pattern at all, and without an uncertainty nothing is said', () => {
    expect(
      lobePattern(
        shaft(3, (along) => 3 * along, 2),
        U_DEG,
      )?.is,
    ).not.toBe('twisted')
    expect(lobePattern(shaft(3, (along) => 3 * along, 4).slice(0, 3), U_DEG)).toBeUndefined()
    expect(
      lobePattern(
        shaft(3, (along) => 3 * along, 4),
        0,
      ),
    ).toBeUndefined()
  })
})
