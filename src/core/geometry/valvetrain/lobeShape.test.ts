import { derivative, evaluate } from 'mathjs'
import { describe, expect, it } from 'vitest'
import { closedLiftMm } from './closedLobe'
import { lobeCurve } from './lobeCurve'
import { gAt, lobeShape } from './lobeShape'

/** A lobe without noise against its closed form, derivatives by mathjs. */
const LOBE = { liftMm: 10, halfWidthDeg: 150, power: 3 }
const FORM = '10 * (1 - (x / 150)^2)^3'
const rows = Array.from({ length: 351 }, (_, index) => ({ angleDeg: -70 + index, liftMm: closedLiftMm(LOBE, -70 + index - 105) }))
const curve = lobeCurve(rows, { wheelDeg: 0.01, dialMm: 0.0005 })
const most = (expression: string, sign: number) =>
  Math.max(...Array.from({ length: 3001 }, (_, index) => sign * (evaluate(expression, { x: -150 + index / 10 }) as number)))

describe('the shape of a lobe', () => {
  const shape = lobeShape(curve, 1.27, 0.2)!
  const [velocity, acceleration] = [derivative(FORM, 'x').toString(), derivative(derivative(FORM, 'x'), 'x').toString()]

  it('has the area of its closed form above the check lift', () => {
    // ∫ 10 (1 − u²)³ dx between the events, x = 150 u: 1500 · (u − u³ + 3u⁵/5 − u⁷/7), twice.
    const u = Math.sqrt(1 - (1.27 / 10) ** (1 / 3))
    const half = 1500 * (u - u ** 3 + (3 * u ** 5) / 5 - u ** 7 / 7)
    expect(Math.abs(shape.areaMmDeg / (2 * half) - 1)).toBeLessThan(0.001)
  })

  it('has its velocities, its acceleration on the flank and over the nose', () => {
    expect(shape.opensMmPerDeg).toBeCloseTo(most(velocity, 1), 3)
    expect(shape.closesMmPerDeg).toBeCloseTo(most(velocity, -1), 3)
    expect(Math.abs(shape.noseMmPerDeg2 / most(acceleration, -1) - 1)).toBeLessThan(0.01)
    expect(Math.abs(shape.flankMmPerDeg2 / most(acceleration, 1) - 1)).toBeLessThan(0.03)
    expect(Math.abs(shape.unevenDeg)).toBeLessThan(0.05)
  })

  it('takes up its lash at the velocity it has there', () => {
    const at = -150 * Math.sqrt(1 - (0.2 / 10) ** (1 / 3))
    expect(shape.rampMmPerDeg!.up).toBeCloseTo(evaluate(velocity, { x: at }) as number, 3)
    expect(shape.rampMmPerDeg!.down).toBeCloseTo(shape.rampMmPerDeg!.up, 3)
    expect(lobeShape(curve, 1.27)!.rampMmPerDeg).toBeUndefined()
    expect(lobeShape(curve, 11)).toBeUndefined()
  })

  it('has no ramp where its table does not come down to the lash, on either side or on one', () => {
    const cut = (keep: (row: (typeof rows)[number]) => boolean) =>
      lobeShape(lobeCurve(rows.filter(keep), { wheelDeg: 0.01, dialMm: 0.0005 }), 1.27, 0.2)!.rampMmPerDeg
    expect(cut(({ liftMm }) => liftMm > 0.6)).toBeUndefined()
    expect(cut(({ liftMm, angleDeg }) => liftMm > 0.6 || angleDeg < 105)).toBeUndefined()
    expect(cut(({ liftMm }) => liftMm > 0.05)!.up).toBeCloseTo(shape.rampMmPerDeg!.up, 3)
  })

  it('in gravities goes with the square of the speed: 0.001 mm/°² is 91.8 g at 5,000 rpm, by hand', () => {
    // (30,000 °/s)² · 1e-6 m/°² = 900 m/s², over 9.80665.
    expect(gAt(0.001, 5000)).toBeCloseTo(91.77, 1)
    expect(gAt(0.001, 10_000)).toBeCloseTo(4 * gAt(0.001, 5000), 9)
  })
})
