import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { describe, expect, it } from 'vitest'
import { BENCHES, freshSpec, gaugesFor, openBuild, startingLimits } from '@/core/benches'
import { crankTurns, firingIntervals, type LayoutKind } from '@/core/geometry/crank'
import { BUILD_FORMAT, BUILD_VERSION, type BuildDocument, type UnitSystem } from '.'
import { readBuildFile } from '../files'

const paper = (value: number) => ({ value, unit: 'mm' as const, source: 'sheet' })
const KINDS: readonly (readonly [LayoutKind, readonly number[]])[] = [
  ['single', [1]],
  ['inline', [2, 3, 4, 5, 6, 8]],
  ['v', [2, 4, 6, 8, 10, 12, 16]],
  ['flat', [2, 4, 6, 8, 12]],
]
const LAYOUTS = KINDS.flatMap(([kind, counts]) =>
  counts.flatMap((cylinders) => (['metric', 'inch'] as const).map((units) => [kind, cylinders, units] as const)),
)

function fresh(kind: LayoutKind, cylinders: number, units: UnitSystem): BuildDocument {
  const spec = freshSpec({
    name: 'Fresh',
    description: '',
    units,
    kind,
    cylinders,
    bankAngleDeg: 90,
    valvesPerCylinder: 4,
    valveDrive: 'bucketShimUnder',
    fuel: 'petrol',
    boostKpa: 0,
    paper: { bore: paper(86), stroke: paper(86), rodLength: paper(140) },
    gasket: { boreMm: 87, thicknessMm: 1 },
  })
  return {
    format: BUILD_FORMAT,
    version: BUILD_VERSION,
    id: '01920000-0000-7000-8000-00000000ffff',
    createdAt: '2026-03-01T10:00:00Z',
    gauges: [...DEFAULT_GAUGES],
    entries: [],
    spec: { ...spec, limits: startingLimits(spec) },
  }
}

describe.each(LAYOUTS)('a fresh %s of %i, %s', (kind, cylinders, units) => {
  const document = fresh(kind, cylinders, units)
  const build = openBuild(document)

  it('is a sound build file as it stands', () => {
    expect(readBuildFile(JSON.stringify(document))).toMatchObject({ ok: true })
  })

  it('fires every cylinder once in 720 degrees', () => {
    const { layout } = document.spec
    expect(layout.firingOrder.toSorted((a, b) => a - b)).toEqual(Array.from({ length: cylinders }, (_, index) => index + 1))
    expect(firingIntervals(layout).reduce((sum, interval) => sum + interval, 0)).toBeCloseTo(720, 9)
    expect(crankTurns({ strokeMm: 86, rodMm: 140, pinOffsetMm: 0 })).toBe(true)
  })

  it('has a place to start at every bench, and a gauge in the drawer for each place', () => {
    for (const bench of BENCHES) {
      const stations = bench.stations(build)
      // Rod bolts are tightened by torque alone until somebody chooses to measure them.
      expect(stations.length > 0, bench.id).toBe(bench.id !== 'fasteners')
      for (const { characteristic } of stations)
        expect(
          gaugesFor(bench.definition.characteristics[characteristic]!, DEFAULT_GAUGES, units),
          `${bench.id} ${characteristic}`,
        ).not.toEqual([])
    }
  })

  it('judges by presets that say where they come from and why', () => {
    expect(Object.keys(document.spec.limits).length).toBeGreaterThan(5)
    for (const [key, { source, reason, lower, upper }] of Object.entries(document.spec.limits)) {
      expect(source, key).not.toBe('')
      expect(reason, key).not.toBe('')
      expect(lower !== undefined || upper !== undefined, key).toBe(true)
      if (lower !== undefined && upper !== undefined) expect(lower, key).toBeLessThan(upper)
    }
  })
})
