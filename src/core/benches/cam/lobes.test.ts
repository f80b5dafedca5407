import { describe, expect, it } from 'vitest'
import type { Build, Spec } from '@/core/document'
import { freshLayout } from '@/core/document/fresh'
import { camOfValve, valvePlaces, valvesOf } from '@/core/geometry/valvetrain'
import { at, by, engine, WHEEL } from '../../../../tests/support/cams'
import { find, readingOf, valueOf, verdictOf, withSpecOf, without } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { expand } from '../../metrology'
import { cam } from '.'

/** Every lobe, valve by valve, of engines whose lobes are known. */
const LOBES_ONLY = { camLobes: true, camCurve: false, camEvents: false, camEqualLift: false } as const

const read = (which: number, faults: object = {}, change: (spec: Spec) => Spec = (spec) => spec) =>
  engine(which, (spec) => change({ ...spec, methods: { ...spec.methods, ...LOBES_ONLY } }), faults)

const remarksOf = (build: Build, id: string) =>
  find(cam, build, id).remarks.filter(({ code }) => ['badLobe', 'shaftTwisted', 'otherPhase'].includes(code))

const laid =
  (change: Partial<Parameters<typeof freshLayout>[0]>) =>
  (spec: Spec): Spec => ({
    ...spec,
    layout: freshLayout({ kind: 'inline', cylinders: 4, bankAngleDeg: 90, valvesPerCylinder: 2, valveDrive: 'bucketShimUnder', ...change }),
    joints: undefined,
  })

describe('the lobes of a sound cam', () => {
  it.each([
    ['turbo five, four valves', read(0), 10, ['intake', 'exhaust']],
    ['V8 with one shaft', read(1), 8, ['intake', 'exhaust']],
    ['single, four valves', read(2), 2, ['intake', 'exhaust']],
    ['45° twin, cams in the heads', read(0, {}, laid({ kind: 'v', cylinders: 2, bankAngleDeg: 45 })), 1, []],
    ['boxer four', read(0, {}, laid({ kind: 'flat', cylinders: 4 })), 2, ['intake-left', 'exhaust-right']],
  ] as const)('%s: stand alike, wherever their cylinders are in the cycle', (_, build, each, cams) => {
    for (const name of cams) {
      expect(verdictOf(cam, build, `cam.centrelineSpread.${name}`)).not.toBe('over')
      expect(verdictOf(cam, build, `cam.liftSpread.${name}`)).toBe('within')
      expect(remarksOf(build, `cam.centrelineSpread.${name}`)).toEqual([])
    }
    const offs = cam.derive(build).filter(({ output }) => output === 'cam.lobeOff')
    expect(offs.map(({ valve }) => valve).sort()).toEqual([...valvesOf(build.spec.layout)].sort())
    expect(offs.length).toBeGreaterThanOrEqual(2 * each)
    for (const { figure } of offs) expect(Math.abs(figure!.value.value)).toBeLessThan(Math.max(0.5, 1.5 * expand(figure!.value).U))
  })

  it('is read on the wheel as it was set at number one: angles of a turn, in the order of the shaft', () => {
    const stations = cam.stations(read(0)).filter(({ characteristic }) => characteristic === 'cam.lobeAngle')
    expect(stations).toHaveLength(40)
    expect(stations[0]).toMatchObject({ place: { valve: 'intake1a', spot: 'before' }, label: expect.stringMatching(/^Intake lobe 1a, /) })
    for (const { expected } of stations) {
      const middle = (expected.low + expected.high) / 2
      expect(middle).toBeGreaterThan(-90)
      expect(middle).toBeLessThan(450)
    }
    expect(cam.stations(by(read(0), { camLobes: false })).some(({ characteristic }) => characteristic === 'cam.lobeAngle')).toBe(false)
  })
})

describe('what is wrong with a cam', () => {
  /** Number of a valve in the order of the engine's valves. */
  const numberOf = (build: Build, valve: string) => valvePlaces(build.spec.layout).findIndex((one) => one.valve === valve) + 1
  const five = read(0)

  it('one lobe ground late is named, by how much, and the spread is over', () => {
    const bad = read(0, { lobeLateDeg: { [numberOf(five, 'intake4b')]: 2.5 } })
    expect(verdictOf(cam, bad, 'cam.centrelineSpread.intake')).toBe('over')
    expect(remarksOf(bad, 'cam.centrelineSpread.intake')).toEqual([{ code: 'badLobe', valve: 'intake4b', byDeg: expect.closeTo(2.5, 0) }])
    expect(remarksOf(bad, 'cam.centrelineSpread.exhaust')).toEqual([])
    expectNear(valueOf(cam, bad, 'cam.lobeOff.intake4b'), 2.5 * 0.9, 0.4)
  })

  it.each([
    ['five', five, 0, 1.2, 'exhaust2b', 0.9],
    ['V8', read(1), 1, 1.2, 'exhaust4', 0.9],
  ] as const)(
    'on the %s a lobe is named from where its own readings tell it, whatever all lobes share',
    (_, sound, which, late, valve, early) => {
      const name = camOfValve(
        sound.spec.layout,
        valvePlaces(sound.spec.layout).find((one) => one.valve === valve)!,
      )
      const by = (lobeLate: number) => read(which, { lobeLateDeg: { [numberOf(sound, valve)]: lobeLate } })
      expect(remarksOf(by(late), `cam.centrelineSpread.${name}`)).toEqual([{ code: 'badLobe', valve, byDeg: expect.closeTo(late, 0) }])
      expect(remarksOf(by(early), `cam.centrelineSpread.${name}`)).toEqual([])
    },
  )

  it('a lobe that has worn lifts less', () => {
    const worn = read(0, { lobeLowMm: { [numberOf(five, 'exhaust2a')]: 0.2 } })
    expect(verdictOf(cam, worn, 'cam.liftSpread.exhaust')).toBe('over')
    expectNear(valueOf(cam, worn, 'cam.lobeLift.exhaust2a'), 9.8, 0.03)
    expect(find(cam, worn, 'cam.liftSpread.exhaust').remarks).toContainEqual(
      expect.objectContaining({ code: 'extremes', of: 'valve', smallest: 'exhaust2a' }),
    )
  })

  it('a twisted shaft shows on all its lobes, intakes and exhausts: on a V8 read at the valve', () => {
    const v8 = read(1)
    const twisted = (build: Build) =>
      Object.fromEntries(valvePlaces(build.spec.layout).map(({ cylinder }, index) => [index + 1, Math.floor((cylinder - 1) / 2)]))
    const shaft = read(1, { lobeLateDeg: twisted(v8) })
    for (const name of ['intake', 'exhaust'])
      expect(remarksOf(shaft, `cam.centrelineSpread.${name}`)).toEqual([{ code: 'shaftTwisted', byDeg: expect.closeTo(3, 0) }])
    expect(verdictOf(cam, shaft, 'cam.centrelineSpread.intake')).toBe('over')
  })

  it('a crank of other throws than the layout says puts lobes far from where they are wanted', () => {
    const flat = freshLayout({ kind: 'v', cylinders: 8, bankAngleDeg: 90, valvesPerCylinder: 2, valveDrive: 'pushrod', crank: 'flatPlane' })
    const v8 = read(1)
    const other = withSpecOf(v8, (spec) => ({ ...spec, layout: { ...spec.layout, pins: flat.pins, firingOrder: flat.firingOrder } }))
    const far = cam
      .derive(other)
      .flatMap(({ id, valve }) => (remarksOf(other, id).some(({ code }) => code === 'otherPhase') ? [valve] : []))
    expect(far.length).toBeGreaterThan(4)
    expect(cam.derive(v8).filter(({ id }) => remarksOf(v8, id).some(({ code }) => code === 'otherPhase'))).toEqual([])
  })

  it('read in part is within by no means, and says of how many', () => {
    const part = without(five, ({ place }) => place.valve === 'intake5b')
    expect(verdictOf(cam, part, 'cam.centrelineSpread.intake')).toBe('inDoubt')
    expect(find(cam, part, 'cam.centrelineSpread.intake').remarks).toContainEqual({ code: 'incomplete', used: 9, wanted: 10 })
    expect(find(cam, part, 'cam.lobeOff.intake5b').missing.map((one) => ('stationId' in one ? one.stationId : one))).toEqual([
      'cam.lobeAngle/v-intake5b/before',
      'cam.lobeAngle/v-intake5b/after',
    ])
  })

  it('a turn more or less on the wheel is the same lobe; read turning back it is said', () => {
    const place = { valve: 'intake3a', spot: 'before' }
    const { value } = readingOf(five, 'cam.lobeAngle/v-intake3a/before')
    const after = readingOf(five, 'cam.lobeAngle/v-intake3a/after').value
    const turned = at(at(five, 'cam.lobeAngle', place, value + 360), 'cam.lobeAngle', { ...place, spot: 'after' }, after + 360)
    expectNear(valueOf(cam, turned, 'cam.lobeOff.intake3a'), valueOf(cam, five, 'cam.lobeOff.intake3a'), 1e-9)
    const back = at(five, 'cam.lobeAngle', place, value, { turnedBack: true, gauge: WHEEL })
    expect(find(cam, back, 'cam.lobeOff.intake3a').remarks).toContainEqual({ code: 'turnedBack', count: 1 })
  })
})
