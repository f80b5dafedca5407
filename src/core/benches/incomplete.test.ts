import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Place, Spec } from '@/core/document'
import {
  find,
  petrelDocument,
  readingOf,
  soundBuild,
  ternDocument,
  valueOf,
  verdictOf,
  withReading,
  withSpecOf,
  without,
} from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { standardUncertainty, type Figure } from '../metrology'
import { bearings } from './bearings'
import { bores } from './bores'
import { compression, gasketRack } from './compression'
import { rings } from './rings'
import { rods } from './rods'

/** What is not all there is never called within, and says how much of it there is. */
const sound = soundBuild(0)
const v8 = soundBuild(1)
const [tern, petrel] = [openBuild(ternDocument), openBuild(petrelDocument)]
const isOf = (characteristics: readonly string[], keep: (place: Place) => boolean) => (entry: { characteristic: string; place: Place }) =>
  characteristics.includes(entry.characteristic) && !keep(entry.place)
const wide = (build: Build, ...keys: string[]): Build =>
  withSpecOf(build, (spec): Spec => ({
    ...spec,
    limits: {
      ...spec.limits,
      ...Object.fromEntries(keys.map((key) => [key, { lower: -10_000, upper: 10_000, source: 'test', reason: '' }])),
    },
  }))

describe('spreads of a set that is not all measured', () => {
  it.each([
    ['bores.clearanceSpread', bores, ['bores.bore', 'bores.skirt']],
    ['bearings.rodSpread', bearings, ['bearings.rodClearance']],
    ['rods.centreSpread', rods, ['rods.centreDistance']],
    ['rods.reciprocatingSpread', rods, ['rods.pistonMass']],
    ['compression.deckSpread', compression, ['compression.deck']],
  ] as const)('%s of two cylinders of eight is in doubt however wide its limit, of eight within', (id, bench, characteristics) => {
    const eased = wide(v8, id)
    const two = without(
      eased,
      isOf(characteristics, ({ cylinder }) => cylinder === 1 || cylinder === 5),
    )
    expect(verdictOf(bench, eased, id)).toBe('within')
    expect(find(bench, two, id)).toMatchObject({
      conformity: { verdict: 'inDoubt', gaugeCannotDecide: false },
      remarks: expect.arrayContaining([{ code: 'incomplete', used: 2, wanted: 8 }]),
    })
  })

  it('two that are too far apart already are out, whatever the others will be', () => {
    const two = without(
      v8,
      isOf(['rods.centreDistance'], ({ cylinder }) => cylinder === 1 || cylinder === 5),
    )
    const { value, gauge, unit } = readingOf(two, 'rods.centreDistance/c5')
    const apart = withReading(two, 'rods.centreDistance', { cylinder: 5 }, value + 2, gauge, { unit })
    expect(verdictOf(rods, apart, 'rods.centreSpread')).toBe('over')
  })
})

describe('a bore, a journal and a ring read at fewer places than they are judged by', () => {
  it('the middle depth alone says nothing sure of taper, roundness or clearance', () => {
    const eased = wide(sound, 'bores.clearance', 'bores.outOfRound', 'bores.taper')
    const middle = without(
      eased,
      isOf(['bores.bore'], ({ cylinder, spot }) => cylinder !== 2 || spot!.startsWith('middle')),
    )
    expect(find(bores, middle, 'bores.taper.2').figure).toBeUndefined()
    for (const id of ['bores.outOfRound.2', 'bores.clearance.2']) expect(find(bores, middle, id).conformity!.verdict, id).toBe('inDoubt')
    for (const id of ['bores.outOfRound.1', 'bores.clearance.1']) expect(find(bores, middle, id).conformity!.verdict, id).toBe('within')
  })

  it('a journal read at its front end alone has a size, and no taper', () => {
    const front = without(
      wide(sound, 'bearings.journalRound', 'bearings.journalTaper'),
      isOf(['bearings.mainJournal'], ({ main, spot }) => main !== 2 || spot!.startsWith('front')),
    )
    expect(verdictOf(bearings, front, 'bearings.mainRound.m2')).toBe('inDoubt')
    expect(verdictOf(bearings, front, 'bearings.mainRound.m3')).toBe('within')
    expect(find(bearings, front, 'bearings.mainTaper.m2').missing).toEqual([
      { kind: 'reading', stationId: 'bearings.mainJournal/m2/rear-vertical' },
    ])
  })

  it('a ring gapped at the top alone where three depths are wanted is in doubt, and says one of three', () => {
    const top = without(
      wide(sound, 'rings.topGap'),
      isOf(['rings.topGap'], ({ cylinder, spot }) => cylinder !== 4 || spot === 'top'),
    )
    expect(find(rings, top, 'rings.topGap.4')).toMatchObject({
      conformity: { verdict: 'inDoubt' },
      remarks: expect.arrayContaining([{ code: 'incomplete', used: 1, wanted: 3 }]),
    })
    expect(verdictOf(rings, top, 'rings.topGap.3')).toBe('within')
  })
})

describe('a deck that is not parallel', () => {
  /** The deck of a cylinder moved by so much, at every place it was read. */
  const deeper = (build: Build, cylinder: number, byMm: number) =>
    ['front', 'left', 'rear', 'right'].reduce((now, spot) => {
      const read = now.readings.current.get(`compression.deck/c${cylinder}/${spot}`)
      return read ? withReading(now, 'compression.deck', { cylinder, spot }, read.value + byMm, read.gauge) : now
    }, build)

  it('falls on one bank and rises on the other: both are said, not their mean', () => {
    // Alternating numbers: 1 3 5 7 stand left from the front, 2 4 6 8 right.
    const twisted = deeper(deeper(v8, 7, 0.2), 8, -0.2)
    const [left, right] = ['left', 'right'].map(
      (bank) => valueOf(compression, twisted, `compression.deckFall.${bank}`) - valueOf(compression, v8, `compression.deckFall.${bank}`),
    )
    expectNear(left!, 0.2, 1e-9)
    expectNear(right!, -0.2, 1e-9)
    expect([
      verdictOf(compression, twisted, 'compression.deckFall.left'),
      verdictOf(compression, twisted, 'compression.deckFall.right'),
    ]).toEqual(['over', 'under'])
  })

  it('is one finding of an inline, and none of a bank with one cylinder', () => {
    expect(
      compression
        .derive(sound)
        .filter(({ output }) => output === 'compression.deckFall')
        .map(({ id }) => id),
    ).toEqual(['compression.deckFall'])
    const single = openBuild({
      ...ternDocument,
      entries: [],
      spec: {
        ...tern.spec,
        choice: {},
        layout: { ...tern.spec.layout, kind: 'single', cylinders: 1, mains: 2, firingOrder: [1], pins: [{ angleDeg: 0, cylinders: [1] }] },
      },
    })
    expect(
      compression
        .derive(single)
        .some(({ output }) =>
          ['compression.deckFall', 'compression.deckSpread', 'compression.ratioSpread', 'compression.chamberSpread'].includes(output),
        ),
    ).toBe(false)
  })
})

describe('a tolerance on paper', () => {
  const heights = (varies: 'set' | 'piece' | undefined) =>
    withSpecOf(tern, (spec): Spec => ({
      ...spec,
      paper: { ...spec.paper, compressionHeight: { ...spec.paper.compressionHeight!, tolerance: 0.06, varies } },
    }))
  const u = (figure: Figure | undefined) => standardUncertainty(figure!.value)

  it('is one error common to the set, or another for each piece: a comparison of two cancels the first and not the second', () => {
    const apart = (build: Build) => find(rods, build, 'rods.stackApart.2').figure!
    // 0.06 / √3 either way for one cylinder.
    expectNear(u(apart(heights('set'))), u(apart(heights('piece'))), 1e-12)
    const between = (build: Build) => {
      const [a, b] = ['rods.stackApart.2', 'rods.stackApart.4'].map((id) => find(rods, build, id).figure!.value)
      const shared = new Map(b!.components.map(({ source, u }) => [source.id, u]))
      const own = a!.components.reduce((sum, component) => sum + (component.u - (shared.get(component.source.id) ?? 0)) ** 2, 0)
      return (
        own +
        b!.components
          .filter(({ source }) => !a!.components.some((one) => one.source.id === source.id))
          .reduce((sum, component) => sum + component.u ** 2, 0)
      )
    }
    expectNear(between(heights('piece')) - between(heights('set')), 2 * (0.06 / Math.sqrt(3)) ** 2, 1e-9)
    expectNear(between(heights(undefined)), between(heights('set')), 1e-12)
  })
})

describe.each(['pistonVolume', 'crownDiameter', 'landHeight', 'stroke', 'rodLength', 'bore'] as const)('%s', (key) => {
  const ratiosWith = (varies: 'set' | 'piece') =>
    withSpecOf(tern, (spec): Spec => {
      // Ten times what a maker would let pass, so that it stands out from the gauges.
      const loose = { ...spec.paper[key]!, tolerance: key === 'pistonVolume' ? 1 : 0.5, varies }
      return { ...spec, methods: { ...spec.methods, bore: 'paper' }, paper: { ...spec.paper, [key]: loose } }
    })
  const uOf = (build: Build, id: string) => standardUncertainty(find(compression, build, id).figure!.value)

  it('each its own: no cylinder’s ratio is less sure for it, their spread is', () => {
    const [set, piece] = [ratiosWith('set'), ratiosWith('piece')]
    expectNear(uOf(piece, 'compression.compressionRatio.2'), uOf(set, 'compression.compressionRatio.2'), 1e-9)
    const onRatio = key !== 'rodLength'
    expect(uOf(piece, 'compression.ratioSpread') > uOf(set, 'compression.ratioSpread') * 1.02).toBe(onRatio)
  })
})

describe('the fitted gasket', () => {
  it('is ranked by what was measured of it, the others by their makers', () => {
    const measured = withSpecOf(petrel, (spec): Spec => ({ ...spec, methods: { ...spec.methods, gasket: 'measured' } }))
    const fitted = petrel.spec.stock.gaskets.find(({ id }) => id === petrel.spec.choice.gasket)!
    const thick = (['left', 'right'] as const).reduce(
      (build, bank) =>
        withReading(
          withReading(build, 'compression.gasketThickness', { bank }, fitted.thicknessMm + 0.2, 'mic-metric.1'),
          'compression.gasketBore',
          { bank },
          fitted.boreMm,
          'caliper.1',
        ),
      measured,
    )
    const quenchOf = (build: Build, id: string) => gasketRack(build).find(({ gasket }) => gasket.id === id)?.outcome.quenchLeast?.value
    expectNear(quenchOf(thick, fitted.id)! - quenchOf(petrel, fitted.id)!, 0.2, 1e-3)
    for (const { id } of petrel.spec.stock.gaskets.filter((gasket) => gasket.id !== fitted.id))
      expect(quenchOf(thick, id), id).toBe(quenchOf(petrel, id))
  })
})
