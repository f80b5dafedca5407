import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Spec } from '@/core/document'
import { freshLayout } from '@/core/document/fresh'
import { at, by, codes, engine, onPaper } from '../../../../tests/support/cams'
import { find, ternDocument, valueOf, verdictOf, withReading, withSpecOf, without } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { expand } from '../../metrology'
import { cam } from '.'
import { dwellHalfDeg } from '../../shared/camMotion/wheel'

/** TDC where it is read, by what wheel, and what hangs on how the engine was turned. */
const tern = openBuild(ternDocument)

/** An engine with a cam in each head, each bank degreed at its own cylinder. */
const twoBanks = (change: Partial<Parameters<typeof freshLayout>[0]>, methods: Partial<Spec['methods']> = {}, faults: object = {}) =>
  engine(
    0,
    (spec) => ({
      ...spec,
      layout: freshLayout({ kind: 'v', cylinders: 2, bankAngleDeg: 45, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder', ...change }),
      joints: undefined,
      methods: { ...spec.methods, camCurve: false, camEqualLift: false, ...methods },
    }),
    faults,
  )

describe('TDC of the second bank', () => {
  const twin = twoBanks({}, {}, { camLateDeg: { 3: 4 } })

  it('is read at its own cylinder, and what its cams read counts from there', () => {
    const ids = cam.stations(twin).flatMap(({ id, characteristic }) => (characteristic === 'cam.stop' ? [id] : []))
    expect(ids).toEqual([
      'cam.stop/before/r1',
      'cam.stop/after/r1',
      'cam.stop/before/r2',
      'cam.stop/after/r2',
      'cam.stop/c2/before/r1',
      'cam.stop/c2/after/r1',
      'cam.stop/c2/before/r2',
      'cam.stop/c2/after/r2',
    ])
    // The wheel was left as it stood at number one: at the other's top it shows what lies between them.
    expectNear(Math.abs(valueOf(cam, twin, 'cam.tdc.2') - valueOf(cam, twin, 'cam.tdc')), 45, 1)
    const late = cam.derive(twin).filter(({ output, figure }) => output === 'cam.advance' && figure!.value.value < -3)
    expect(late.map(({ id }) => id)).toEqual(['cam.advance.intake-right'])
    expect(verdictOf(cam, twin, 'cam.throwsApart.2')).toBe('within')
  })

  it('makes no difference where the wheel was zeroed again for it, and has nothing to hold against its throw then', () => {
    const shift = valueOf(cam, twin, 'cam.tdc.2')
    const again = twin.entries.reduce<Build>((build, entry) => {
      if (entry.kind !== 'reading' || entry.unit !== 'deg') return build
      const isSecond = entry.place.cylinder === 2 || entry.place.cam?.endsWith('right')
      return isSecond ? at(build, entry.characteristic as `cam.${string}`, entry.place, entry.value - Math.round(shift)) : build
    }, twin)
    expectNear(valueOf(cam, again, 'cam.tdc.2'), shift - Math.round(shift), 1e-9)
    expectNear(valueOf(cam, again, 'cam.advance.intake-right'), valueOf(cam, twin, 'cam.advance.intake-right'), 1e-9)
    expect(cam.derive(again).map(({ output }) => output)).not.toContain('cam.throwsApart')
  })

  it('elsewhere than bank and pins put it is out: the layout, or the cylinder it was read at', () => {
    const other = withSpecOf(twin, (spec) => ({ ...spec, layout: { ...spec.layout, bankAngleDeg: 50 } }))
    expectNear(Math.abs(valueOf(cam, other, 'cam.throwsApart.2')), 5, 1)
    expect(['over', 'under']).toContain(verdictOf(cam, other, 'cam.throwsApart.2'))
  })

  it('not read yet leaves its cams unknown, those of number one not', () => {
    const half = without(twin, ({ characteristic, place }) => characteristic === 'cam.stop' && place.cylinder === 2)
    expect(find(cam, half, 'cam.advance.intake-right').missing).toContainEqual({ kind: 'reading', stationId: 'cam.stop/c2/before/r1' })
    expect(find(cam, half, 'cam.advance.intake-left').figure).toBeDefined()
  })

  it('carries a full curve of its bank where the wheel shows it', () => {
    const curved = twoBanks({ kind: 'v', cylinders: 8, bankAngleDeg: 90 }, { camCurve: true, camEvents: false })
    for (const name of ['intake-left', 'intake-right', 'exhaust-right']) expectNear(valueOf(cam, curved, `cam.advance.${name}`), 0, 0.8)
    const degrees = cam
      .stations(curved)
      .flatMap(({ place }) => (place.cam === 'intake-right' && place.degree !== undefined ? [place.degree] : []))
    const [one] = degrees
    const [left] = cam
      .stations(curved)
      .flatMap(({ place }) => (place.cam === 'intake-left' && place.degree !== undefined ? [place.degree] : []))
    expect(Math.abs(one! - left!)).toBe(90)
  })
})

describe('the wheel', () => {
  it.each([
    [360, undefined],
    [180, 180],
    [90, 90],
  ] as const)('marked to %s says so at every angle read by it', (camWheel, marks) => {
    const stations = cam.stations(by(tern, { camWheel }))
    const wheels = stations.filter(({ characteristic }) => characteristic === 'cam.stop' || characteristic === 'cam.event')
    expect(wheels.length).toBeGreaterThan(0)
    for (const { wheelMarks } of wheels) expect(wheelMarks).toBe(marks)
    expect(stations.find(({ characteristic }) => characteristic === 'cam.lift')!.wheelMarks).toBeUndefined()
  })

  it('is trued by pointer or wheel, as the engine has it', () => {
    const pointer = (build: Build) => find(cam, build, 'cam.tdc').remarks.find(({ code }) => code === 'pointerOff')
    expect(pointer(tern)).toMatchObject({ moves: 'pointer' })
    expect(pointer(by(tern, { camMoves: 'wheel' }))).toMatchObject({ moves: 'wheel' })
  })

  it('that has not moved shows the same TDC after the curve; one that lost two degrees is out', () => {
    expect(verdictOf(cam, tern, 'cam.wheelMoved')).not.toBe('over')
    const again = (build: Build, byDeg: number) =>
      (['before', 'after'] as const).reduce((now, spot) => {
        const first = build.readings.current.get(`cam.stop/${spot}/r1`)!.value
        return at(now, 'cam.stop', { spot, repeat: 3 }, first + byDeg)
      }, build)
    expectNear(valueOf(cam, again(tern, 2), 'cam.wheelMoved') - valueOf(cam, again(tern, 0), 'cam.wheelMoved'), 2, 1e-9)
    expect(verdictOf(cam, again(tern, 2), 'cam.wheelMoved')).toBe('over')
    // It is held against TDC, and is no part of it.
    expectNear(valueOf(cam, again(tern, 2), 'cam.tdc'), valueOf(cam, tern, 'cam.tdc'), 1e-12)
    expect(cam.derive(by(tern, { camCurve: false })).map(({ output }) => output)).not.toContain('cam.wheelMoved')
  })
})

describe('beside the proofs of TDC', () => {
  const read = engine(0, (spec) => ({ ...spec, methods: { ...spec.methods, camDwell: true, camMark: true, camCurve: false } }))

  it('a dwell is as uncertain as the piston moves unseen: three quarters of a degree of a 90 mm stroke on 150 mm rods', () => {
    // A drop of 0.22 mm in 5° and 0.89 mm in 10° (common practice) grows by the square: half a hundredth at 0.75°.
    expectNear(dwellHalfDeg(90, 150), 0.75, 0.005)
    const { figure, remarks } = find(cam, read, 'cam.dwellOff')
    expect(remarks).toEqual([{ code: 'dwellUncertainty', unseenDeg: expect.closeTo(dwellHalfDeg(92.8, 144), 9) }])
    expect(Math.abs(figure!.value.value)).toBeLessThan(expand(figure!.value).U)
    expect(expand(figure!.value).U).toBeGreaterThan(0.6)
    const bare = onPaper(read, { rodLength: undefined })
    expect(find(cam, bare, 'cam.dwellOff').missing).toEqual([{ kind: 'paper', key: 'rodLength' }])
  })

  it('a balancer mark is off by what the wheel shows there beyond TDC', () => {
    const tdc = valueOf(cam, read, 'cam.tdc')
    const off = at(read, 'cam.mark', {}, -3)
    expectNear(valueOf(cam, off, 'cam.markOff'), -3 - tdc, 1e-9)
    expect(verdictOf(cam, off, 'cam.markOff')).toBe('under')
    expect(cam.derive(tern).map(({ output }) => output)).not.toContain('cam.markOff')
  })
})

describe('TDC that was proven once', () => {
  it('leaves nothing within that rests on it: mark, dwell, throw, what the wheel shows after the curve', () => {
    const once = (build: Build) => without(build, ({ characteristic, place }) => characteristic === 'cam.stop' && place.repeat === 2)
    const read = engine(0, (spec) => ({ ...spec, methods: { ...spec.methods, camMark: true, camAsFound: true, camCurve: false } }))
    const marked = at(read, 'cam.mark', {}, valueOf(cam, read, 'cam.tdc'))
    const wide = withSpecOf(marked, (spec) => ({
      ...spec,
      limits: { ...spec.limits, 'cam.markOff': { lower: -2, upper: 2, source: 'test', reason: 'test' } },
    }))
    expect(verdictOf(cam, wide, 'cam.markOff')).toBe('within')
    expect(verdictOf(cam, once(wide), 'cam.markOff')).toBe('inDoubt')
    expect(verdictOf(cam, wide, 'cam.foundOff.intake')).toBe('within')
    expect(verdictOf(cam, once(wide), 'cam.foundOff.intake')).toBe('inDoubt')
    expect(verdictOf(cam, tern, 'cam.wheelMoved')).toBe('within')
    expect(verdictOf(cam, once(tern), 'cam.wheelMoved')).toBe('inDoubt')
    const twin = twoBanks({})
    expect(verdictOf(cam, twin, 'cam.throwsApart.2')).toBe('within')
    expect(verdictOf(cam, once(twin), 'cam.throwsApart.2')).toBe('inDoubt')
  })
})

describe('an engine that was turned back', () => {
  it('is said, and what was read so is within no more', () => {
    const events = engine(0, (spec) => ({ ...spec, methods: { ...spec.methods, camCurve: false, camEqualLift: false } }))
    expect(verdictOf(cam, events, 'cam.advance.exhaust')).toBe('within')
    const { value } = events.readings.current.get('cam.event/exhaust/opens')!
    const back = at(events, 'cam.event', { cam: 'exhaust', spot: 'opens' }, value, { turnedBack: true })
    expectNear(valueOf(cam, back, 'cam.advance.exhaust'), valueOf(cam, events, 'cam.advance.exhaust'), 1e-12)
    expect(verdictOf(cam, back, 'cam.advance.exhaust')).toBe('inDoubt')
    expect(find(cam, back, 'cam.advance.exhaust').remarks).toContainEqual({ code: 'turnedBack', count: 1 })
    expect(codes(back, 'cam.advance.intake')).not.toContain('turnedBack')
    // Read again in the running direction, it counts as ever.
    const again = at(back, 'cam.event', { cam: 'exhaust', spot: 'opens' }, value)
    expect(verdictOf(cam, again, 'cam.advance.exhaust')).toBe('within')
  })

  it('rows of a curve that were read so are counted', () => {
    const [row] = [...tern.readings.current.values()].filter(
      ({ characteristic, place }) => characteristic === 'cam.lift' && place.cam === 'exhaust',
    )
    const back = withReading(tern, 'cam.lift', row!.place, row!.value, row!.gauge, { turnedBack: true })
    expect(find(cam, back, 'cam.byCurve.exhaust').remarks).toContainEqual({ code: 'turnedBack', count: 1 })
  })

  it('by a stop is warned of where its drive may never be turned back', () => {
    const never = (build: Build, neverBack: boolean) =>
      withSpecOf(build, (spec) => ({
        ...spec,
        drive: {
          kind: 'chain' as const,
          neverBack,
          wheels: [
            { id: 'w1', what: 'crank' as const, name: 'Crank' },
            { id: 'w2', what: 'cam' as const, name: 'Cam' },
          ],
        },
      }))
    expect(codes(never(by(tern, { camTdc: 'stop' }), true), 'cam.tdc')).toContain('stopTurnsBack')
    expect(codes(never(by(tern, { camTdc: 'stop' }), false), 'cam.tdc')).not.toContain('stopTurnsBack')
    expect(codes(never(by(tern, { camTdc: 'drop' }), true), 'cam.tdc')).not.toContain('stopTurnsBack')
  })
})
