import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { stationId, withSpec, type Build } from '@/core/document'
import { withChanges, withPlannedAfter } from '@/core/document/changes'
import { freshLayout } from '@/core/document/fresh'
import { virtualEngine } from '../virtualEngine'
import { SimulatedGauges } from '@/core/twin'
import { startingLimits, TRUTHS } from '@/core/benches'
import { DEMO_BUILDS } from '@/demo/scenario'
import {
  find,
  readingOf,
  soundBuild,
  ternDocument,
  valueOf,
  verdictOf,
  withReading,
  withSpecOf,
  without,
} from '../../../../tests/support/builds'
import { adviceOf, at, by, codes, engine, number, onPaper, WHEEL } from '../../../../tests/support/cams'
import { expectNear } from '../../../../tests/support/expectNear'
import { expand } from '../../metrology'
import { cam } from '.'
import { cardNumber } from '../../shared/camCard'
import { loopOf } from './loop'

/** Cams: what the demo hides is found by every way of reading; slips and contradictions are said; what is set reads right. */
const tern = openBuild(ternDocument)
describe('the intake cam of the demo', () => {
  it('is found three degrees retarded by its curve, its events and by equal lift, which agree within their uncertainties', () => {
    for (const school of ['byCurve', 'byEvents', 'byEqualLift']) {
      const { value } = find(cam, tern, `cam.${school}.intake`).figure!
      expect(Math.abs(value.value - 112.5)).toBeLessThan(expand(value).U)
    }
    expectNear(valueOf(cam, tern, 'cam.advance.intake'), -3, 0.3)
    expect(verdictOf(cam, tern, 'cam.advance.intake')).toBe('under')
    expect(verdictOf(cam, tern, 'cam.schoolsApart.intake')).toBe('within')
    expect(find(cam, tern, 'cam.advance.intake').remarks).toContainEqual({ code: 'readBy', schools: ['curve', 'events', 'equalLift'] })
    expectNear(valueOf(cam, tern, 'cam.peakLift.intake'), 10.2, 0.03)
    expect(verdictOf(cam, tern, 'cam.advance.exhaust')).toBe('within')
    expect(verdictOf(cam, tern, 'cam.durationApart.intake')).toBe('within')
  })

  it('by its lift at overlap alone is found as well, as an estimate', () => {
    const one = by(tern, { camOverlapLift: true })
    const hand = new SimulatedGauges({
      engine: virtualEngine(one.spec, DEMO_BUILDS[0]!.faults, DEMO_BUILDS[0]!.seed),
      spec: one.spec,
      seed: 7,
      truths: TRUTHS,
    })
    const gauge = [...one.gauges.values()].find(({ id }) => id === 'dial-metric.1')!
    const { value } = hand.read('cam.overlapLift', { cam: 'intake' }, gauge)
    const read = withReading(one, 'cam.overlapLift', { cam: 'intake' }, value, gauge.id)
    expectNear(valueOf(cam, read, 'cam.byOverlapLift.intake'), 112.5, 1)
    expect(codes(read, 'cam.byOverlapLift.intake')).toEqual(['syntheticLobe'])
    // Set forward it opens earlier: its lift at overlap is that of an earlier centreline.
    const turned = withSpec(read, withPlannedAfter(withChanges(read.spec, [{ what: 'turnCam', cam: 'intake', by: 3 }]), read))
    expectNear(valueOf(cam, read, 'cam.byOverlapLift.intake') - valueOf(cam, turned, 'cam.byOverlapLift.intake'), 3, 1e-9)
    // A lift that the lobe never has is no centreline.
    const lost = withReading(one, 'cam.overlapLift', { cam: 'intake' }, 11, gauge.id)
    expect(find(cam, lost, 'cam.byOverlapLift.intake').missing).toEqual([{ kind: 'impossible', reason: 'noSuchLift' }])
  })

  it('has the uncertainty of a wheel off its centre, more of it the further from TDC', () => {
    const u = (id: string) => expand(find(cam, by(tern, { camCurve: false }), id).figure!.value).U
    expect(u('cam.closes.intake')).toBeGreaterThan(1.3 * u('cam.opens.intake'))
  })

  it('is looked for about its card: a tooth and a half either way', () => {
    const closes = cam.stations(tern).find(({ id }) => id === 'cam.event/intake/closes')!
    expectNear(closes.expected.low, 109.5 + 222.7 / 2 - 30, 1e-9)
    expectNear(closes.expected.high, 109.5 + 222.7 / 2 + 30, 1e-9)
  })

  it('is to be set forward by two marks of its vernier; the intake comes nearer to the pistons, and the ratio moves', () => {
    const [turn, note] = adviceOf(tern)
    expect(turn!.change).toEqual({ code: 'turnCam', cams: ['intake'], byDeg: 4, steps: 2 })
    expect(turn!.costs).toEqual([{ code: 'readCamAgain' }, { code: 'checkValveClearance', closer: 'intake' }])
    expectNear(turn!.headlines[0]!.low.value, 1, 0.3)
    const noted = turn!.changes!.find((change) => 'choose' in change && change.choose === 'paper')
    expect(noted).toMatchObject({ key: 'intakeRetard', unit: 'deg', source: 'cam bench' })
    expectNear(noted && 'value' in noted ? noted.value : Number.NaN, -1, 0.3)
    expect(note!.change).toMatchObject({ code: 'noteRetard' })
    expect(withChanges(tern.spec, turn!.changes!).paper.intakeRetard).toMatchObject({
      value: noted && 'value' in noted ? noted.value : 0,
      unit: 'deg',
    })
    // By slots that take any angle it is set to nothing.
    const slotted = onPaper(tern, { camStep: undefined, camTeeth: undefined })
    expectNear(adviceOf(slotted)[0]!.headlines[0]!.low.value, 0, 1e-9)
    // A tooth of 44 is 16.4°: no help with three.
    expect(adviceOf(onPaper(tern, { camStep: undefined })).map(({ change }) => change.code)).toEqual(['noteRetard'])
  })

  it('set as advised and read again stands right, and the plan counts no more', () => {
    const slotted = onPaper(tern, { camStep: undefined, camTeeth: undefined })
    const changed = withChanges(slotted.spec, adviceOf(slotted)[0]!.changes!)
    const planned = withSpec(slotted, withPlannedAfter(changed, slotted))
    expectNear(valueOf(cam, planned, 'cam.advance.intake'), 0, 1e-9)
    expect(verdictOf(cam, planned, 'cam.advance.intake')).toBe('inDoubt')
    // The virtual engine after the work: the same but for a cam that stands right.
    const { seed } = DEMO_BUILDS[0]!
    const hand = new SimulatedGauges({ engine: virtualEngine(planned.spec, {}, seed), spec: planned.spec, seed: 3, truths: TRUTHS })
    const wheel = [...planned.gauges.values()].find(({ id }) => id === WHEEL)!
    const again = (['opens', 'closes'] as const).reduce(
      (build, spot) => {
        const place = { cam: 'intake' as const, spot }
        return at(build, 'cam.event', place, hand.read('cam.event', place, wheel).value)
      },
      by(planned, { camCurve: false, camEqualLift: false }),
    )
    const events = without(again, ({ characteristic }) => characteristic === 'cam.lift' || characteristic === 'cam.equalLift')
    expectNear(valueOf(cam, events, 'cam.advance.intake'), 0, 0.6)
    expect(find(cam, events, 'cam.advance.intake').remarks.map(({ code }) => code)).not.toContain('planned')
  })

  it('is a loop: each time it was read, what had been set before, and how far it strayed from that', () => {
    const slotted = by(onPaper(tern, { camStep: undefined, camTeeth: undefined }), { camCurve: false, camEqualLift: false })
    const bare = without(slotted, ({ characteristic }) => characteristic === 'cam.lift' || characteristic === 'cam.equalLift')
    const tdc = valueOf(cam, bare, 'cam.tdc')
    const reads = (build: Build, lateDeg: number) =>
      at(
        at(build, 'cam.event', { cam: 'intake', spot: 'opens' }, tdc - 1.85 + lateDeg),
        'cam.event',
        { cam: 'intake', spot: 'closes' },
        tdc + 220.85 + lateDeg,
      )
    const first = reads(bare, 3)
    const planned = withSpec(first, withPlannedAfter(withChanges(first.spec, [{ what: 'turnCam', cam: 'intake', by: 3 }]), first))
    const second = reads(planned, 0.5)
    const rounds = loopOf(second, 'intake')
    expect(rounds).toHaveLength(3)
    expectNear(rounds[1]!.lateDeg, 3, 1e-6)
    expect(rounds[1]).not.toHaveProperty('setDeg')
    expect(rounds[2]!.setDeg).toBe(3)
    // As planned, before it is read again, its events stand three degrees earlier.
    expectNear(valueOf(cam, first, 'cam.byEvents.intake') - valueOf(cam, planned, 'cam.byEvents.intake'), 3, 1e-9)
    const more = withSpec(second, withPlannedAfter(withChanges(second.spec, [{ what: 'turnCam', cam: 'intake', by: 0.5 }]), second))
    expect(loopOf(reads(more, 0), 'intake').map(({ setDeg }) => setDeg)).toEqual([undefined, undefined, 3, 0.5])
    expectNear(rounds[2]!.lateDeg, 0.5, 1e-6)
    // Set by three it moved two and a half: tightening brought half a degree back.
    expectNear(rounds[2]!.strayedDeg!, -0.5, 1e-6)
    expect(loopOf(second, 'exhaust')).toHaveLength(1)
  })

  it('without its faults has nothing out and nothing is advised', () => {
    const sound = soundBuild(0)
    const findings = cam.derive(sound)
    expect(findings.filter(({ conformity }) => conformity?.verdict === 'over' || conformity?.verdict === 'under')).toEqual([])
    expect(cam.advise(sound, findings)).toEqual([])
  })
})

describe('true TDC', () => {
  const twice = (build: Build, proofs: readonly (readonly [number, number])[]) =>
    proofs.reduce(
      (now, [before, after], index) =>
        at(at(now, 'cam.stop', { spot: 'before', repeat: index + 1 }, before), 'cam.stop', { spot: 'after', repeat: index + 1 }, after),
      build,
    )

  it('is the mean of both proofs, and moves every angle the other way', () => {
    const one = twice(tern, [
      [-24, 26],
      [-23, 26],
    ])
    expectNear(valueOf(cam, one, 'cam.tdc'), 1.25, 1e-9)
    expect(find(cam, one, 'cam.tdc').remarks).toEqual([
      { code: 'pointerOff', tdcDeg: expect.closeTo(1.25, 9), eachDeg: 25, moves: 'pointer' },
    ])
    expectNear(valueOf(cam, one, 'cam.tdcApart'), 0.5, 1e-9)
    const before = valueOf(cam, tern, 'cam.byEvents.intake') + valueOf(cam, tern, 'cam.tdc')
    expectNear(valueOf(cam, one, 'cam.byEvents.intake') + 1.25, before, 1e-9)
    // What both events share falls out of a duration.
    expectNear(valueOf(cam, one, 'cam.duration.exhaust'), valueOf(cam, tern, 'cam.duration.exhaust'), 1e-9)
  })

  it('with its proofs further apart than half a degree is said to hang in the air', () => {
    const one = twice(tern, [
      [-24, 26],
      [-20, 28],
    ])
    expect(verdictOf(cam, one, 'cam.tdcApart')).toBe('over')
    expect(codes(one, 'cam.advance.intake')).toContain('tdcNotProven')
    expect(codes(tern, 'cam.advance.intake')).not.toContain('tdcNotProven')
  })

  it('once proven is partial, never read leaves every angle unknown', () => {
    const once = without(tern, ({ characteristic, place }) => characteristic === 'cam.stop' && place.repeat === 2)
    expect(verdictOf(cam, once, 'cam.advance.exhaust')).toBe('inDoubt')
    const never = without(tern, ({ characteristic }) => characteristic === 'cam.stop')
    expect(find(cam, never, 'cam.advance.intake').missing).toContainEqual({ kind: 'reading', stationId: 'cam.stop/before/r1' })
  })
})

describe('slips and contradictions', () => {
  it('a row of the curve that lost a millimetre is named by its angle, and the centreline stands', () => {
    const station = stationId('cam.lift', { cam: 'intake', degree: 60 })
    const { value, gauge } = readingOf(tern, station)
    const slipped = withReading(tern, 'cam.lift', { cam: 'intake', degree: 60 }, value + 1, gauge)
    expectNear(valueOf(cam, slipped, 'cam.byCurve.intake'), valueOf(cam, tern, 'cam.byCurve.intake'), 0.15)
    const slips = find(cam, slipped, 'cam.byCurve.intake').remarks.find(({ code }) => code === 'curveSlips')
    expect(slips).toMatchObject({ degrees: [60] })
    expect(adviceOf(slipped)[0]!.change).toEqual({ code: 'readRowsAgain', cam: 'intake', degrees: [60] })
    expect(codes(tern, 'cam.byCurve.intake')).toEqual([])
    // A curve with a slip in it is never called within.
    const right = readingOf(tern, stationId('cam.lift', { cam: 'exhaust', degree: -60 }))
    const exhaust = withReading(tern, 'cam.lift', { cam: 'exhaust', degree: -60 }, right.value - 1, right.gauge)
    expect([verdictOf(cam, tern, 'cam.advance.exhaust'), verdictOf(cam, exhaust, 'cam.advance.exhaust')]).toEqual(['within', 'inDoubt'])
  })

  it('ways of reading that disagree are a question: the best one counts, none is averaged in', () => {
    const off = at(tern, 'cam.event', { cam: 'intake', spot: 'closes' }, readingOf(tern, 'cam.event/intake/closes').value + 6)
    // The centrelines are half of it apart; where it closes the ways are all of it apart.
    expectNear(valueOf(cam, off, 'cam.schoolsApart.intake'), 6, 0.5)
    expect(find(cam, off, 'cam.schoolsApart.intake').remarks).toMatchObject([{ code: 'schoolsDisagree' }])
    expect(valueOf(cam, off, 'cam.advance.intake')).toBe(valueOf(cam, tern, 'cam.advance.intake'))
  })

  it('ways that agree at the centreline alone disagree: both events read 9° further out, as on another check lift', () => {
    for (const which of ['intake', 'exhaust'] as const) {
      const event = (spot: 'opens' | 'closes', by: number, build: Build) =>
        at(build, 'cam.event', { cam: which, spot }, readingOf(tern, `cam.event/${which}/${spot}`).value + by)
      const wide = event('closes', 9, event('opens', -9, tern))
      const [curve, events] = [valueOf(cam, wide, `cam.byCurve.${which}`), valueOf(cam, wide, `cam.byEvents.${which}`)]
      expect(Math.abs(curve - events)).toBeLessThan(0.5)
      expectNear(valueOf(cam, wide, `cam.schoolsApart.${which}`), 18, 1)
      expect(find(cam, wide, `cam.schoolsApart.${which}`).remarks).toMatchObject([{ code: 'schoolsDisagree', at: 'duration' }])
      expect(verdictOf(cam, wide, `cam.schoolsApart.${which}`)).toBe('over')
    }
  })

  it('the lift at overlap is judged in millimetres by its maker’s figure and band, exhaust alike', () => {
    const asked = onPaper(by(tern, { camOverlapLift: true }), {
      intakeOverlapLift: { value: 1.4, tolerance: 0.03, unit: 'mm', source: 'engine’s manual' },
      exhaustOverlapLift: { value: 1.2, unit: 'mm', source: 'engine’s manual' },
    })
    const limits = startingLimits(asked.spec)
    expect(limits['cam.overlapIntake']).toMatchObject({ lower: 1.37, upper: 1.43, target: 1.4, source: 'engine’s manual' })
    // No band stands beside it: a tenth either way, and whose word that is.
    expect(limits['cam.overlapExhaust']).toMatchObject({
      lower: 1.1,
      upper: 1.3,
      source: 'Preset: common practice; the figure: engine’s manual',
    })
    const judged = withSpec(asked, { ...asked.spec, limits: { ...asked.spec.limits, ...limits } })
    const lift = (which: 'intake' | 'exhaust', mm: number) =>
      verdictOf(cam, withReading(judged, 'cam.overlapLift', { cam: which }, mm, 'dial-metric.1'), `cam.liftAtOverlap.${which}`)
    expect([lift('intake', 1.6), lift('intake', 1.2), lift('exhaust', 1.5), lift('exhaust', 0.9)]).toEqual([
      'over',
      'under',
      'over',
      'under',
    ])
    // TDC is uncertain by a part of a degree, and the lobe rises by hundredths of a millimetre in one.
    const { value } = find(
      cam,
      withReading(judged, 'cam.overlapLift', { cam: 'intake' }, 1.4, 'dial-metric.1'),
      'cam.liftAtOverlap.intake',
    ).figure!
    expect(expand(value).U).toBeGreaterThan(0.015)
    expect(expand(value).U).toBeLessThan(0.08)
  })

  it('a card that contradicts itself is said with both figures, and counts as its first numbers say', () => {
    const odd = onPaper(tern, { cardIntakeOpens: number(1.85), cardIntakeCloses: number(40.85), intakeCentreline: number(107) })
    expect(find(cam, odd, 'cam.advance.intake').remarks).toContainEqual({
      code: 'cardDisagrees',
      number: 'icl',
      stated: 107,
      computed: 109.5,
    })
    const derived = cardNumber(odd, 'intake', 'icl')
    expectNear('figure' in derived ? derived.figure.value.value : Number.NaN, 109.5, 1e-9)
  })

  it('with no way of reading asked for, none is known, and the events of its card are wanted', () => {
    const none = engine(2, (spec) => ({ ...spec, methods: { ...spec.methods, camEvents: false } }))
    expect(find(cam, none, 'cam.advance.intake').missing).toContainEqual({ kind: 'reading', stationId: 'cam.event/intake/opens' })
    expect(adviceOf(none)).toEqual([])
  })

  it('without a card the cam is known all the same, and the number wanted is named', () => {
    const bare = withSpecOf(tern, (spec) => {
      const { intakeCentreline: _, ...paper } = spec.paper
      return { ...spec, paper }
    })
    expectNear(valueOf(cam, bare, 'cam.centreline.intake'), 112.5, 0.3)
    expect(find(cam, bare, 'cam.advance.intake').missing).toEqual([{ kind: 'paper', key: 'intakeCentreline' }])
  })
})

describe('other engines', () => {
  it('a V8 with one shaft, read at the valve: both kinds of lobes are set together, by the keyways there are', () => {
    const v8 = engine(1, (spec) => ({ ...spec, methods: { ...spec.methods, camReadAt: 'valve', camCurve: true } }), {
      camLateDeg: { 1: 6, 2: 6 },
    })
    expectNear(valueOf(cam, v8, 'cam.advance.intake'), -6, 0.7)
    expectNear(valueOf(cam, v8, 'cam.advance.exhaust'), -6, 0.7)
    // Read at the valve, the lobe is what the dial shows over the ratio.
    expectNear(valueOf(cam, v8, 'cam.peakLift.intake'), 10.16, 0.04)
    const byLift = engine(1, (spec) => ({ ...spec, methods: { ...spec.methods, camReadAt: 'valve', camOverlapLift: true } }))
    expectNear(valueOf(cam, byLift, 'cam.byOverlapLift.intake'), 106, 1.5)
    expectNear(valueOf(cam, byLift, 'cam.byOverlapLift.exhaust'), 112, 1.5)
    const turns = adviceOf(v8).filter(({ change }) => change.code === 'turnCam')
    expect(turns.map(({ change }) => change)).toEqual([{ code: 'turnCam', cams: ['intake', 'exhaust'], byDeg: 6, steps: 3 }])
  })

  it('nine keyways go no further than four either way', () => {
    const v8 = engine(1, (spec) => spec, { camLateDeg: { 1: 15, 2: 15 } })
    expect(adviceOf(v8).find(({ change }) => change.code === 'turnCam')!.change).toMatchObject({ byDeg: 8, steps: 4 })
  })

  it('a boxer with shafts in its heads has four cams, each set by itself', () => {
    const boxer = engine(
      0,
      (spec) => ({
        ...spec,
        layout: {
          ...freshLayout({ kind: 'flat', cylinders: 4, bankAngleDeg: 180, valvesPerCylinder: 4, valveDrive: 'bucketShimUnder' }),
          boreSpacingMm: spec.layout.boreSpacingMm,
        },
        joints: undefined,
      }),
      { camLateDeg: { 3: 5 } },
    )
    const ids = cam.derive(boxer).flatMap(({ id, output }) => (output === 'cam.advance' ? [id] : []))
    expect(ids).toEqual(['intake-left', 'exhaust-left', 'intake-right', 'exhaust-right'].map((name) => `cam.advance.${name}`))
    expectNear(valueOf(cam, boxer, 'cam.advance.intake-right'), -5, 0.7)
    expect(
      cam
        .derive(boxer)
        .filter(({ output }) => output === 'cam.separation')
        .map(({ id }) => id),
    ).toEqual(['cam.separation.left', 'cam.separation.right'])
    expect(
      adviceOf(boxer)
        .filter(({ change }) => change.code === 'turnCam')
        .map(({ change }) => change),
    ).toMatchObject([{ cams: ['intake-right'] }])
  })

  it('a single by its events alone, its cam set early: later is the way back, and the exhaust comes nearer', () => {
    const single = engine(2, (spec) => ({ ...spec, paper: { ...spec.paper, intakeClosing: number(219) } }), { camLateDeg: { 2: -4 } })
    expectNear(valueOf(cam, single, 'cam.advance.exhaust'), 4, 0.6)
    const [turn] = adviceOf(single)
    expect(turn!.change).toMatchObject({ code: 'turnCam', cams: ['exhaust'] })
    expect(turn!.costs).toContainEqual({ code: 'checkValveClearance', closer: 'exhaust' })
    expectNear(valueOf(cam, single, 'cam.separation'), 105.5 + 2, 0.6)
    expectNear(valueOf(cam, single, 'cam.overlap'), 214.7 - 2 * 107.5, 1)
  })
})
