import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build } from '@/core/document'
import { find, ternDocument, valueOf, verdictOf, withReading, withSpecOf } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { startingLimits } from '../startingLimits'
import { fasteners } from '.'

/** Shims behind a gear take up its clearance: by hand. */
const number = (value: number, more: object = {}) => ({ value, unit: 'mm', source: 'gear drawing', ...more }) as const
const tern = openBuild({ ...ternDocument, entries: [] })
const wanting = (paper: object): Build => {
  const build = withSpecOf(tern, (spec) => ({ ...spec, paper: { ...spec.paper, ...paper } }))
  return withSpecOf(build, (spec) => ({ ...spec, limits: { ...spec.limits, ...startingLimits(spec) } }))
}
const read = (build: Build, mm: number) => withReading(build, 'fasteners.gearGap', {}, mm, 'dial-metric.1')

describe('gear clearance', () => {
  it('is asked for only where one is wanted', () => {
    const asked = (build: Build) => fasteners.stations(build).filter(({ characteristic }) => characteristic === 'fasteners.gearGap')
    expect(asked(tern)).toEqual([])
    expect(fasteners.derive(tern).some(({ output }) => output === 'fasteners.gearShims')).toBe(false)
    expect(asked(wanting({ gearClearance: number(0.2) }))).toHaveLength(1)
    expect(find(fasteners, wanting({ gearClearance: number(0.2) }), 'fasteners.gearShims').missing).toEqual([
      { kind: 'reading', stationId: 'fasteners.gearGap' },
    ])
  })

  it('0.85 read with 1.10 of shims in and 0.20 wanted: 1.75 of shims', () => {
    const build = read(wanting({ gearClearance: number(0.2), gearShims: number(1.1) }), 0.85)
    expectNear(valueOf(fasteners, build, 'fasteners.gearShims'), 1.75, 1e-9)
    expect(verdictOf(fasteners, build, 'fasteners.gearGap')).toBe('over')
    // Nothing said of shims: none are in.
    expectNear(valueOf(fasteners, read(wanting({ gearClearance: number(0.2) }), 0.85), 'fasteners.gearShims'), 0.65, 1e-9)
  })

  it('is judged by what is wanted, within its own band or a shim', () => {
    const verdict = (mm: number, tolerance?: number) =>
      verdictOf(fasteners, read(wanting({ gearClearance: number(0.2, { tolerance }) }), mm), 'fasteners.gearGap')
    expect([verdict(0.2), verdict(0.3), verdict(0.1), verdict(0.3, 0.2)]).toEqual(['within', 'over', 'under', 'within'])
  })

  it('so small that nobody can tell it from none, the gears may touch end on', () => {
    const remarks = (mm: number) =>
      find(fasteners, read(wanting({ gearClearance: number(0.2) }), mm), 'fasteners.gearGap').remarks.map(({ code }) => code)
    expect(remarks(0.2)).not.toContain('gearsAbut')
    expect(remarks(0.01)).toContain('gearsAbut')
    expect(remarks(0)).toContain('gearsAbut')
  })
})
