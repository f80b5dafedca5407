import { describe, expect, it } from 'vitest'
import { NOT_SAID, type Build } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { find, TODAY, verdictOf as verdict, withReading as read, withSpecOf as spec } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { type Figure } from '../../metrology'
import { taperByRing } from '../../shared/ringGap'
import { openBuild } from '..'
import { buttingDraws, CLOCKING, filingLog, majorThrustSide, rings, ringsToDraw, swapRings, topRingFactor } from '.'

const [tern, petrel] = DEMO_BUILDS.map((demo) => openBuild(demoDocument(demo, TODAY))) as [Build, Build]

describe('rings', () => {
  it('finds Tern’s tight ring and names how much to file', () => {
    expect(verdict(rings, tern, 'rings.topGap.2')).toBe('under')
    for (const cylinder of [1, 3, 4, 5]) expect(verdict(rings, tern, `rings.topGap.${cylinder}`)).toBe('within')
    expectNear(0.54 - find(rings, tern, 'rings.topGap.2').figure!.value.value, 0.03, 0.011)
    const file = rings.advise(tern, rings.derive(tern)).find(({ change }) => change.code === 'file')!
    expect(file.change).toMatchObject({ ring: 'top', cylinder: 2, toMm: 0.56 })
    expectNear((file.change as { mm: number }).mm, 0.05, 0.011)
  })

  it('judges a feeler as the interval it is', () => {
    const at = (value: number, upper: number) =>
      verdict(rings, read(tern, 'rings.topGap', { cylinder: 1, spot: 'top' }, value, 'feeler-fine.1', { upper }), 'rings.topGap.1')
    expect(at(0.53, 0.55)).toBe('inDoubt')
    expect(at(0.5, 0.52)).toBe('under')
  })

  it('asks for three depths of the compression rings only, and only where the build gaps them so', () => {
    const rows = (build: Build) =>
      new Map(
        rings
          .stations(build)
          .filter(({ place }) => place.cylinder === 1)
          .map(({ characteristic }) => [
            characteristic,
            rings.stations(build).filter((one) => one.place.cylinder === 1 && one.characteristic === characteristic).length,
          ]),
      )
    expect(Object.fromEntries(rows(tern))).toEqual({
      'rings.topGap': 3,
      'rings.secondGap': 3,
      'rings.upperRailGap': 1,
      'rings.lowerRailGap': 1,
    })
    expect(Object.fromEntries(rows(petrel))).toEqual({
      'rings.topGap': 1,
      'rings.secondGap': 1,
      'rings.upperRailGap': 1,
      'rings.lowerRailGap': 1,
    })
  })

  it('does not hold what was read before the last pass on the file against the ring: nobody is told to file twice', () => {
    const place = { cylinder: 2, spot: 'top' }
    expect(find(rings, tern, 'rings.topGap.2').figure!.value.value).toBeCloseTo(0.505, 9)
    const filed = read(tern, 'rings.topGap', place, 0.55, 'feeler-fine.1', { upper: 0.56, strokes: 12 })
    const after = find(rings, filed, 'rings.topGap.2')
    expect(after.figure!.value.value).toBeCloseTo(0.555, 9)
    // Two depths are still to be read again: nothing is settled before.
    expect(after.conformity!.verdict).toBe('inDoubt')
    expect(after.remarks).toContainEqual({ code: 'filedSince', places: 2 })
    expect(rings.advise(filed, rings.derive(filed)).some(({ change }) => change.code === 'file' && change.cylinder === 2)).toBe(false)
    // Another ring of the same bore was not on the file.
    expect(find(rings, filed, 'rings.secondGap.2').figure!.value.value).toBe(find(rings, tern, 'rings.secondGap.2').figure!.value.value)
    // Read again at the other places, they count again; also where the filed place itself was measured once more without strokes.
    const again = read(
      read(filed, 'rings.topGap', place, 0.55, 'feeler-fine.1', {
        upper: 0.56,
        supersedes: filed.readings.current.get('rings.topGap/c2/top')!.id,
      }),
      'rings.topGap',
      { cylinder: 2, spot: 'bottom' },
      0.53,
      'feeler-fine.1',
      { upper: 0.54 },
    )
    expect(find(rings, again, 'rings.topGap.2').figure!.value.value).toBeCloseTo(0.535, 9)
    expect(find(rings, again, 'rings.topGap.2').remarks).toContainEqual({ code: 'filedSince', places: 1 })
    expect(taperByRing(filed, 2)).toBeUndefined()
  })

  it('wants the gap an inch down again when the ring was filed by another depth', () => {
    const filed = read(tern, 'rings.topGap', { cylinder: 2, spot: 'bottom' }, 0.55, 'feeler-fine.1', { upper: 0.56, strokes: 12 })
    expect(find(rings, filed, 'rings.topGap.2').figure).toBeUndefined()
    expect(find(rings, filed, 'rings.topGap.2').missing).toEqual([{ kind: 'reading', stationId: 'rings.topGap/c2/top' }])
  })

  it('asks once more with the ring turned a quarter where the build gaps them so; the tighter of the two counts', () => {
    const turned = spec(tern, (was) => ({ ...was, methods: { ...was.methods, ringQuarterTurn: true } }))
    const count = (build: Build, characteristic: string) =>
      rings.stations(build).filter((one) => one.place.cylinder === 1 && one.characteristic === characteristic).length
    expect([count(turned, 'rings.topGap'), count(turned, 'rings.secondGap'), count(turned, 'rings.upperRailGap')]).toEqual([6, 6, 1])
    expect(rings.stations(turned)[1]).toMatchObject({
      id: 'rings.topGap/c1/top-quarter',
      label: 'Cylinder 1, top ring gap, an inch down, turned a quarter',
      row: 'Top, top ¼',
    })
    // Not read yet: nothing changes.
    expect(find(rings, turned, 'rings.topGap.1').figure!.value.value).toBe(find(rings, tern, 'rings.topGap.1').figure!.value.value)
    const tight = read(turned, 'rings.topGap', { cylinder: 1, spot: 'top-quarter' }, 0.51, 'feeler-fine.1', { upper: 0.52 })
    expect(find(rings, tight, 'rings.topGap.1').figure!.value.value).toBeCloseTo(0.515, 9)
    expect(verdict(rings, tight, 'rings.topGap.1')).toBe('under')
    const wide = read(turned, 'rings.topGap', { cylinder: 1, spot: 'top-quarter' }, 0.9, 'feeler-fine.1', { upper: 0.91 })
    expect(find(rings, wide, 'rings.topGap.1').figure!.value.value).toBe(find(rings, tern, 'rings.topGap.1').figure!.value.value)
  })

  it('takes the mean of both turns for the taper by ring: an out-of-square reading counts half', () => {
    const turned = spec(tern, (was) => ({ ...was, methods: { ...was.methods, ringQuarterTurn: true } }))
    const [top, bottom] = (['top', 'bottom'] as const).map((spot) => tern.readings.current.get(`rings.topGap/c1/${spot}`)!)
    const step = 0.0314
    const more = read(turned, 'rings.topGap', { cylinder: 1, spot: 'top-quarter' }, top!.value + step, 'feeler-fine.1', {
      upper: top!.upper! + step,
    })
    const before = taperByRing(tern, 1) as { figure: Figure }
    const after = taperByRing(more, 1) as { figure: Figure }
    expect(bottom).toBeDefined()
    expectNear(after.figure.value.value - before.figure.value.value, step / 2 / Math.PI, 1e-9)
  })

  it('judges the tightest of the depths, and opens to all of them', () => {
    const gap = find(
      rings,
      read(tern, 'rings.topGap', { cylinder: 4, spot: 'bottom' }, 0.5, 'feeler-fine.1', { upper: 0.51 }),
      'rings.topGap.4',
    )
    expectNear(gap.figure!.value.value, 0.505, 1e-9)
    expect(gap.conformity!.verdict).toBe('under')
    expect(gap.figure!.origin).toMatchObject({
      from: 'sum',
      sum: { terms: [{ label: 'Bottom' }, { label: expect.any(String) }, { label: expect.any(String) }] },
    })
  })

  it('sets a second ring tighter than the top one against its limit', () => {
    const build = read(tern, 'rings.secondGap', { cylinder: 1, spot: 'top' }, 0.5, 'feeler-fine.1', { upper: 0.51 })
    expect(verdict(rings, build, 'rings.secondOverTop.1')).toBe('under')
  })

  it('gives the tight ring a chance of butting and the others next to none; the same seed gives the same chance', () => {
    const model = ringsToDraw(tern)!
    const last = (seed: number) => [...buttingDraws(model, 20_000, seed)].at(-1)!.results
    const chances = new Map(last(1).map(({ cylinder, chance }) => [cylinder, chance]))
    expect(chances.get(2)!).toBeGreaterThan(0.005)
    for (const cylinder of [1, 3, 4, 5]) expect(chances.get(cylinder)!).toBeLessThan(chances.get(2)! / 5)
    expect(last(1)).toEqual(last(1))
    expectNear(last(2).find(({ cylinder }) => cylinder === 2)!.chance, chances.get(2)!, 0.02)
    for (const { cylinder, meanGapMm } of last(1))
      expectNear(meanGapMm, find(rings, tern, `rings.hotGap.${cylinder}`).figure!.value.value, 0.003)
  })

  it('says the strokes left at the rate so far, and warns before the last', () => {
    const place = { cylinder: 2, spot: 'top' }
    const first = read(tern, 'rings.topGap', place, 0.52, 'feeler-fine.1', { upper: 0.53, strokes: 10 })
    const log = filingLog(first, 'top', 2, tern.spec.limits['rings.topGap'])!
    expect(log.passes).toHaveLength(2)
    const perStroke = (0.525 - log.passes[0]!.gapMm) / 10
    expectNear(log.passes[1]!.perStrokeMm!, perStroke, 1e-12)
    expectNear(log.toFileMm, 0.56 - 0.525, 1e-12)
    expectNear(log.strokesLeft!, 0.035 / perStroke, 1)
    expect(log.strokesSafe!).toBeLessThan(log.strokesLeft!)
    const nearly = read(first, 'rings.topGap', place, 0.55, 'feeler-fine.1', { upper: 0.56, strokes: 9 })
    expect(filingLog(nearly, 'top', 2, tern.spec.limits['rings.topGap'])!.strokesSafe).toBe(0)
    expect(filingLog(tern, 'top', 2, undefined)).toBeUndefined()
  })

  it('puts a ring that is too wide where the bore is smaller', () => {
    const wide = spec(tern, (now) => ({
      ...now,
      limits: { ...now.limits, 'rings.topGap': { lower: 0.54, upper: 0.6, target: 0.56, source: 'test', reason: '' } },
    }))
    const build = read(wide, 'rings.topGap', { cylinder: 1, spot: 'top' }, 0.62, 'feeler-fine.1', { upper: 0.63 })
    const swap = swapRings(build, 'top', 0.56)!
    expect([...swap.after].sort()).toEqual([1, 2, 3, 4, 5])
    // A ring keeps its length: what the gaps come to in all changes only by the bores, which are the same.
    expectNear(
      swap.gapsAfterMm.reduce((a, b) => a + b, 0),
      swap.gapsMm.reduce((a, b) => a + b, 0),
      1e-9,
    )
  })

  it.each([
    [{ boostKpa: 0, use: 'street', fuel: 'petrol' }, 0.0045],
    [{ boostKpa: 0, use: 'competition', fuel: 'petrol' }, 0.005],
    [{ boostKpa: 0, use: 'sustained', fuel: 'petrol' }, 0.0055],
    [{ boostKpa: 50, use: 'street', fuel: 'petrol' }, 0.0055],
    [{ boostKpa: 160, use: 'competition', fuel: 'petrol' }, 0.0065],
    [{ boostKpa: 260, use: 'drag', fuel: 'petrol' }, 0.007],
    [{ boostKpa: 260, use: 'drag', fuel: 'methanol' }, 0.0065],
    [{ boostKpa: 0, use: NOT_SAID, fuel: NOT_SAID }, 0.0055],
  ] as const)('starts %o from a factor of %s (common practice)', (duty, factor) =>
    expect(topRingFactor({ ...duty, redlineRpm: 7000 }).factor).toBe(factor),
  )

  it('keeps the compression gaps of every school apart and off the thrust faces', () => {
    for (const { gaps } of Object.values(CLOCKING)) {
      const at = (ring: string) => gaps.find((gap) => gap.ring === ring)?.angleDeg
      if (gaps.length === 0) continue
      expect(Math.abs(at('top')! - at('second')!)).toBe(180)
      for (const ring of ['top', 'second']) expect([90, 270]).not.toContain(at(ring))
    }
    expect(majorThrustSide({ rotation: 'clockwise' })).toBe('right')
    expect(majorThrustSide({ rotation: 'anticlockwise' })).toBe('left')
  })
})
