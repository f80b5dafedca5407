import { describe, expect, it } from 'vitest'
import { closedLiftMm, lobeOfDuration } from '../cam/closedLobe'
import { wrapped } from '../cam/trueTdc'
import { pistonDropMm } from '../engine'
import { crankCamMap, gapAt, safeRoute, type MappedValve, type Standing } from './crankCamMap'
import { valveGapMm } from './valveGap'

/** Engines whose valves are known in closed form. */
const crank = { strokeMm: 92.8, rodMm: 144, pinOffsetMm: 0 }
const lobe = lobeOfDuration(10.2, 222.7, 1.27)!
const FIVE_TOPS = [0, 144, 288, 432, 576]
const inCycle = (deg: number) => {
  const turned = ((deg % 720) + 720) % 720
  return turned > 360 ? turned - 720 : turned
}

function valves(tops: readonly number[], dropAtTdcMm = 3.3): readonly MappedValve[] {
  return tops.map((topDeg) => ({
    name: `intake of ${topDeg}`,
    over: { dropAtTdcMm, angleDeg: 15.5, surface: 'pocket' },
    pistonDropMm: (crankDeg) => pistonDropMm(crank, wrapped(crankDeg - topDeg)),
    liftMm: (camDeg) => Math.max(0, closedLiftMm(lobe, inCycle(camDeg - topDeg - 109.5)) - 0.2),
  }))
}

describe('the gap of a valve', () => {
  it('over a parallel pocket and over a flat crown, by hand', () => {
    expect(valveGapMm({ dropAtTdcMm: 3.3, angleDeg: 60, surface: 'pocket' }, 10, 2)).toBeCloseTo(3.3 + 5 - 2, 9)
    expect(valveGapMm({ dropAtTdcMm: 3.3, angleDeg: 60, surface: 'flat' }, 10, 2)).toBeCloseTo(3.3 + 20 - 2, 9)
  })

  it('of the five closes to 1.91 mm in step, where its intake stands at its card (common practice)', () => {
    const [one] = valves([0])
    const least = Math.min(...Array.from({ length: 1440 }, (_, index) => gapAt([one!], { crankDeg: index / 2, camDeg: index / 2 }).gapMm))
    expect(least).toBeCloseTo(1.91, 1)
  })
})

describe('the map of crank against cam', () => {
  const five = valves(FIVE_TOPS)
  const map = crankCamMap(five)

  it('says of every position what each valve says there', () => {
    expect([map.columns, map.rows, map.stepDeg]).toEqual([120, 240, 3])
    for (let cell = 0; cell < map.gapMm.length; cell += 97) {
      const at = { crankDeg: Math.floor(cell / map.rows) * 3, camDeg: (cell % map.rows) * 3 }
      const exact = gapAt(five, at)
      expect(map.gapMm[cell]).toBeCloseTo(exact.gapMm, 4)
      expect(five.map(({ name }) => name)).toContain(exact.valve!.name)
    }
  })

  it('touches nowhere in step, and somewhere out of it', () => {
    for (let deg = 0; deg < 720; deg += 3) expect(gapAt(five, { crankDeg: deg, camDeg: deg }).gapMm).toBeGreaterThan(1.5)
    expect(Math.min(...map.gapMm)).toBeLessThan(-3)
  })

  it('parked where the highest piston stands lowest, a shaft whose valves fall 14 mm at most there turns freely', () => {
    // The five's highest piston is 11.47 mm down at 36° (common practice): 11.47 · cos 15.5° + 3.3 − 10.0.
    for (let camDeg = 0; camDeg < 720; camDeg += 3) expect(gapAt(five, { crankDeg: 36, camDeg }).gapMm).toBeGreaterThan(4.3)
    expect(Math.min(...Array.from({ length: 240 }, (_, row) => gapAt(five, { crankDeg: 36, camDeg: row * 3 }).gapMm))).toBeCloseTo(4.35, 1)
  })
})

describe('a safe way between two positions', () => {
  const five = valves(FIVE_TOPS)
  const map = crankCamMap(five)
  const MARGIN = 1

  /** Every leg walked in steps of a degree. */
  function walked(from: Standing, route: ReturnType<typeof safeRoute>): { end: Standing; leastMm: number } {
    if (!('legs' in route)) throw new Error(route.blocked)
    let [{ crankDeg, camDeg }, leastMm] = [from, Infinity]
    for (const { turn, byDeg } of route.legs)
      for (let step = 0; step < Math.abs(byDeg); step++) {
        if (turn === 'crank') crankDeg += Math.sign(byDeg)
        else camDeg += Math.sign(byDeg)
        leastMm = Math.min(leastMm, gapAt(five, { crankDeg, camDeg }).gapMm)
      }
    return { end: { crankDeg: ((crankDeg % 360) + 360) % 360, camDeg: ((camDeg % 720) + 720) % 720 }, leastMm }
  }

  it('touches nowhere on the way, from wherever it can begin, and ends in step', () => {
    let found = 0
    for (let index = 0; index < 60; index++) {
      const from = { crankDeg: ((index * 51) % 120) * 3, camDeg: ((index * 89) % 240) * 3 }
      if (gapAt(five, from).gapMm < MARGIN) continue
      const route = safeRoute(map, from, { crankDeg: 0, camDeg: 0 }, MARGIN)
      const { end, leastMm } = walked(from, route)
      expect(end).toEqual({ crankDeg: 0, camDeg: 0 })
      expect(leastMm).toBeGreaterThan(MARGIN - 0.4)
      if ('legs' in route) {
        expect(route.legs.length).toBeLessThanOrEqual(4)
        expect(Math.min(Infinity, ...route.legs.map((leg) => leg.leastGapMm))).toBeCloseTo(leastMm, 0)
      }
      found++
    }
    expect(found).toBeGreaterThan(20)
  })

  it('says of every leg what it comes to, of crank and shaft alike', () => {
    const turned = new Set<string>()
    for (let index = 0; index < 40; index++) {
      const from = { crankDeg: ((index * 37) % 120) * 3, camDeg: ((index * 101) % 240) * 3 }
      const route = safeRoute(map, from, { crankDeg: 0, camDeg: 0 }, MARGIN)
      if ('blocked' in route) continue
      let at: Standing = from
      for (const { turn, byDeg, to, leastGapMm } of route.legs) {
        const way = Math.sign(byDeg) / 2
        const gaps = Array.from({ length: 2 * Math.abs(byDeg) + 1 }, (_, step) =>
          gapAt(five, turn === 'crank' ? { ...at, crankDeg: at.crankDeg + way * step } : { ...at, camDeg: at.camDeg + way * step }),
        )
        expect(leastGapMm).toBeCloseTo(Math.min(...gaps.map(({ gapMm }) => gapMm)), 6)
        turned.add(turn)
        at = to
      }
    }
    expect([...turned].sort()).toEqual(['cam', 'crank'])
  })

  it('is nothing where it stands already, and one leg where only the shaft is out', () => {
    expect(safeRoute(map, { crankDeg: 0, camDeg: 0 }, { crankDeg: 0, camDeg: 0 }, MARGIN)).toEqual({ legs: [] })
    expect(safeRoute(map, { crankDeg: 36, camDeg: 300 }, { crankDeg: 36, camDeg: 36 }, MARGIN)).toMatchObject({
      legs: [{ turn: 'cam', byDeg: -264, to: { crankDeg: 36, camDeg: 36 } }],
    })
  })

  it('that begins or ends on a touching valve says so, and where everything round it touches there is none', () => {
    const touching = { crankDeg: 0, camDeg: 109.5 }
    expect(gapAt(five, touching).gapMm).toBeLessThan(0)
    expect(safeRoute(map, touching, { crankDeg: 0, camDeg: 0 }, MARGIN)).toEqual({ blocked: 'start' })
    expect(safeRoute(map, { crankDeg: 0, camDeg: 0 }, touching, MARGIN)).toEqual({ blocked: 'end' })
    // A shaft that touches at two of its positions wherever the crank stands: between them it is shut in.
    const wall: MappedValve = {
      name: 'wall',
      over: { dropAtTdcMm: 5, angleDeg: 0, surface: 'flat' },
      pistonDropMm: () => 0,
      liftMm: (camDeg) => ([102, 402].includes(camDeg) ? 10 : 0),
    }
    const walled = crankCamMap([wall])
    expect(safeRoute(walled, { crankDeg: 0, camDeg: 0 }, { crankDeg: 0, camDeg: 252 }, MARGIN)).toEqual({ blocked: 'between' })
    expect(safeRoute(walled, { crankDeg: 0, camDeg: 0 }, { crankDeg: 0, camDeg: 501 }, MARGIN)).toMatchObject({
      legs: [{ turn: 'cam', byDeg: -219 }],
    })
  })
})
