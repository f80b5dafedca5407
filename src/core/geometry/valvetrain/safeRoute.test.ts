import { describe, expect, it } from 'vitest'
import { freeValves, INTAKE_TOPS, walkedLeast } from '../../../../tests/support/outOfStep'
import { cases } from '../../../../tests/support/cases'
import { randomStream } from '../../numerics/random'
import { gapAt, type GapField, type MappedValve, type Standing } from './crankCamMap'
import { safeRoute } from './safeRoute'

const MARGIN = 1
const WAYS = cases(80, 200)
const IN_STEP: Standing = { crankDeg: 0, camDeg: 0 }
const five: GapField = { valves: freeValves(INTAKE_TOPS), standing: [] }

describe('a safe way between two positions', () => {
  it('keeps the margin at every tenth of a degree of it, begins and ends to the letter, from wherever it can begin', () => {
    const random = randomStream(24)
    let found = 0
    for (let index = 0; index < WAYS; index++) {
      const from = { crankDeg: random.uniform() * 360, camDeg: random.uniform() * 720 }
      const route = safeRoute(five, from, IN_STEP, MARGIN)
      if (gapAt(five, from).gapMm < MARGIN) {
        expect(route).toEqual({ blocked: 'start' })
        continue
      }
      if ('blocked' in route) throw new Error(JSON.stringify({ from, route }))
      const { end, leastMm } = walkedLeast(five, from, route.legs)
      expect(leastMm).toBeGreaterThan(MARGIN - 0.001)
      expect(Math.min(...route.legs.map((leg) => leg.leastGapMm))).toBeCloseTo(leastMm, 2)
      expect([end.crankDeg % 360, end.camDeg % 720].map((deg) => Math.min(Math.abs(deg), 360 - Math.abs(deg % 360)))).toEqual([
        expect.closeTo(0, 6),
        expect.closeTo(0, 6),
      ])
      expect(route.legs.length).toBeLessThanOrEqual(6)
      found++
    }
    expect(found).toBeGreaterThan(0.4 * WAYS)
  })

  it('is nothing where it stands already, and one leg where only the shaft is out', () => {
    expect(safeRoute(five, IN_STEP, IN_STEP, MARGIN)).toEqual({ legs: [] })
    expect(safeRoute(five, { crankDeg: 36, camDeg: 300 }, { crankDeg: 36, camDeg: 36 }, MARGIN)).toMatchObject({
      legs: [{ turn: 'cam', byDeg: -264, to: { crankDeg: 36, camDeg: 36 } }],
    })
    expect(safeRoute(five, { crankDeg: 36, camDeg: 37.3 }, { crankDeg: 36, camDeg: 36.6 }, MARGIN)).toMatchObject({
      legs: [{ turn: 'cam', byDeg: expect.closeTo(-0.7, 9), to: { crankDeg: 36, camDeg: 36.6 } }],
    })
  })

  it('that begins or ends on a touching valve says so, and where everything round it touches there is none', () => {
    const touching = { crankDeg: 0, camDeg: 109.5 }
    expect(gapAt(five, touching).gapMm).toBeLessThan(0)
    expect(safeRoute(five, touching, IN_STEP, MARGIN)).toEqual({ blocked: 'start' })
    expect(safeRoute(five, IN_STEP, touching, MARGIN)).toEqual({ blocked: 'end' })
    // A shaft that touches over a degree of it at two places, wherever the crank stands: between them it is shut in.
    const wall: MappedValve = {
      name: 'wall',
      cylinder: 1,
      over: { dropAtTdcMm: 5, angleDeg: 0, surface: 'flat' },
      pistonDropMm: () => 0,
      liftMm: (camDeg) => {
        const at = ((camDeg % 720) + 720) % 720
        return [102, 402].some((deg) => Math.abs(at - deg) <= 0.5) ? 10 : 0
      },
    }
    const walled: GapField = { valves: [wall], standing: [] }
    // The walls lie between nodes three degrees apart: a look at the nodes alone would walk through them.
    expect(safeRoute(walled, { crankDeg: 0, camDeg: 1 }, { crankDeg: 0, camDeg: 253 }, MARGIN)).toEqual({ blocked: 'between' })
    expect(safeRoute(walled, { crankDeg: 0, camDeg: 1 }, { crankDeg: 0, camDeg: 502 }, MARGIN)).toMatchObject({
      legs: [{ turn: 'cam', byDeg: -219 }],
    })
  })

  it('leaves the crank alone where a valve of another shaft stands open over it', () => {
    const [one] = freeValves([0])
    // Ten millimetres off its seat: the piston may come up to within 11 mm of its top, 3.3 + 11 · cos 15.5° − 10 = 3.9.
    const standing = [{ ...one!, standsAtMm: 10 }]
    const free: GapField = { valves: [{ ...one!, liftMm: () => 0 }], standing: [] }
    const half = { crankDeg: 180, camDeg: 0 }
    expect(safeRoute(free, half, IN_STEP, MARGIN)).toMatchObject({ legs: [{ turn: 'crank' }] })
    expect(safeRoute({ ...free, standing }, half, IN_STEP, MARGIN)).toEqual({ blocked: 'end' })
    expect(safeRoute({ ...free, standing }, half, { crankDeg: 120, camDeg: 0 }, MARGIN)).toMatchObject({ legs: [{ byDeg: -60 }] })
    // From one side of its top to the other it goes round below, not over it.
    const route = safeRoute({ ...free, standing }, { crankDeg: 90, camDeg: 0 }, { crankDeg: 270, camDeg: 0 }, MARGIN)
    expect(route).toMatchObject({ legs: [{ turn: 'crank', byDeg: 180 }] })
  })

  it('keeps clear of the valves of another shaft beside it', () => {
    // Nearer than the margin from 100° to 140° of the shaft: the way is the other way round.
    const besideMm = (camDeg: number) => {
      const at = ((camDeg % 720) + 720) % 720
      return at > 100 && at < 140 ? 0.5 : 9
    }
    const field: GapField = { valves: [{ ...freeValves([0])[0]!, liftMm: () => 0 }], standing: [], besideMm }
    expect(safeRoute(field, { crankDeg: 0, camDeg: 150 }, { crankDeg: 0, camDeg: 90 }, MARGIN)).toMatchObject({
      legs: [{ turn: 'cam', byDeg: 660 }],
    })
    expect(safeRoute({ ...field, besideMm: undefined }, { crankDeg: 0, camDeg: 150 }, { crankDeg: 0, camDeg: 90 }, MARGIN)).toMatchObject({
      legs: [{ turn: 'cam', byDeg: -60 }],
    })
  })
})
