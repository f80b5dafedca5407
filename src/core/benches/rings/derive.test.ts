import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, CharacteristicId, Spec } from '@/core/document'
import {
  find as findAt,
  soundBuild,
  ternDocument,
  valueOf as valueAt,
  verdictOf,
  withReading,
  withSpecOf,
  without,
} from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { standardUncertainty } from '../../metrology'
import { rings } from '.'

const tern = openBuild(ternDocument)
const sound = soundBuild(0)
const find = (build: Build, id: string) => findAt(rings, build, id)
const valueOf = (build: Build, id: string) => valueAt(rings, build, id)
const paper = (build: Build, more: Partial<Spec['paper']>) =>
  withSpecOf(build, (spec): Spec => ({ ...spec, paper: { ...spec.paper, ...more } }))
const shallow = withSpecOf(sound, (spec): Spec => ({ ...spec, methods: { ...spec.methods, ringDepths: 1 } }))
const gapped = (build: Build, characteristic: CharacteristicId, goes: number, spot = 'top') =>
  withReading(build, characteristic, { cylinder: 2, spot }, goes, 'feeler-fine.1', { upper: goes + 0.01 })
const outputs = (build: Build) => [...new Set(rings.derive(build).map(({ output }) => output))]

describe('what the bench finds', () => {
  const GAPS = ['rings.topGap', 'rings.secondGap', 'rings.secondOverTop', 'rings.railGap']
  it('heat only where a temperature is on paper; both wanted then', () => {
    expect(outputs(tern)).toEqual([...GAPS, 'rings.buttingTemperature', 'rings.hotGap'])
    expect(outputs(paper(tern, { ringTemperature: undefined, boreTemperature: undefined }))).toEqual(GAPS)
    for (const [given, wanted] of [
      ['ringTemperature', 'boreTemperature'],
      ['boreTemperature', 'ringTemperature'],
    ] as const) {
      const one = paper(tern, { [wanted]: undefined })
      expect(outputs(one), given).toEqual([...GAPS, 'rings.buttingTemperature', 'rings.hotGap'])
      expect(find(one, 'rings.hotGap.2').missing).toEqual([{ kind: 'paper', key: wanted }])
    }
    const noGap = without(
      paper(tern, { boreTemperature: undefined }),
      ({ characteristic, place }) => characteristic === 'rings.topGap' && place.cylinder === 2,
    )
    expect(find(noGap, 'rings.buttingTemperature.2').missing).toEqual([
      { kind: 'reading', stationId: 'rings.topGap/c2/top' },
      { kind: 'paper', key: 'boreTemperature' },
    ])
  })
})

describe('the tightest gap', () => {
  it('of three depths, with the interval of its leaves and not of another', () => {
    const tight = gapped(gapped(gapped(sound, 'rings.topGap', 0.6), 'rings.topGap', 0.53, 'middle'), 'rings.topGap', 0.58, 'bottom')
    expectNear(valueOf(tight, 'rings.topGap.2'), 0.535, 1e-9)
    // 0.53 goes and 0.54 does not: below the 0.54 that is wanted.
    expect(verdictOf(rings, tight, 'rings.topGap.2')).toBe('under')
    expect(find(tight, 'rings.topGap.2').remarks.filter(({ code }) => code === 'incomplete')).toEqual([])
  })

  it('of the rails is either one’s; both are wanted', () => {
    expectNear(valueOf(gapped(gapped(shallow, 'rings.upperRailGap', 0.7), 'rings.lowerRailGap', 0.5), 'rings.railGap.2'), 0.505, 1e-9)
    expectNear(valueOf(gapped(gapped(shallow, 'rings.upperRailGap', 0.45), 'rings.lowerRailGap', 0.5), 'rings.railGap.2'), 0.455, 1e-9)
    const one = without(shallow, ({ characteristic, place }) => characteristic === 'rings.lowerRailGap' && place.cylinder === 2)
    expect(find(one, 'rings.railGap.2').missing).toEqual([{ kind: 'reading', stationId: 'rings.lowerRailGap/c2/top' }])
    const none = without(one, ({ characteristic, place }) => characteristic === 'rings.upperRailGap' && place.cylinder === 2)
    expect(find(none, 'rings.railGap.2').missing.length).toBe(2)
  })

  it('wants the gap an inch down first, whatever else was read', () => {
    const deep = without(
      sound,
      ({ characteristic, place }) => characteristic === 'rings.topGap' && place.cylinder === 2 && place.spot === 'top',
    )
    expect(find(deep, 'rings.topGap.2').missing).toEqual([{ kind: 'reading', stationId: 'rings.topGap/c2/top' }])
  })

  it('says how many of the places it is of, or how many are from before the file, not both', () => {
    const two = without(
      sound,
      ({ characteristic, place }) => characteristic === 'rings.topGap' && place.cylinder === 2 && place.spot === 'middle',
    )
    expect(find(two, 'rings.topGap.2').remarks).toContainEqual({ code: 'incomplete', used: 2, wanted: 3 })
    const filed = withReading(
      gapped(gapped(gapped(sound, 'rings.topGap', 0.5), 'rings.topGap', 0.5, 'middle'), 'rings.topGap', 0.5, 'bottom'),
      'rings.topGap',
      { cylinder: 2, spot: 'top' },
      0.56,
      'feeler-fine.1',
      { upper: 0.57, strokes: 20 },
    )
    const codes = find(filed, 'rings.topGap.2').remarks.map(({ code }) => code)
    expect(find(filed, 'rings.topGap.2').remarks).toContainEqual({ code: 'filedSince', places: 2 })
    expect(codes).not.toContain('incomplete')
    expectNear(valueOf(filed, 'rings.topGap.2'), 0.565, 1e-9)
  })
})

describe('second over top', () => {
  it('is the second’s tightest less the top’s tightest, as sure as both', () => {
    const build = gapped(gapped(shallow, 'rings.topGap', 0.55), 'rings.secondGap', 0.6)
    expectNear(valueOf(build, 'rings.secondOverTop.2'), 0.05, 1e-9)
    const u = (id: string) => standardUncertainty(find(build, id).figure!.value)
    // The leaves' own errors are of one set and cancel; what is left of each is its step and its noise.
    expect(u('rings.secondOverTop.2')).toBeLessThan(Math.hypot(u('rings.topGap.2'), u('rings.secondGap.2')) + 1e-12)
    expect(u('rings.secondOverTop.2')).toBeGreaterThan(u('rings.topGap.2'))
  })

  it('is not sure while a depth of either is open, and not known without one', () => {
    const eased = withSpecOf(sound, (spec): Spec => ({
      ...spec,
      limits: { ...spec.limits, 'rings.secondOverTop': { lower: -1, source: 'test', reason: '' } },
    }))
    expect(verdictOf(rings, eased, 'rings.secondOverTop.2')).toBe('within')
    for (const ring of ['rings.topGap', 'rings.secondGap']) {
      const open = without(eased, ({ characteristic, place }) => characteristic === ring && place.cylinder === 2 && place.spot === 'bottom')
      expect(verdictOf(rings, open, 'rings.secondOverTop.2'), ring).toBe('inDoubt')
      const gone = without(eased, ({ characteristic, place }) => characteristic === ring && place.cylinder === 2)
      expect(find(gone, 'rings.secondOverTop.2').missing, ring).toEqual([{ kind: 'reading', stationId: `${ring}/c2/top` }])
    }
  })
})

describe('heat', () => {
  // Handbook: with the wall at 150 °C a factor of 0.0060 butts at 299 °C of ring, whatever the bore (iron bore, ductile ring).
  const iron = withSpecOf(
    paper(shallow, {
      ringTemperature: { value: 250, unit: 'degC', source: 'test' },
      boreTemperature: { value: 150, unit: 'degC', source: 'test' },
    }),
    (spec): Spec => ({
      ...spec,
      methods: { ...spec.methods, bore: 'paper' },
      materials: { ...spec.materials, bore: 'greyIron', topRing: 'greyIron' },
    }),
  )
  it.each([
    [0.005, 272],
    [0.006, 299],
    [0.007, 326],
  ])('a gap of %f of the bore butts near %i °C', (factor, degC) => {
    const exact = withReading(iron, 'rings.topGap', { cylinder: 2, spot: 'top' }, factor * 83 - 0.005, 'feeler-fine.1', {
      upper: factor * 83 + 0.005,
    })
    expectNear(valueOf(exact, 'rings.buttingTemperature.2'), degC, 8)
  })

  it('the verdict goes by the worst materials, the gap left by their middle', () => {
    const gap = gapped(iron, 'rings.topGap', 0.5)
    const butts = valueOf(gap, 'rings.buttingTemperature.2')
    const atButting = paper(gap, { ringTemperature: { value: butts, unit: 'degC', source: 'test' } })
    // Upper ring 12.0e-6 against 11.75e-6 in the middle, lower bore 10.5e-6 against 10.75e-6: some hundredths on π · 83 mm.
    const left = valueOf(atButting, 'rings.hotGap.2')
    expectNear(left, Math.PI * 83 * (0.25e-6 * (butts - 20) + 0.25e-6 * 130), 0.003)
  })
})
