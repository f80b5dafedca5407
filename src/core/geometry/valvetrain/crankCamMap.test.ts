import { describe, expect, it } from 'vitest'
import { freeValves, INTAKE_TOPS } from '../../../../tests/support/outOfStep'
import { crankCamMap, gapAt, type GapField, type MappedValve } from './crankCamMap'
import { valveGapMm } from './valveGap'

const alone = (all: readonly MappedValve[]): GapField => ({ valves: all, standing: [] })

describe('the gap of a valve', () => {
  it('over a parallel pocket and over a flat crown, by hand', () => {
    expect(valveGapMm({ dropAtTdcMm: 3.3, angleDeg: 60, surface: 'pocket' }, 10, 2)).toBeCloseTo(3.3 + 5 - 2, 9)
    expect(valveGapMm({ dropAtTdcMm: 3.3, angleDeg: 60, surface: 'flat' }, 10, 2)).toBeCloseTo(3.3 + 20 - 2, 9)
  })

  it('of the five closes to 1.91 mm in step, where its intake stands at its card (common practice)', () => {
    const [one] = freeValves([0])
    const least = Math.min(
      ...Array.from({ length: 1440 }, (_, index) => gapAt(alone([one!]), { crankDeg: index / 2, camDeg: index / 2 }).gapMm),
    )
    expect(least).toBeCloseTo(1.91, 1)
  })
})

describe('the map of crank against cam', () => {
  const five = alone(freeValves(INTAKE_TOPS))
  const map = crankCamMap(five)

  it('says of every position what each valve says there', () => {
    expect([map.columns, map.rows, map.stepDeg]).toEqual([120, 240, 3])
    for (let cell = 0; cell < map.gapMm.length; cell += 97) {
      const at = { crankDeg: Math.floor(cell / map.rows) * 3, camDeg: (cell % map.rows) * 3 }
      const exact = gapAt(five, at)
      expect(map.gapMm[cell]).toBeCloseTo(exact.gapMm, 4)
      expect(five.valves.map(({ name }) => name)).toContain(exact.valve!.name)
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
