import { describe, expect, it } from 'vitest'
import { randomStream, seedOf } from '../../numerics/random'
import { closedLiftMm } from './closedLobe'
import type { LiftRow } from './curveTable'
import { eventsAt, peakOf, uOf } from './lobeEvents'
import { lobeCurve, lobeCurveAsScattered, USUAL_ZERO_U_MM } from './lobeCurve'
import { checkedLobe } from './lobeSlips'

const UNCERTAINTY = { wheelDeg: 0.25, dialMm: 0.005 }
const LOBE = { liftMm: 10.2, halfWidthDeg: 150, power: 2.6 }

function table({ from = -80, to = 300, step = 2, scale = 1, zeroMm = 0, seed = 3 } = {}): LiftRow[] {
  const random = randomStream(seedOf(seed))
  return Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, index) => {
    const angleDeg = from + step * index
    const at = angleDeg - 112.5 + UNCERTAINTY.wheelDeg * scale * random.normal()
    return { angleDeg, liftMm: closedLiftMm(LOBE, at) + zeroMm + UNCERTAINTY.dialMm * scale * random.normal() }
  })
}

describe('the curve of a lobe', () => {
  it('takes the dial’s zero off, from the level its base circle stands at', () => {
    const [right, off] = [lobeCurve(table(), UNCERTAINTY), lobeCurve(table({ zeroMm: 0.08 }), UNCERTAINTY)]
    expect(off.zeroMm - right.zeroMm).toBeCloseTo(0.08, 3)
    expect(off.zeroU).toBeLessThan(0.002)
    expect(peakOf(off).lift.value).toBeCloseTo(peakOf(right).lift.value, 3)
  })

  it('that never comes down to its base circle may be off by what a dial’s zero usually is: each event the other way', () => {
    const flanks = lobeCurve(table({ from: 10, to: 215 }), UNCERTAINTY)
    expect(flanks.zeroU).toBe(USUAL_ZERO_U_MM)
    const { open, close, centreline } = eventsAt(flanks, 3)
    // The slope of this lobe at 3 mm is 0.105 mm a degree, going up and coming down.
    expect(open!.parts.zero).toBeCloseTo(-USUAL_ZERO_U_MM / 0.105, 1)
    expect(close!.parts.zero).toBeCloseTo(USUAL_ZERO_U_MM / 0.105, 1)
    expect(Math.abs(centreline!.parts.zero)).toBeLessThan(0.02)
  })

  it('whose rows scatter twice as much as stated takes its uncertainty from them; half as much, and it keeps what was stated', () => {
    const [asStated, more, less] = [1, 2, 0.5].map((scale) => lobeCurveAsScattered(table({ scale }), UNCERTAINTY))
    expect([asStated!.noise, more!.noise, less!.noise]).toEqual(['asStated', 'more', 'less'])
    expect(more!.noiseScale).toBeGreaterThan(1.7)
    expect(more!.noiseScale).toBeLessThan(2.3)
    expect(less!.noiseScale).toBe(1)
    const u = (curve: typeof asStated) => uOf(eventsAt(curve!, 1.27).centreline!)
    expect(u(more) / u(asStated)).toBeGreaterThan(1.4)
    expect(u(less) / u(asStated)).toBeGreaterThan(0.8)
  })
})

describe('slips of a table', () => {
  const rows = table({ from: -60, to: 280, step: 4 })
  const spoilt = (byMm: number, ...which: number[]) =>
    rows.map((row, index) => (which.includes(index + 1) ? { ...row, liftMm: row.liftMm + byMm } : row))

  it('are named alone: a row beside one that lost a millimetre is none', () => {
    expect(checkedLobe(spoilt(1, 37), UNCERTAINTY).slips.map(({ row }) => row)).toEqual([37])
    expect(checkedLobe(spoilt(-1, 36), UNCERTAINTY).slips.map(({ row }) => row)).toEqual([36])
  })

  it('are named two at a time, and on the base circle far from the lobe', () => {
    expect(checkedLobe(spoilt(0.6, 20, 60), UNCERTAINTY).slips.map(({ row }) => row)).toEqual([20, 60])
    const wide = table({ from: -360, to: 360 })
    const lost = wide.map((row, index) => (index === 9 ? { ...row, liftMm: 0.1 } : row))
    expect(checkedLobe(lost, UNCERTAINTY).slips).toMatchObject([{ kind: 'row', row: 10, offMm: expect.closeTo(0.1, 1) }])
  })

  it('that are a skipped angle are named where it begins, and the curve is left as it was read', () => {
    const fine = table()
    const from = fine.findIndex(({ angleDeg }) => angleDeg >= 60)
    const skipped = fine.map((row, index) => (index >= from ? { ...row, liftMm: closedLiftMm(LOBE, row.angleDeg + 5 - 112.5) } : row))
    const { curve, slips } = checkedLobe(skipped, UNCERTAINTY)
    expect(slips[0]).toMatchObject({ kind: 'skipped' })
    expect(Math.abs(slips[0]!.row - (from + 1))).toBeLessThanOrEqual(1)
    expect('byDeg' in slips[0]! && Math.abs(Math.abs(slips[0].byDeg) - 5)).toBeLessThan(1)
    // Closing is five degrees early as it was read; nothing has put it back.
    expect(eventsAt(curve, 1.27).close!.value).toBeLessThan(220)
  })
})

describe('a wheel off centre', () => {
  it('errs nothing at TDC, where it was set: e·(cos θ − 1) and e·sin θ at any other angle, worked by hand at the peak', () => {
    const { angle } = peakOf(lobeCurve(table(), UNCERTAINTY), { eccentricityDeg: 0.3 })
    const theta = (angle.value * Math.PI) / 180
    expect(angle.value).toBeCloseTo(112.5, 0)
    // cos 112.5° = −0.3827: 0.3 · −1.3827 = −0.415; sin 112.5° = 0.9239: 0.277.
    expect(angle.parts.eccentricityCos).toBeCloseTo(0.3 * (Math.cos(theta) - 1), 12)
    expect(angle.parts.eccentricityCos).toBeCloseTo(-0.415, 2)
    expect(angle.parts.eccentricitySin).toBeCloseTo(0.277, 2)
  })
})
