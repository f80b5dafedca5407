import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import {
  find,
  petrelDocument,
  readingOf,
  soundBuild,
  ternDocument,
  valueOf,
  withReading,
  withSpecOf,
  without,
} from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { expand } from '../../metrology'
import { bearings, selectShells, withShells } from '.'

const [tern, petrel] = [openBuild(ternDocument), openBuild(petrelDocument)]
const sound = soundBuild(0)
const counts = (build: Build) => {
  const by = new Map<string, number>()
  for (const { output } of bearings.derive(build)) by.set(output, (by.get(output) ?? 0) + 1)
  return Object.fromEntries(by)
}
const layout = (build: Build, more: Partial<Spec['layout']>) =>
  withSpecOf(build, (spec): Spec => ({ ...spec, layout: { ...spec.layout, ...more } }))
const methods = (build: Build, more: Partial<Spec['methods']>) =>
  withSpecOf(build, (spec): Spec => ({ ...spec, methods: { ...spec.methods, ...more } }))

describe('what the bench finds, by layout', () => {
  const ROD = {
    'bearings.rodClearance': 5,
    'bearings.rodPlanned': 5,
    'bearings.rodRound': 5,
    'bearings.rodTaper': 5,
    'bearings.rodJournal': 5,
    'bearings.rodSpread': 1,
  }
  const MAIN = {
    'bearings.mainClearance': 6,
    'bearings.mainPlanned': 6,
    'bearings.mainRound': 6,
    'bearings.mainTaper': 6,
    'bearings.mainJournal': 6,
    'bearings.mainSpread': 1,
    'bearings.spinRise': 5,
    'bearings.endFloat': 1,
  }
  const has = (build: Build, outputs: object) => expect(counts(build)).toMatchObject(outputs)
  const hasNot = (build: Build, outputs: object) => expect(Object.keys(counts(build)).filter((output) => output in outputs)).toEqual([])
  const { 'bearings.rodPlanned': _, ...rods } = ROD
  const { 'bearings.mainPlanned': __, ...mains } = MAIN

  it('plain bearings: every journal, spreads, the caps and the crank', () => {
    has(tern, { ...rods, ...mains, 'bearings.mainWarm': 6, 'bearings.runOut': 1, 'bearings.rodSide': 5 })
    has(petrel, { 'bearings.mainClearance': 5, 'bearings.rodClearance': 8, 'bearings.rodSide': 4 })
  })

  it('rolling mains have no clearance, no caps and no end float of shells; the rods go on', () => {
    const rolling = layout(tern, { mainBearings: 'rolling' })
    hasNot(rolling, { ...MAIN, 'bearings.mainWarm': 1 })
    has(rolling, { ...rods, 'bearings.runOut': 1 })
  })

  it('rolling big ends have none either; the mains go on', () => {
    const rolling = layout(tern, { rodBearings: 'rolling' })
    hasNot(rolling, ROD)
    has(rolling, { ...mains, 'bearings.runOut': 1 })
  })

  it('a single has one rod, and nothing to compare it with', () => {
    const single = layout(openBuild({ ...ternDocument, entries: [], spec: { ...tern.spec, choice: {} } }), {
      kind: 'single',
      cylinders: 1,
      mains: 2,
      firingOrder: [1],
      pins: [{ angleDeg: 0, cylinders: [1] }],
    })
    expect(counts(single)).toMatchObject({ 'bearings.rodClearance': 1, 'bearings.mainClearance': 2, 'bearings.mainSpread': 1 })
    expect(counts(single).rodSpread).toBeUndefined()
  })

  it('warm clearances come of the mains alone, and only where a temperature is on paper', () => {
    expect(Object.keys(counts(tern)).filter((output) => output.endsWith('Warm'))).toEqual(['bearings.mainWarm'])
    const cold = withSpecOf(tern, (spec): Spec => ({ ...spec, paper: { ...spec.paper, bearingTemperature: undefined } }))
    expect(counts(cold).mainWarm).toBeUndefined()
  })

  it('spreads name mains among mains, cylinders among rods', () => {
    const named = (id: string) => find(bearings, petrel, id).remarks.find(({ code }) => code === 'extremes')
    expect(named('bearings.mainSpread')).toMatchObject({ of: 'main', largest: 4, smallest: 2 })
    expect(named('bearings.rodSpread')).toMatchObject({ of: 'cylinder', largest: 3, smallest: 6 })
  })
})

describe('journals', () => {
  const at = (build: Build, main: number, spot: string, mm: number) =>
    withReading(build, 'bearings.mainJournal', { main, spot }, mm, 'mic-metric.1')
  const read = [
    ['front-vertical', 58.004],
    ['front-horizontal', 58.001],
    ['rear-vertical', 57.994],
    ['rear-horizontal', 57.999],
  ] as const
  const shaped = read.reduce((build, [spot, mm]) => at(build, 2, spot, mm), sound)

  it('the worse end and the worse axis: 5 µm out of round at the rear, 10 µm of taper on the vertical', () => {
    expectNear(valueOf(bearings, shaped, 'bearings.mainRound.m2'), 0.005, 1e-9)
    expectNear(valueOf(bearings, shaped, 'bearings.mainTaper.m2'), 0.01, 1e-9)
    expectNear(valueOf(bearings, shaped, 'bearings.mainJournal.m2'), 57.9995, 1e-9)
    for (const id of ['bearings.mainRound.m2', 'bearings.mainTaper.m2'])
      expect(find(bearings, shaped, id).remarks.filter(({ code }) => code === 'incomplete')).toEqual([])
  })

  it('one end on one axis is neither; what is read on both counts, and says one of two', () => {
    const oneAxis = without(
      shaped,
      ({ characteristic, place }) => characteristic === 'bearings.mainJournal' && place.main === 2 && place.spot === 'rear-horizontal',
    )
    // Round at the front alone: 3 µm; taper on the vertical alone.
    expectNear(valueOf(bearings, oneAxis, 'bearings.mainRound.m2'), 0.003, 1e-9)
    expectNear(valueOf(bearings, oneAxis, 'bearings.mainTaper.m2'), 0.01, 1e-9)
    for (const id of ['bearings.mainRound.m2', 'bearings.mainTaper.m2'])
      expect(find(bearings, oneAxis, id).remarks).toContainEqual({ code: 'incomplete', used: 1, wanted: 2 })
  })

  it('asks for the rear of the journal it is about', () => {
    const fronts = without(sound, ({ characteristic, place }) => characteristic.endsWith('Journal') && place.spot!.startsWith('rear'))
    expect(find(bearings, fronts, 'bearings.mainTaper.m3').missing).toEqual([
      { kind: 'reading', stationId: 'bearings.mainJournal/m3/rear-vertical' },
    ])
    expect(find(bearings, fronts, 'bearings.rodTaper.3').missing).toEqual([
      { kind: 'reading', stationId: 'bearings.rodJournal/c3/rear-vertical' },
    ])
    const none = without(sound, ({ characteristic }) => characteristic === 'bearings.rodJournal')
    expect(find(bearings, none, 'bearings.rodRound.3').missing).toEqual(
      ['bearings.rodJournal/c3/front-vertical', 'bearings.rodJournal/c3/front-horizontal'].map((stationId) => ({
        kind: 'reading',
        stationId,
      })),
    )
  })

  it('warm clearance goes by the journal as measured, by its paper where it was not', () => {
    const paper = (mm: number) =>
      withSpecOf(shaped, (spec): Spec => ({
        ...spec,
        paper: {
          ...spec.paper,
          mainJournal: { ...spec.paper.mainJournal!, value: mm },
          rodJournal: { ...spec.paper.rodJournal!, value: 20 },
        },
      }))
    expectNear(valueOf(bearings, paper(48), 'bearings.mainWarm.m2'), valueOf(bearings, shaped, 'bearings.mainWarm.m2'), 1e-4)
    const unread = (mm: number) =>
      without(paper(mm), ({ characteristic, place }) => characteristic === 'bearings.mainJournal' && place.main === 2)
    // 75 K of aluminium block round a steel crank: (21 − 11.75)e-6 · 75 a millimetre of journal.
    expectNear(
      valueOf(bearings, unread(58), 'bearings.mainWarm.m2') - valueOf(bearings, unread(48), 'bearings.mainWarm.m2'),
      10 * (21 - 11.75) * 1e-6 * 75,
      2e-4,
    )
  })
})

describe('beside the vertical', () => {
  it('what is wider is as it should be, what was not read says nothing, a strip is read at one place alone', () => {
    const codes = (build: Build, id: string) => find(bearings, build, id).remarks.map(({ code }) => code)
    expect(codes(tern, 'bearings.mainClearance.m3')).not.toContain('narrowBeside')
    const { value, gauge } = readingOf(tern, 'bearings.mainClearance/m3/vertical')
    const narrow = withReading(
      withReading(tern, 'bearings.mainClearance', { main: 3, spot: 'right60' }, value - 0.03, gauge),
      'bearings.mainClearance',
      { main: 3, spot: 'left60' },
      value - 0.02,
      gauge,
    )
    expect(find(bearings, narrow, 'bearings.mainClearance.m3').remarks).toEqual(
      expect.arrayContaining([
        { code: 'narrowBeside', side: 'left', byMm: expect.closeTo(0.02, 9) },
        { code: 'narrowBeside', side: 'right', byMm: expect.closeTo(0.03, 9) },
      ]),
    )
    const alone = without(
      narrow,
      ({ characteristic, place }) => characteristic === 'bearings.mainClearance' && place.main === 3 && place.spot === 'left60',
    )
    expect(codes(alone, 'bearings.mainClearance.m3').filter((code) => code === 'narrowBeside')).toEqual(['narrowBeside'])
    const strip = withReading(methods(narrow, { bearings: 'strip' }), 'bearings.mainStrip', { main: 3 }, value, 'strip.1')
    expect(codes(strip, 'bearings.mainClearance.m3')).not.toContain('narrowBeside')
    const unread = without(
      narrow,
      ({ characteristic, place }) => characteristic === 'bearings.mainClearance' && place.main === 3 && place.spot === 'vertical',
    )
    expect(find(bearings, unread, 'bearings.mainClearance.m3').missing).toEqual([
      { kind: 'reading', stationId: 'bearings.mainClearance/m3/vertical' },
    ])
  })

  it('narrower by no more than the gauge can tell is not said', () => {
    const { value, gauge } = readingOf(tern, 'bearings.mainClearance/m3/vertical')
    const at = (byMm: number) =>
      find(
        bearings,
        withReading(tern, 'bearings.mainClearance', { main: 3, spot: 'left60' }, value - byMm, gauge),
        'bearings.mainClearance.m3',
      ).remarks.some(({ code }) => code === 'narrowBeside')
    // Both by one gauge, bias and scale shared: step 0.002 and s 0.0015 mm each, near enough.
    expect([at(0.002), at(0.01)]).toEqual([false, true])
  })
})

describe('planned shells', () => {
  const selection = selectShells(petrel, 'main')!
  const planned = withShells(petrel, selection)

  it('say which half goes where, and stand only where a plan waits', () => {
    for (const { journal, upper, lower } of selection.choices) {
      const before = valueOf(bearings, petrel, `bearings.mainClearance.m${journal.number}`)
      const finding = find(bearings, planned, `bearings.mainPlanned.m${journal.number}`)
      expect(finding.remarks).toContainEqual({ code: 'shellsPlanned', upper: upper.name, lower: lower.name })
      expectNear(finding.figure!.value.value, before - upper.wallMm - lower.wallMm, 1e-9)
      expect(expand(finding.figure!.value).U).toBeGreaterThan(
        expand(find(bearings, planned, `bearings.mainClearance.m${journal.number}`).figure!.value).U,
      )
    }
    expect(
      bearings
        .derive(planned)
        .filter(({ output }) => output === 'bearings.rodPlanned')
        .every(({ figure }) => figure === undefined),
    ).toBe(true)
    expect(bearings.derive(petrel).filter(({ output, figure }) => output === 'bearings.mainPlanned' && figure)).toEqual([])
  })

  it('are not known while the clearance they change is struck out', () => {
    const struck = without(
      planned,
      ({ characteristic, place }) => characteristic === 'bearings.mainClearance' && place.main === 2 && place.spot === 'vertical',
    )
    expect(bearings.derive(struck).find(({ id }) => id === 'bearings.mainPlanned.m2')?.figure).toBeUndefined()
  })
})

describe('torque to turn, cap by cap', () => {
  const bare = without(sound, ({ characteristic }) => characteristic === 'bearings.spin')
  const torque = [...tern.gauges.values()].find(({ use }) => use === 'torque')!.id
  const spins = (build: Build) =>
    bearings
      .derive(build)
      .filter(({ output }) => output === 'bearings.spinRise')
      .map(({ id, figure, missing }) => [id, figure ? Number(figure.value.value.toFixed(6)) : missing.length])
  const tighten = (...caps: (readonly [number, number])[]) =>
    caps.reduce((now, [main, nm]) => withReading(now, 'bearings.spin', { main }, nm, torque, { unit: 'Nm' }), bare)

  it('goes by the order in which the caps were tightened, not by their numbers', () => {
    // From the middle out: 3, 2, 4, 1, 5, 6. The first has none before it.
    expect(spins(tighten([3, 1], [2, 1.4], [4, 3.4], [1, 3.9], [5, 4], [6, 4.6]))).toEqual([
      ['bearings.spinRise.m1', 0.5],
      ['bearings.spinRise.m2', 0.4],
      ['bearings.spinRise.m4', 2],
      ['bearings.spinRise.m5', 0.1],
      ['bearings.spinRise.m6', 0.6],
    ])
  })

  it('wants the caps that are not read, and finds nothing before the first', () => {
    expect(spins(tighten([3, 1], [2, 1.4]))).toEqual([
      ['bearings.spinRise.m1', 1],
      ['bearings.spinRise.m2', 0.4],
      ['bearings.spinRise.m4', 1],
      ['bearings.spinRise.m5', 1],
      ['bearings.spinRise.m6', 1],
    ])
    expect(find(bearings, tighten([3, 1]), 'bearings.spinRise.m5').missing).toEqual([{ kind: 'reading', stationId: 'bearings.spin/m5' }])
    expect(spins(bare)).toEqual([])
  })
})

describe('rod side clearance', () => {
  it('is one a rod on an inline, one a pin on a V, by the leaves it was read with', () => {
    const ids = (build: Build) =>
      bearings
        .derive(build)
        .filter(({ output }) => output === 'bearings.rodSide')
        .map(({ id }) => id)
    expect(ids(tern)).toEqual([
      'bearings.rodSide.1',
      'bearings.rodSide.2',
      'bearings.rodSide.3',
      'bearings.rodSide.4',
      'bearings.rodSide.5',
    ])
    expect(ids(petrel)).toEqual(['bearings.rodSide.1', 'bearings.rodSide.3', 'bearings.rodSide.5', 'bearings.rodSide.7'])
    const { value, upper } = readingOf(tern, 'bearings.rodSide/c2')
    expectNear(valueOf(bearings, tern, 'bearings.rodSide.2'), (value + upper!) / 2, 1e-9)
    expect(
      find(
        bearings,
        without(tern, ({ characteristic }) => characteristic === 'bearings.rodSide'),
        'bearings.rodSide.2',
      ).missing,
    ).toEqual([{ kind: 'reading', stationId: 'bearings.rodSide/c2' }])
  })
})

describe('what a reading of a bearing is held against while it is typed', () => {
  const stationsOf = (build: Build) => new Map(bearings.stations(build).map((station) => [station.id as string, station]))
  const { mainJournal, rodJournal } = tern.spec.paper
  const journal = (kind: 'main' | 'rod') => (kind === 'main' ? mainJournal : rodJournal)!.value

  it.each([
    ['bearings.mainJournal/m2/front-vertical', 'main', -1.1, 0.3, 'Main 2, journal, front end, vertical', 'Front, vertical'],
    ['bearings.rodJournal/c3/rear-horizontal', 'rod', -1.1, 0.3, 'Cylinder 3, rod journal, rear end, horizontal', 'Rear, horizontal'],
  ] as const)('%s: its paper, less what a grinder takes', (id, kind, below, above, label, row) => {
    const nominal = journal(kind)
    expect(stationsOf(tern).get(id)).toMatchObject({
      label,
      row,
      nominal,
      expected: { low: expect.closeTo(nominal + below, 9), high: expect.closeTo(nominal + above, 9) },
      usual: { centre: nominal, stray: 0.1 },
    })
  })

  it('without paper as wide as journals go, and with no nominal', () => {
    const bare = withSpecOf(tern, (spec): Spec => ({ ...spec, paper: {} }))
    for (const id of ['bearings.mainJournal/m1/front-vertical', 'bearings.rodJournal/c1/front-vertical']) {
      const station = stationsOf(bare).get(id)!
      expect(station.expected).toEqual({ low: 15, high: 150 })
      expect(station).not.toHaveProperty('nominal')
    }
  })

  it('read separately, the shells inside by the same paper', () => {
    const inside = [...stationsOf(methods(tern, { bearings: 'separate' })).values()].find(
      ({ id }) => id.startsWith('bearings.mainInside/m1') && id.endsWith('vertical'),
    )!
    const nominal = journal('main')
    expect(inside).toMatchObject({
      label: 'Main 1, inside the shells, vertical',
      row: 'Shells, vertical',
      nominal,
      expected: { low: expect.closeTo(nominal - 1, 9), high: expect.closeTo(nominal + 0.4, 9) },
    })
  })
})
