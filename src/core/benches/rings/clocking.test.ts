import { describe, expect, it } from 'vitest'
import { soundBuild, withSpecOf } from '../../../../tests/support/builds'
import { CLOCKING, clockingOf, rings } from '.'

const tern = soundBuild(0)
const angle = (value: number) => ({ value, unit: 'deg' as const, source: 'ring maker’s sheet' })

describe('a ring maker’s diagram', () => {
  it('is drawn from the angles on paper, those that are there; another school has its own', () => {
    const maker = withSpecOf(tern, (spec) => ({
      ...spec,
      methods: { ...spec.methods, clocking: 'maker' },
      paper: { ...spec.paper, gapTop: angle(30), gapSecond: angle(210), gapExpander: angle(0) },
    }))
    expect(clockingOf(maker.spec).gaps.map(({ ring, angleDeg }) => [ring, angleDeg])).toEqual([
      ['top', 30],
      ['second', 210],
      ['expander', 0],
    ])
    expect(clockingOf({ ...maker.spec, methods: { ...maker.spec.methods, clocking: 'opposed' } })).toBe(CLOCKING.opposed)
    expect(clockingOf({ ...maker.spec, paper: {} }).gaps).toEqual([])
  })
})

describe('a gap read where the ring stands at TDC', () => {
  it('is one reading a ring, and says where', () => {
    const atTop = withSpecOf(tern, (spec) => ({ ...spec, methods: { ...spec.methods, ringDepths: 0 } }))
    const own = rings.stations(atTop).filter(({ characteristic, place }) => characteristic === 'rings.topGap' && place.cylinder === 1)
    expect(own.map(({ label }) => label)).toEqual(['Cylinder 1, top ring gap, where it stands at TDC'])
  })
})
