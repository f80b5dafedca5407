import { describe, expect, it } from 'vitest'
import { TAPE_DEG, tapeGraduations, wheelGraduations, wheelNumber } from './printedWheel'

describe('a printed wheel', () => {
  it.each([
    ['0-360', [0, 90, 180, 270, 350], [0, 90, 180, 270, 350]],
    ['0-180-0', [0, 90, 180, 270, 350], [0, 90, 180, 90, 10]],
    ['0-90-0-90', [0, 60, 90, 120, 180, 200, 270, 350], [0, 60, 90, 60, 0, 20, 90, 10]],
  ] as const)('numbered %s', (numbering, degrees, shown) => {
    expect(degrees.map((deg) => wheelNumber(deg, numbering))).toEqual(shown)
  })

  it('has TDC on top and grows the way it turns', () => {
    for (const [turns, side] of [
      ['clockwise', 1],
      ['anticlockwise', -1],
    ] as const) {
      const wheel = wheelGraduations(200, turns, '0-360')
      expect(wheel[0]!.from).toEqual({ xMm: expect.closeTo(0, 9), yMm: -100 })
      expect(wheel[90]!.from.xMm).toBeCloseTo(side * 100, 9)
      expect(wheel.map(({ label }) => label).filter(Boolean)).toHaveLength(36)
      expect([wheel[0]!.label, wheel[180]!.label, wheel[90]!.label]).toEqual(['TDC', 'BDC', '90'])
    }
  })
})

describe('a balancer tape', () => {
  it('has a degree every πD/360, TDC in its middle, either way', () => {
    const tape = tapeGraduations(180, 'clockwise')
    expect(tape).toHaveLength(2 * TAPE_DEG + 1)
    expect(tape[TAPE_DEG]).toMatchObject({ deg: 0, from: { xMm: 0, yMm: 0 }, label: 'TDC' })
    expect(tape.at(-1)!.from.xMm - tape[0]!.from.xMm).toBeCloseTo((Math.PI * 180) / 3, 9)
    expect(tapeGraduations(180, 'anticlockwise')[0]!.from.xMm).toBeCloseTo((Math.PI * 180) / 6, 9)
  })
})
