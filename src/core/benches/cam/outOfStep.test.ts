import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { crankCamMap, gapAt, safeRoute } from '@/core/clearance/crankCamMap'
import { by, engine, number, onPaper } from '../../../../tests/support/cams'
import { ternDocument } from '../../../../tests/support/builds'
import type { Build } from '../../build/build'
import type { Cam } from '../../engine'
import { valvesOfShaft } from './outOfStep'

/** The demo's engines out of step; what is closest in step is common practice for each. */
const tern = onPaper(openBuild(ternDocument), {
  intakeValveDrop: number(3.3, 'mm'),
  intakeValveAngle: number(15.5),
  exhaustValveDrop: number(3.6, 'mm'),
  exhaustValveAngle: number(17),
})
const known = (build: Build, shaft: Cam) => {
  const found = valvesOfShaft(build, shaft)
  if ('missing' in found) throw new Error(JSON.stringify(found.missing))
  return found
}
const leastInStep = (build: Build, shaft: Cam) => {
  const { valves } = known(build, shaft)
  return Math.min(...Array.from({ length: 1440 }, (_, index) => gapAt(valves, { crankDeg: index / 2, camDeg: index / 2 }).gapMm))
}

describe('the valves of a shaft over their pistons', () => {
  it('of the five: closest where its late intake stands, by the lobe that was measured, and its exhaust', () => {
    expect(known(tern, 'intake').valves.map(({ name }) => name)).toHaveLength(10)
    expect(known(tern, 'intake').synthetic).toEqual([])
    expect(leastInStep(tern, 'intake')).toBeCloseTo(2.16, 1)
    expect(leastInStep(tern, 'exhaust')).toBeCloseTo(2.22, 1)
  })

  it('by its card alone the lobe is made of it, and is said', () => {
    const bare = onPaper(
      engine(2, (spec) => spec),
      { intakeValveDrop: number(3.4, 'mm'), intakeValveAngle: number(14) },
    )
    expect(known(bare, 'intake').synthetic).toEqual(['intake'])
    expect(leastInStep(bare, 'intake')).toBeCloseTo(1.89, 1)
  })

  it('of a V8 with one shaft: intakes and exhausts through rockers, with the lash they run with', () => {
    const v8 = onPaper(
      engine(1, (spec) => spec),
      {
        intakeValveDrop: number(7.6, 'mm'),
        exhaustValveDrop: number(7.4, 'mm'),
        intakeValveAngle: number(18),
        exhaustValveAngle: number(18),
      },
    )
    const { valves } = known(v8, 'intake')
    expect(valves).toHaveLength(16)
    const of = (kind: string) => valves.filter(({ name }) => name.startsWith(kind))
    const least = (kind: string) =>
      Math.min(...Array.from({ length: 1440 }, (_, index) => gapAt(of(kind), { crankDeg: index / 2, camDeg: index / 2 }).gapMm))
    // 0.097 and 0.109 in.
    expect(Math.abs(least('intake') - 0.097 * 25.4)).toBeLessThan(0.15)
    expect(Math.abs(least('exhaust') - 0.109 * 25.4)).toBeLessThan(0.15)
  })

  it('names every number that is wanted, once', () => {
    const found = valvesOfShaft(onPaper(tern, { intakeValveDrop: undefined, stroke: undefined }), 'intake')
    expect(found).toEqual({
      missing: [
        { kind: 'paper', key: 'stroke' },
        { kind: 'paper', key: 'intakeValveDrop' },
      ],
    })
  })

  it('over flat crowns come less near than over pockets once the piston has dropped', () => {
    expect(leastInStep(by(tern, { valveSurface: 'flat' }), 'intake')).toBeGreaterThan(leastInStep(tern, 'intake'))
  })

  it('go over at five angles a cycle on the intake shaft of a five, 144° apart', () => {
    const { snatchDeg } = known(tern, 'intake')
    expect(snatchDeg).toHaveLength(5)
    for (const [index, deg] of snatchDeg.entries()) if (index > 0) expect(deg - snatchDeg[index - 1]!).toBeCloseTo(144, 0)
  })

  it('a jumped chain finds its way back without touching', () => {
    const { valves } = known(tern, 'intake')
    const map = crankCamMap(valves)
    const route = safeRoute(map, { crankDeg: 90, camDeg: 300 }, { crankDeg: 0, camDeg: 0 }, 1)
    expect('legs' in route && Math.min(...route.legs.map(({ leastGapMm }) => leastGapMm))).toBeGreaterThan(0.6)
  })
})
