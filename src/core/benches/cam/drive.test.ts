import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withSpec, type Build, type Spec } from '@/core/document'
import { withChanges, withPlannedAfter } from '@/core/document/changes'
import { freshLayout } from '@/core/document/fresh'
import { at, by, codes, engine, number, onPaper } from '../../../../tests/support/cams'
import { find, readingOf, ternDocument, valueOf, verdictOf, withReading, withSpecOf } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { cam } from '.'
import { driveOf, freeWheelId } from './camDrive'

/** What turns the cams, what valves make of their lobes, and cams with a card of their own. */
const CALIPER = 'caliper-metric.1'
const depths = (build: Build, wheel: number, read: readonly number[]) =>
  read.reduce(
    (now, mm, index) => withReading(now, 'cam.sprocketDepth', { spot: `w${wheel}`, repeat: index + 1 }, mm, gaugeOf(build)),
    build,
  )
const gaugeOf = (build: Build) => [...build.gauges.values()].find(({ id, use }) => id === CALIPER || use === 'dial')!.id

const withDrive = (build: Build, drive: Spec['drive']) => withSpecOf(build, (spec) => ({ ...spec, drive }))
/** The demo's five as if nobody had written its drive down. */
const tern = withDrive(openBuild(ternDocument), undefined)
const belt: Spec['drive'] = {
  kind: 'belt',
  neverBack: true,
  wheels: [
    { id: 'w1', what: 'crank', name: 'crank', teeth: 22 },
    { id: 'w2', what: 'tensioner', name: 'tensioner' },
    { id: 'w3', what: 'cam', name: 'intake cam', cam: 'intake', teeth: 44 },
    { id: 'w4', what: 'cam', name: 'exhaust cam', cam: 'exhaust', teeth: 44 },
    { id: 'w5', what: 'pump', name: 'water pump', teeth: 20 },
  ],
}

describe('sprockets', () => {
  it('a crank and one a shaft where no drive is written down; else every wheel with teeth', () => {
    expect(driveOf(tern).wheels.map(({ name }) => name)).toEqual(['crank', 'intake cam', 'exhaust cam'])
    const v8 = engine(1, (spec) => spec)
    expect(driveOf(v8).wheels).toMatchObject([{ what: 'crank' }, { what: 'cam', name: 'cam', cam: 'intake' }])
    const stations = cam.stations(by(withDrive(tern, belt), { camSprockets: true }))
    const rows = stations.flatMap(({ characteristic, place }) =>
      characteristic === 'cam.sprocketDepth' ? [`${place.spot}/${place.repeat}`] : [],
    )
    expect(rows).toEqual(['w1', 'w3', 'w4', 'w5'].flatMap((wheel) => [1, 2, 3].map((repeat) => `${wheel}/${repeat}`)))
  })

  it('are in line by the means of three readings each; a reading that is off its fellows is said', () => {
    const asked = by(tern, { camSprockets: true })
    const read = depths(depths(depths(asked, 1, [42.1, 42.12, 42.08]), 2, [42.2, 42.2, 42.2]), 3, [42.0, 42.02, 41.98])
    expectNear(valueOf(cam, read, 'cam.outOfLine'), 0.2, 1e-9)
    expect(verdictOf(cam, read, 'cam.outOfLine')).not.toBe('over')
    expect(find(cam, read, 'cam.outOfLine').remarks).toContainEqual({
      code: 'extremes',
      of: 'wheel',
      largest: '2, intake cam',
      smallest: '3, exhaust cam',
    })
    expectNear(valueOf(cam, read, 'cam.depthsApart'), 0.04, 1e-9)
    const askew = depths(read, 2, [42.5, 42.5, 42.8])
    expectNear(valueOf(cam, askew, 'cam.outOfLine'), 0.6, 1e-9)
    expect(verdictOf(cam, askew, 'cam.outOfLine')).toBe('over')
    expectNear(valueOf(cam, askew, 'cam.depthsApart'), 0.3, 1e-9)
    expect(verdictOf(cam, askew, 'cam.depthsApart')).toBe('over')
  })

  it('keep what was read at them wherever they move to', () => {
    const read = depths(by(withDrive(tern, belt), { camSprockets: true }), 3, [41, 41, 41])
    const { wheels } = belt
    const moved = withDrive(read, { ...belt, wheels: [wheels[0]!, { id: 'w9', what: 'idler', name: 'idler' }, ...wheels.slice(1)] })
    const at = cam.stations(moved).find(({ id }) => id === 'cam.sprocketDepth/w3/r1')!
    expect([at.label, readingOf(moved, at.id).value]).toEqual(['Wheel 4, intake cam, depth', 41])
    // A wheel that is taken out leaves its name to no other.
    const without3 = wheels.filter(({ id }) => id !== 'w3')
    expect([freeWheelId(read, without3), freeWheelId(tern, without3)]).toEqual(['w6', 'w3'])
  })

  it('read once or twice are in doubt at best; not read, every depth is wanted', () => {
    const asked = by(tern, { camSprockets: true })
    const once = depths(depths(depths(asked, 1, [42.1]), 2, [42.1]), 3, [42.1])
    expect(verdictOf(cam, once, 'cam.outOfLine')).toBe('inDoubt')
    const bare = engine(2, (spec) => ({ ...spec, methods: { ...spec.methods, camSprockets: true } }))
    expect(find(cam, bare, 'cam.outOfLine').figure).toBeDefined()
    expect(find(cam, asked, 'cam.depthsApart').missing).toHaveLength(9)
  })
})

describe('the tension of a chain or belt', () => {
  it('is what it gives, judged by its maker’s figure where one is set', () => {
    const read = engine(0, (spec) => ({
      ...spec,
      methods: { ...spec.methods, camTension: true, camCurve: false },
      limits: { ...spec.limits, 'cam.tension': { lower: 6, upper: 9, source: 'maker’s sheet', reason: 'pressed with 50 N' } },
    }))
    expectNear(valueOf(cam, read, 'cam.tension'), 8, 0.1)
    expect(verdictOf(cam, read, 'cam.tension')).toBe('within')
    expect(verdictOf(cam, withReading(read, 'cam.tension', {}, 12, gaugeOf(read)), 'cam.tension')).toBe('over')
    expect(cam.derive(tern).map(({ output }) => output)).not.toContain('cam.tension')
  })
})

describe('marks as they were found', () => {
  const found = (build: Build, offDeg: number) =>
    at(by(build, { camAsFound: true }), 'cam.markFound', { cam: 'intake' }, valueOf(cam, build, 'cam.tdc') - offDeg)

  it('a tooth behind is 720° over the teeth of its sprocket, out, and said before anything is turned', () => {
    const late = found(tern, -720 / 44)
    expectNear(valueOf(cam, late, 'cam.foundOff.intake'), -720 / 44, 1e-9)
    expect(verdictOf(cam, late, 'cam.foundOff.intake')).toBe('under')
    expect(find(cam, late, 'cam.foundOff.intake').remarks).toEqual([{ code: 'foundOut', offDeg: expect.closeTo(-16.36, 2), teeth: 1 }])
    expect(cam.stations(late)[0]!.characteristic).toBe('cam.markFound')
  })

  it('on its mark is within; teeth by the drive where they are written down, no word of them where nobody knows', () => {
    expect(verdictOf(cam, found(tern, 0.5), 'cam.foundOff.intake')).toBe('within')
    expect(codes(found(tern, 0.5), 'cam.foundOff.intake')).toEqual([])
    const own = withDrive(tern, { ...belt, wheels: belt.wheels.map((wheel) => (wheel.cam === 'intake' ? { ...wheel, teeth: 40 } : wheel)) })
    expect(find(cam, found(own, 36), 'cam.foundOff.intake').remarks).toMatchObject([{ teeth: 2 }])
    expect(find(cam, found(onPaper(tern, { camTeeth: undefined }), 36), 'cam.foundOff.intake').remarks).toEqual([
      { code: 'foundOut', offDeg: expect.closeTo(36, 9) },
    ])
  })

  it('is asked once a shaft', () => {
    const v8 = engine(1, (spec) => ({ ...spec, methods: { ...spec.methods, camAsFound: true } }))
    expect(cam.stations(v8).filter(({ characteristic }) => characteristic === 'cam.markFound')).toHaveLength(1)
  })
})

describe('the valve over its lobe', () => {
  it('under a bucket lifts as its lobe less its lash; by a rocker times its ratio', () => {
    expectNear(valueOf(cam, tern, 'cam.valveLift.intake'), 10.2 - 0.2, 0.03)
    // 0.400 in · 1.6 − 0.018 in.
    const v8 = engine(1, (spec) => ({ ...spec, methods: { ...spec.methods, camCurve: true } }))
    expectNear(valueOf(cam, v8, 'cam.valveLift.intake'), (0.4 * 1.6 - 0.018) * 25.4, 0.05)
    expect(codes(v8, 'cam.valveLift.intake')).toEqual([])
    expect(codes(tern, 'cam.valveLift.intake')).toEqual([])
  })

  it.each([
    ['fingerFollower', 'tappet', 1.4, ['fingerRatio'], 9.6 * 1.4 - 0.15],
    ['fingerFollower', 'valve', 1.4, [], 9.6 * 1.4 - 0.15],
    ['bucketHydraulic', 'tappet', 1, [], 9.6],
  ] as const)('%s read at the %s', (valveDrive, camReadAt, ratio, said, lift) => {
    const single = engine(2, (spec) => ({
      ...spec,
      layout: { ...spec.layout, valveDrive },
      paper: { ...spec.paper, rockerRatio: number(ratio, 'one') },
      methods: { ...spec.methods, camReadAt, camCurve: true },
    }))
    expect(codes(single, 'cam.valveLift.intake')).toEqual(said)
    expectNear(valueOf(cam, single, 'cam.valveLift.intake'), lift, 0.05)
  })

  it('is off its seat for longer than its duration at the check lift; with more lash for less', () => {
    const open = valueOf(cam, tern, 'cam.offSeat.intake')
    // L · (1 − (θ/150)²)^2.6 has 0.2 of 10.2 mm at 133.2°, by hand.
    expectNear(open, 2 * 150 * Math.sqrt(1 - (0.2 / 10.2) ** (1 / 2.6)), 4)
    const wide = onPaper(tern, { intakeLash: number(0.4, 'mm') })
    expectNear(valueOf(cam, wide, 'cam.offSeat.intake'), 2 * 150 * Math.sqrt(1 - (0.4 / 10.2) ** (1 / 2.6)), 3)
    expect(find(cam, onPaper(tern, { intakeLash: undefined }), 'cam.offSeat.intake').missing).toEqual([
      { kind: 'paper', key: 'intakeLash' },
    ])
  })
})

describe('cams with a card of their own', () => {
  const twoBanks = (paper: Partial<Spec['paper']>) =>
    engine(0, (spec) => ({
      ...spec,
      layout: freshLayout({ kind: 'flat', cylinders: 4, bankAngleDeg: 180, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' }),
      joints: undefined,
      methods: { ...spec.methods, camCurve: false, camEqualLift: false },
      paper: { ...spec.paper, ...paper },
    }))

  it('of the right bank counts where any number of it is on paper; else both banks have the same', () => {
    const alike = twoBanks({})
    expectNear(valueOf(cam, alike, 'cam.advance.intake-right'), 0, 0.7)
    const other = onPaper(alike, { intakeCentrelineRight: number(104.5), intakeDurationRight: number(222.7) })
    expectNear(valueOf(cam, other, 'cam.advance.intake-right') - valueOf(cam, alike, 'cam.advance.intake-right'), -5, 1e-9)
    expectNear(valueOf(cam, other, 'cam.advance.intake-left'), valueOf(cam, alike, 'cam.advance.intake-left'), 1e-12)
    expect(find(cam, other, 'cam.advance.exhaust-right').missing).toEqual([{ kind: 'paper', key: 'exhaustCentrelineRight' }])
    expect(find(cam, onPaper(alike, { intakeLobeLiftRight: number(9, 'mm') }), 'cam.advance.intake-right').missing).toEqual([
      { kind: 'paper', key: 'intakeCentrelineRight' },
    ])
  })

  it('contradictions are of the card they stand on', () => {
    const other = onPaper(twoBanks({}), {
      intakeCentrelineRight: number(104.5),
      intakeDurationRight: number(222.7),
      cardIntakeOpensRight: number(10),
      cardIntakeClosesRight: number(39),
    })
    expect(codes(other, 'cam.advance.intake-right')).toContain('cardDisagrees')
    expect(codes(other, 'cam.advance.intake-left')).not.toContain('cardDisagrees')
  })

  it('of the high lobes stands by itself, on the same shaft', () => {
    const two = engine(2, (spec) => ({
      ...spec,
      layout: { ...spec.layout, lobesPerValve: 2 },
      paper: { ...spec.paper, intakeCentrelineHigh: number(100), intakeDurationHigh: number(240), intakeLobeLiftHigh: number(11, 'mm') },
    }))
    expectNear(valueOf(cam, two, 'cam.centreline.intake-high'), 100, 0.6)
    expectNear(valueOf(cam, two, 'cam.duration.intake-high'), 240, 1)
    expectNear(valueOf(cam, two, 'cam.centreline.intake'), 105, 0.6)
    expect(find(cam, two, 'cam.advance.exhaust-high').missing).toEqual([{ kind: 'paper', key: 'exhaustCentrelineHigh' }])
    const turned = cam.advise(two, cam.derive(two)).flatMap(({ change }) => (change.code === 'turnCam' ? [change.cams] : []))
    expect(turned).toEqual([])
    const late = onPaper(two, { intakeCentreline: number(101) })
    const [turn] = cam.advise(late, cam.derive(late)).flatMap(({ change }) => (change.code === 'turnCam' ? [change.cams] : []))
    expect(turn).toEqual(['intake', 'intake-high'])
  })
})

describe('a cut of head or deck', () => {
  const cut = (build: Build, mm: number) =>
    withSpec(
      build,
      withPlannedAfter(
        withChanges(build.spec, [
          { id: 'w6', what: 'headCut', by: mm },
          { id: 'w7', what: 'deckCut', by: mm },
        ]),
        build,
      ),
    )
  const five = openBuild(ternDocument)
  const moved = (build: Build, id: string) => valueOf(cam, cut(build, 0.25), id) - valueOf(cam, build, id)

  it('retards a cam in the head by 2 · 57.3° · cut ÷ pitch radius until it is read again', () => {
    // Half a millimetre on 66.7 of radius: 0.86° (common practice, by hand).
    expectNear(moved(five, 'cam.advance.intake'), -0.859, 0.001)
    expectNear(moved(five, 'cam.advance.exhaust'), -0.859, 0.001)
    expectNear(moved(by(five, { camCurve: false }), 'cam.byEvents.intake'), 0.859, 0.001)
    expect(codes(cut(five, 0.25), 'cam.advance.intake')).toContain('planned')
  })

  it('moves no cam in the block, none that gears turn, and none whose sprocket nobody knows', () => {
    const v8 = onPaper(
      engine(1, (spec) => spec),
      { camPitchRadius: number(60, 'mm') },
    )
    expectNear(moved(v8, 'cam.advance.intake'), 0, 1e-12)
    expectNear(moved(withDrive(five, { ...belt, kind: 'gears' }), 'cam.advance.intake'), 0, 1e-12)
    expectNear(moved(onPaper(five, { camPitchRadius: undefined }), 'cam.advance.intake'), 0, 1e-12)
  })
})
