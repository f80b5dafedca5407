import { describe, expect, it } from 'vitest'
import { closedLiftMm } from './closedLobe'
import { pistonDropMm } from '../crank'
import { randomStream, seedOf } from '../../numerics/random'
import { advanced, closestApproach, gapMm, overPhasing, phasedGapMm, safeWindow, type ValveSweep } from './closest'
import { dropFromDial } from './dialDrop'

/** Three engines whose closest approach is common practice, and dials that read them. */
const MM_PER_IN = 25.4
interface Engine {
  readonly stroke: number
  readonly rod: number
  readonly deg: number
  readonly lift: number
  readonly half: number
  readonly power: number
  readonly centre: number
  readonly ratio: number
  readonly lash: number
  readonly drop: number
}
function sweepOf(engine: Engine, drop = engine.drop): ValveSweep {
  const { stroke, rod, deg, lift, half, power, centre, ratio, lash } = engine
  return {
    over: { dropAtTdcMm: drop, angleDeg: deg, surface: 'pocket' },
    crank: { strokeMm: stroke, rodMm: rod, pinOffsetMm: 0 },
    liftMm: (at) => Math.max(0, closedLiftMm({ liftMm: lift, halfWidthDeg: half, power }, at - centre) * ratio - lash),
  }
}
const five: Engine = { stroke: 92.8, rod: 144, deg: 15.5, lift: 10.2, half: 150, power: 2.6, centre: 109.5, ratio: 1, lash: 0.2, drop: 3.3 }
const v8: Engine = {
  stroke: 3.75 * MM_PER_IN,
  rod: 6 * MM_PER_IN,
  deg: 18,
  lift: 0.4 * MM_PER_IN,
  half: 184,
  power: 2.9,
  centre: 106,
  ratio: 1.6,
  lash: 0.018 * MM_PER_IN,
  drop: 7.6,
}
const v8Exhaust: Engine = { ...v8, half: 189, centre: -112, lash: 0.02 * MM_PER_IN, drop: 7.4 }

describe('the closest approach of a valve to its piston', () => {
  it.each([
    ['five, intake late at 112.5', sweepOf({ ...five, centre: 112.5 }), 2.16],
    ['five, intake at its card', sweepOf(five), 1.91],
    ['five, exhaust', sweepOf({ ...five, deg: 17, lift: 10, half: 152, centre: -110, lash: 0.25, drop: 3.6 }), 2.22],
    ['V8, intake', sweepOf(v8), 0.097 * MM_PER_IN],
    ['V8, intake four degrees earlier', advanced(sweepOf(v8), 4), 0.074 * MM_PER_IN],
    ['V8, exhaust', sweepOf(v8Exhaust), 0.109 * MM_PER_IN],
    ['single', sweepOf({ ...five, stroke: 82, rod: 150, deg: 14, lift: 9.6, half: 146, centre: 105, lash: 0.15, drop: 3.4 }), 1.89],
  ])('%s: as is common practice for it', (_, sweep, mm) => expect(Math.abs(closestApproach(sweep).gapMm - mm)).toBeLessThan(0.015))

  it('is the least of all angles, just after the top for an intake, just before it for an exhaust', () => {
    for (const [sweep, low, high] of [
      [sweepOf(five), 0, 20],
      [sweepOf(v8Exhaust), -20, 0],
    ] as const) {
      const { gapMm: least, atDeg } = closestApproach(sweep)
      expect(atDeg).toBeGreaterThan(low)
      expect(atDeg).toBeLessThan(high)
      for (let deg = -360; deg <= 360; deg += 0.1) expect(gapMm(sweep, deg)).toBeGreaterThan(least - 1e-9)
    }
  })

  it('closes an intake when it is set earlier, an exhaust when later; a thicker gasket gives its cosine', () => {
    const at = (engine: Engine, byDeg: number) => closestApproach(advanced(sweepOf(engine), byDeg)).gapMm
    expect(at(v8, 2)).toBeLessThan(at(v8, 0))
    expect(at(v8Exhaust, -2)).toBeLessThan(at(v8Exhaust, 0))
    expect(closestApproach(sweepOf(five, five.drop + Math.cos((15.5 * Math.PI) / 180))).gapMm).toBeCloseTo(
      closestApproach(sweepOf(five)).gapMm + Math.cos((15.5 * Math.PI) / 180),
      9,
    )
  })

  it('is safe between the settings at which it has just its limit, to twenty degrees either way', () => {
    const sweep = sweepOf(v8)
    const limit = 0.08 * MM_PER_IN
    const { fromDeg, toDeg } = safeWindow(sweep, limit)!
    expect(fromDeg).toBe(-20)
    expect(toDeg).toBeGreaterThan(2)
    expect(toDeg).toBeLessThan(4)
    expect(closestApproach(advanced(sweep, toDeg)).gapMm).toBeCloseTo(limit, 6)
    // Too near as it stands: the nearest setting that is not is a little later.
    const later = safeWindow(sweep, 0.1 * MM_PER_IN)!
    expect(later.fromDeg).toBe(-20)
    expect(later.toDeg).toBeLessThan(0)
    expect(later.toDeg).toBeGreaterThan(-1)
    expect(safeWindow(sweep, 20)).toBeUndefined()
    expect(safeWindow(sweepOf(v8Exhaust), limit)!.toDeg).toBe(20)
  })
})

describe('the drop at TDC from a dial on the valve', () => {
  const ANGLES = [0, 4, 8, 12, 16, 20, 24]
  const uncertainty = { dialMm: 0.01, wheelDeg: 0.25 }
  const zero = sweepOf(five, 0)

  it('comes back exactly from readings without noise, by however many', () => {
    for (const count of [1, 3, 7]) {
      const readings = ANGLES.slice(0, count).map((deg) => ({ deg, travelMm: gapMm(sweepOf(five), deg) }))
      const { dropMm, residualsMm } = dropFromDial(zero, readings, uncertainty)
      expect(dropMm).toBeCloseTo(3.3, 9)
      for (const residual of residualsMm) expect(residual).toBeCloseTo(0, 9)
    }
  })

  it('is covered by its stated uncertainty, with dial and wheel a little off', () => {
    let covered = 0
    const tables = 600
    for (let seed = 1; seed <= tables; seed++) {
      const { normal } = randomStream(seedOf(seed))
      const readings = ANGLES.map((deg) => ({ deg, travelMm: gapMm(sweepOf(five), deg + 0.25 * normal()) + 0.01 * normal() }))
      const { dropMm, u } = dropFromDial(zero, readings, uncertainty)
      if (Math.abs(dropMm - 3.3) <= 1.96 * u) covered++
    }
    expect(covered / tables).toBeGreaterThan(0.92)
    expect(covered / tables).toBeLessThan(0.98)
  })

  it('weighs most where the gap hardly changes, and shows a reading that lost a turn of its dial', () => {
    const readings = ANGLES.map((deg) => ({ deg, travelMm: gapMm(sweepOf(five), deg) + (deg === 12 ? 1 : 0) }))
    const { weights, residualsMm } = dropFromDial(zero, readings, uncertainty)
    expect(weights.reduce((sum, one) => sum + one, 0)).toBeCloseTo(1, 9)
    const slopes = ANGLES.map((deg) => Math.abs(gapMm(zero, deg + 0.5) - gapMm(zero, deg - 0.5)))
    expect(weights.indexOf(Math.max(...weights))).toBe(slopes.indexOf(Math.min(...slopes)))
    expect(residualsMm.indexOf(Math.max(...residualsMm))).toBe(3)
    expect(pistonDropMm(zero.crank, 0)).toBe(0)
  })
})

describe('the closest approach over phasing', () => {
  const curve = overPhasing(sweepOf(v8))

  it('is at every degree what it is with the cam set there, and between them on a straight line', () => {
    expect(curve.map(({ advanceDeg }) => advanceDeg)).toEqual(Array.from({ length: 41 }, (_, index) => index - 20))
    for (const { advanceDeg, gapMm: mm, atDeg } of curve) {
      const own = closestApproach(advanced(sweepOf(v8), advanceDeg))
      expect(mm, `${advanceDeg}`).toBeCloseTo(own.gapMm, 4)
      expect(Math.abs(atDeg - own.atDeg)).toBeLessThan(0.2)
      expect(phasedGapMm(curve, advanceDeg)).toBeCloseTo(mm, 9)
    }
    expect(phasedGapMm(curve, 2.5)).toBeCloseTo(closestApproach(advanced(sweepOf(v8), 2.5)).gapMm, 2)
    expect(phasedGapMm(curve, 20)).toBeCloseTo(curve.at(-1)!.gapMm, 9)
  })
})
