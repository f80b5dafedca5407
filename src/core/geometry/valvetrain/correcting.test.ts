import { describe, expect, it } from 'vitest'
import { chainRetardDeg, filedSide, keyAngleDeg, toothDeg } from './correcting'

/** Figures of common practice, worked by hand. */
describe('what turns a cam or a wheel on its shaft', () => {
  it('a key of 0.012 in: 4° at 0.172 in of radius, 1.8° at 0.39', () => {
    expect(keyAngleDeg(0.012, 0.172)).toBeCloseTo(4, 2)
    expect(keyAngleDeg(0.012, 0.39)).toBeCloseTo(1.763, 3)
    expect(keyAngleDeg(-0.012, 0.172)).toBeCloseTo(-4, 2)
    expect(keyAngleDeg(0.2, 0.172)).toBeUndefined()
    expect(keyAngleDeg(0.1, 0)).toBeUndefined()
  })

  it('a tooth of 44 is 16.36°, of 36 20° of the crank', () => {
    expect(toothDeg(44)).toBeCloseTo(16.364, 3)
    expect(toothDeg(36)).toBe(20)
  })

  it('half a millimetre off on 50 mm of pitch radius is 1.15° late', () => {
    expect(chainRetardDeg(0.5, 50)).toBeCloseTo(1.146, 3)
  })

  it('a flywheel goes onto the side of its key that was filed: on in the running direction to advance', () => {
    // With the key uppermost its slot moves right when the flywheel is turned clockwise, and meets the key with its left wall.
    for (const rotation of ['cw', 'ccw'] as const)
      for (const way of ['advance', 'retard'] as const) {
        const turnsClockwise = (rotation === 'cw') === (way === 'advance')
        expect(filedSide(rotation, way)).toBe(turnsClockwise ? 'left' : 'right')
      }
  })
})
