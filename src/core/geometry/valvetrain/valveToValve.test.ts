import { describe, expect, it } from 'vitest'
import { closestValves, valveToValveMm, type ValvePair } from './valveToValve'

/** Rims of two valves that open towards each other, held to points strewn densely along both. */
const pair: ValvePair = {
  apartMm: 32.2,
  stepMm: 0,
  intake: { diameterMm: 33, marginMm: 1.2, angleDeg: 15.5 },
  exhaust: { diameterMm: 28.5, marginMm: 1.5, angleDeg: 17 },
}

/** The least distance of 400 × 400 points of both rims: no formula for segments in it. */
function byPoints({ apartMm, stepMm, intake, exhaust }: ValvePair, intakeMm: number, exhaustMm: number): number {
  const rad = Math.PI / 180
  const rim = (x: number, y: number, head: ValvePair['intake'], liftMm: number, towards: number) =>
    Array.from({ length: 400 }, (_, index) => {
      const along = liftMm - (head.marginMm * index) / 399
      const [sine, cosine] = [Math.sin(head.angleDeg * rad), Math.cos(head.angleDeg * rad)]
      return [x + towards * (sine * along + (cosine * head.diameterMm) / 2), y + cosine * along - (sine * head.diameterMm) / 2] as const
    })
  const one = rim(0, 0, intake, intakeMm, 1)
  const other = rim(apartMm, stepMm, exhaust, exhaustMm, -1)
  return Math.min(...one.map(([x, y]) => Math.min(...other.map(([u, v]) => Math.hypot(x - u, y - v)))))
}

describe('two valves of one cylinder', () => {
  it.each([
    ['both shut', 0, 0],
    ['at overlap', 2.4, 2.2],
    ['intake well open', 6, 0.5],
    ['exhaust well open', 0, 5],
  ])('%s: as far apart as the nearest points of their rims', (_, intakeMm, exhaustMm) => {
    const mm = valveToValveMm(pair, intakeMm, exhaustMm)
    expect(mm).toBeCloseTo(byPoints(pair, intakeMm, exhaustMm), 2)
  })

  it('upright and level are as far apart as their centres less half of each head', () => {
    const upright: ValvePair = {
      apartMm: 34,
      stepMm: 0,
      intake: { diameterMm: 33, marginMm: 1, angleDeg: 0 },
      exhaust: { diameterMm: 30, marginMm: 1, angleDeg: 0 },
    }
    expect(valveToValveMm(upright, 0, 0)).toBeCloseTo(2.5, 9)
    expect(valveToValveMm(upright, 3, 3)).toBeCloseTo(2.5, 9)
    // One is above the other by more than its margin: the corner of one to the corner of the other.
    expect(valveToValveMm(upright, 3, 0)).toBeCloseTo(Math.hypot(2.5, 2), 9)
    expect(valveToValveMm({ ...upright, stepMm: -3 }, 0, 3)).toBeCloseTo(2.5, 9)
  })

  it('come nearer as both open, and have met where one rim is past the other: below zero', () => {
    expect(valveToValveMm(pair, 4, 4)).toBeLessThan(valveToValveMm(pair, 2, 2))
    expect(valveToValveMm({ ...pair, apartMm: 29.5 }, 2, 2)).toBeLessThan(0)
    expect(valveToValveMm({ ...pair, apartMm: 29 }, 2, 2)).toBeLessThan(valveToValveMm({ ...pair, apartMm: 29.5 }, 2, 2))
  })

  it('are closest where both are open: the least of every half degree, wherever that is', () => {
    const intake = (deg: number) => Math.max(0, 10 - ((deg - 110) / 35) ** 2)
    const exhaust = (deg: number) => Math.max(0, 10 - ((deg + 108) / 35) ** 2)
    const { gapMm, atDeg } = closestValves(pair, intake, exhaust)
    for (let deg = -120; deg <= 120; deg += 0.5) expect(valveToValveMm(pair, intake(deg), exhaust(deg))).toBeGreaterThanOrEqual(gapMm)
    expect(valveToValveMm(pair, intake(atDeg), exhaust(atDeg))).toBe(gapMm)
    expect(Math.abs(atDeg)).toBeLessThan(20)
  })
})
