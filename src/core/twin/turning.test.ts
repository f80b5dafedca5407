import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { CHAIN_SLACK_DEG, turnedTo, type Turning } from './turning'

const through = (...angles: number[]) => angles.reduce<Turning>((now, angle) => turnedTo(now, angle), { crankDeg: 0, camDeg: 0 })

describe('a crank turned by hand', () => {
  it('takes the cam along in the running direction', () => {
    expect(through(10, 112.5)).toEqual({ crankDeg: 112.5, camDeg: 112.5 })
  })

  it('turned back takes up the slack first, and turned on again moves nothing until it is where it was', () => {
    expect(through(100, 99)).toEqual({ crankDeg: 99, camDeg: 100 })
    expect(through(100, 98)).toEqual({ crankDeg: 98, camDeg: 100 })
    expect(through(100, 95)).toEqual({ crankDeg: 95, camDeg: 97 })
    expect(through(100, 95, 96.5)).toEqual({ crankDeg: 96.5, camDeg: 97 })
    expect(through(100, 95, 98)).toEqual({ crankDeg: 98, camDeg: 98 })
  })

  it('never has the cam behind the crank, nor ahead of it by more than the slack', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: -360, max: 360, noNaN: true }), { minLength: 1, maxLength: 12 }), (angles) => {
        const { crankDeg, camDeg } = through(...angles)
        expect(camDeg).toBeGreaterThanOrEqual(crankDeg)
        expect(camDeg).toBeLessThanOrEqual(crankDeg + CHAIN_SLACK_DEG + 1e-9)
      }),
      { numRuns: 200, seed: 1 },
    )
  })
})
