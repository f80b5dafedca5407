import { Matrix, solve } from 'ml-matrix'
import { describe, expect, it } from 'vitest'
import { benchById, openBuild } from '@/core/benches'
import { withSpec, type Build } from '@/core/document'
import { applyChanges, withChanges, withChosenAfter, withPlannedAfter } from '@/core/document/changes'
import { readingOf, soundBuild, ternDocument, valueOf, withReading, without } from '../../../../tests/support/builds'
import { by, number, onPaper } from '../../../../tests/support/cams'
import { adviceOf, at, codesOf, DIAL, found, LEAF, mmOf, unread } from '../../../../tests/support/clearances'
import { expectNear } from '../../../../tests/support/expectNear'
import { pistonDropMm } from '../../geometry/crank'
import { expand } from '../../metrology'
import { lobeMotion } from '../../shared/camMotion/lobeMotion'

/** Valves over pistons: what the demo hides is found; every way of reading comes to the same drop; laws of what moves it. */
const tern = openBuild(ternDocument)
const compression = benchById('compression')
const COS_INTAKE = Math.cos((15.5 * Math.PI) / 180)

describe('the valves of the demo', () => {
  it('are as near as common practice has it for this five: intake 2.16 mm at 112.5°, exhaust 2.22', () => {
    for (const valve of ['intake1a', 'intake2b', 'intake5a']) expectNear(mmOf(tern, `closest.${valve}`), 2.16, 0.06)
    for (const valve of ['exhaust1a', 'exhaust4b']) expectNear(mmOf(tern, `closest.${valve}`), 2.22, 0.06)
    const [at1] = found(tern, 'closest.intake1a').remarks
    expect(at1).toMatchObject({ code: 'closestAt' })
    expectNear((at1 as { deg: number }).deg, 5, 3)
    expectNear((found(tern, 'closest.exhaust1a').remarks[0] as { deg: number }).deg, -5, 3)
  })

  it('show the low piston of cylinder 3 where its valves come down, and name it there alone', () => {
    const others = [1, 2, 4, 5].map((cylinder) => mmOf(tern, `closest.intake${cylinder}a`))
    const mean = others.reduce((sum, one) => sum + one, 0) / others.length
    expectNear(mmOf(tern, 'closest.intake3a') - mean, 0.06 * COS_INTAKE, 0.04)
    for (const cylinder of [1, 2, 3, 4, 5])
      expect(codesOf(tern, `closest.intake${cylinder}a`).includes('pistonApart'), `${cylinder}`).toBe(cylinder === 3)
    const apart = found(tern, 'closest.exhaust3b').remarks.find(({ code }) => code === 'pistonApart') as { byMm: number }
    expectNear(apart.byMm, 0.06, 0.015)
  })

  it('by the dial at seven angles come to the drop that was read at TDC', () => {
    for (const valve of ['intake1a', 'exhaust1a']) {
      expect(found(tern, `waysApart.${valve}`).conformity?.verdict).toBe('within')
      expect(codesOf(tern, `waysApart.${valve}`)).toEqual([])
      expect(found(tern, `closest.${valve}`).remarks).toContainEqual({ code: 'dropBy', ways: ['drop', 'dial'] })
    }
  })

  it('of the V8 would come too near with four degrees more advance', () => {
    const petrel = soundBuild(1)
    const room = found(petrel, 'roomToMove.intake')
    expect(room.conformity?.verdict).toBe('under')
    // 0.097 in, and 0.074 with four degrees more, where 0.080 is the least: a little under three. Of its lobe only the card is known.
    expect(Math.abs(room.figure!.value.value - 2.9)).toBeLessThan(expand(room.figure!.value).U)
    const advanced = applyChanges(petrel, [
      { what: 'turnCam', cam: 'intake', by: 4 },
      { what: 'turnCam', cam: 'exhaust', by: 4 },
    ])
    expectNear((mmOf(petrel, 'closest.intake2') - mmOf(advanced, 'closest.intake2')) / 25.4, 0.023, 0.002)
    expect(mmOf(advanced, 'closest.exhaust2')).toBeGreaterThan(mmOf(petrel, 'closest.exhaust2'))
  })

  it('leave room in degrees that is as sure as the gap, by what a degree takes of it', () => {
    const petrel = soundBuild(1)
    const lowerMm = petrel.spec.limits['clearance.intake']!.lower!
    const roomDeg = (lower: number) => found(withLimit(petrel, lower), 'roomToMove.intake').figure!.value
    const degPerMm = (roomDeg(lowerMm - 0.02).value - roomDeg(lowerMm + 0.02).value) / 0.04
    const least = Math.min(...[1, 2, 3, 4, 5, 6, 7, 8].map((one) => mmOf(petrel, `closest.intake${one}`)))
    const nearest = [1, 2, 3, 4, 5, 6, 7, 8].find((one) => mmOf(petrel, `closest.intake${one}`) === least)!
    const { U } = expand(found(petrel, `closest.intake${nearest}`).figure!.value)
    expectNear(expand(roomDeg(lowerMm)).U, degPerMm * U, 0.03 * degPerMm * U)
  })
})

describe('one valve by every way of reading', () => {
  const bare = unread(0)
  const none = by(bare, { clearanceDial: 'none' })
  const drop = at(none, 'clearance.drop', { valve: 'intake1a' }, 3.3)
  const closestMm = mmOf(drop, 'closest.intake1a')
  const solid = 0.2

  it('clay reads the gap itself: what the lobe takes of it falls out, the lash comes in', () => {
    const clay = at(by(none, { clearanceClay: true }), 'clearance.clay', { valve: 'intake1a' }, 2, LEAF)
    expectNear(mmOf(clay, 'closest.intake1a'), 2 + solid, 1e-9)
    const atLash = onPaper(clay, { lashWhenRead: number(solid, 'mm') })
    expectNear(mmOf(atLash, 'closest.intake1a'), 2, 1e-9)
    const pumped = onPaper(by(clay, { clearanceLifters: 'pumpedUp' }), { lifterPreload: number(0.8, 'mm') })
    expectNear(mmOf(pumped, 'closest.intake1a'), 2 + 0.8 + solid, 1e-9)
    expect(found(by(clay, { clearanceLifters: 'pumpedUp' }), 'closest.intake1a').missing).toContainEqual({
      kind: 'paper',
      key: 'lifterPreload',
    })
  })

  it('a feeler that went bounds it below, one that did not above; the stack that holds the lifter comes off', () => {
    const asked = by(none, { clearanceFeeler: true })
    const went = at(asked, 'clearance.feelerWent', { valve: 'intake1a' }, 2, LEAF)
    expect(codesOf(went, 'closest.intake1a')[0]).toBe('feelerBound')
    expectNear(mmOf(went, 'closest.intake1a'), 2 + solid, 1e-9)
    // 2.2 went where 1.5 is the least: enough. At 2.0 and a limit of 2.5 it says nothing, and a dial is asked for.
    expect(found(went, 'closest.intake1a').conformity?.verdict).toBe('within')
    const wide = withLimit(went, 2.5)
    expect(found(wide, 'closest.intake1a').conformity?.verdict).toBe('inDoubt')
    expect(adviceOf(wide).map(({ id }) => id)).toEqual(['readByDial.intake1a'])
    // What is decided, or was read by a dial, is not asked for again.
    expect(adviceOf(went)).toEqual([])
    const stopped = at(asked, 'clearance.feelerStopped', { valve: 'intake1a' }, 1.2, LEAF)
    expect(found(stopped, 'closest.intake1a').conformity?.verdict).toBe('under')
    const both = at(went, 'clearance.feelerStopped', { valve: 'intake1a' }, 2.1, LEAF)
    expectNear(mmOf(both, 'closest.intake1a'), 2.05 + solid, 1e-9)
    expectNear(mmOf(at(both, 'clearance.collapse', { valve: 'intake1a' }, 0.5, LEAF), 'closest.intake1a'), 1.55 + solid, 1e-9)
    const exact = at(at(went, 'clearance.extraTravel', { valve: 'intake1a' }, 0.07), 'clearance.collapse', { valve: 'intake1a' }, 0.5, LEAF)
    expectNear(mmOf(exact, 'closest.intake1a'), 2.07 - 0.5 + solid, 1e-9)
    expect(codesOf(exact, 'closest.intake1a')).not.toContain('feelerBound')
    expect(found(went, 'dropAtTdc.intake1a').figure).toBeUndefined()
  })

  it('a dial at angles comes to the drop a general library’s weighted least squares comes to', () => {
    const asked = by(none, { clearanceDial: 'one', clearanceDrop: false })
    const readings = [3.31, 2.72, 2.38, 2.3, 2.49, 2.92, 3.62]
    const read = readings.reduce((build, mm, index) => at(build, 'clearance.travel', { valve: 'intake1a', degree: 4 * index }, mm), asked)
    const gap = gapOf(read)
    const wheel = [...read.gauges.values()].find(({ use }) => use === 'wheel')!
    const wheelDeg = Math.hypot(wheel.resolution / Math.sqrt(12), wheel.repeatability)
    const dial = read.gauges.get(DIAL)!
    const dialMm = Math.hypot(dial.resolution / Math.sqrt(12), dial.repeatability, dial.biasU)
    const sigma = readings.map((_, index) => Math.hypot(dialMm, wheelDeg * (gap(4 * index + 0.5) - gap(4 * index - 0.5))))
    const rows = readings.map((_, index) => [1 / sigma[index]!])
    const values = readings.map((mm, index) => [(mm - gap(4 * index)) / sigma[index]!])
    const [[byLibrary]] = solve(new Matrix(rows), new Matrix(values), true).to2DArray() as [[number]]
    expectNear(mmOf(read, 'dropAtTdc.intake1a'), byLibrary, 1e-3)
  })

  it('names a dial reading that lost a turn, and calls nothing within by it', () => {
    const asked = by(none, { clearanceDial: 'one', clearanceDrop: false })
    const gap = gapOf(asked)
    const gaps = [0, 4, 8, 12, 16, 20, 24].map((deg) => Number((3.3 + gap(deg)).toFixed(2)))
    const read = (more: Readonly<Record<number, number>>) =>
      gaps.reduce(
        (build, mm, index) => at(build, 'clearance.travel', { valve: 'intake1a', degree: 4 * index }, mm + (more[index] ?? 0)),
        asked,
      )
    expect(codesOf(read({}), 'closest.intake1a')).not.toContain('dialOff')
    const lost = found(read({ 2: 1 }), 'closest.intake1a')
    expect(lost.remarks.find(({ code }) => code === 'dialOff')).toMatchObject({ readings: [{ deg: 8, turnMm: 1 }] })
    expect(lost.conformity?.verdict).toBe('inDoubt')
    expect(found(read({ 5: -0.3 }), 'closest.intake1a').remarks.find(({ code }) => code === 'dialOff')).toMatchObject({
      readings: [{ deg: 20, offMm: expect.closeTo(-0.3, 1) }],
    })
  })

  it('without a gasket, or over one that was only snugged, is corrected to the one that is crushed', () => {
    const noGasket = by(drop, { clearanceGasket: 'none' })
    expectNear(mmOf(noGasket, 'closest.intake1a') - closestMm, 1.1 * COS_INTAKE, 1e-9)
    expect(codesOf(noGasket, 'closest.intake1a')).toContain('gasketThen')
    const snugged = onPaper(by(drop, { clearanceGasket: 'snugged' }), { gasketSnugged: number(1.35, 'mm') })
    expectNear(mmOf(snugged, 'closest.intake1a') - closestMm, (1.1 - 1.35) * COS_INTAKE, 1e-9)
    expect(found(by(drop, { clearanceGasket: 'snugged' }), 'closest.intake1a').missing).toEqual([{ kind: 'paper', key: 'gasketSnugged' }])
    // Square to the bore a gasket counts by more than itself.
    const flat = by(noGasket, { valveSurface: 'flat' })
    expectNear(mmOf(flat, 'dropAtTdc.intake1a'), 3.3 + 1.1 / COS_INTAKE, 1e-9)
  })
})

describe('what moves a valve nearer', () => {
  const one = soundBuild(0)
  const moved = (changes: Parameters<typeof applyChanges>[1], id = 'closest.intake2a') =>
    mmOf(applyChanges(one, changes), id) - mmOf(one, id)

  it('gasket, deck, head and piston by their cosine, a pocket by itself', () => {
    expectNear(moved([{ choose: 'gasket', id: 'hl-g3' }]), 0.15 * COS_INTAKE, 1e-9)
    expectNear(moved([{ what: 'piston', id: 'taller', by: 0.2 }]), -0.2 * COS_INTAKE, 1e-9)
    expectNear(moved([{ what: 'cutPocket', valves: 'intake', by: 0.3 }]), 0.3, 1e-9)
    expectNear(moved([{ what: 'cutPocket', valves: 'intake', by: 0.3 }], 'closest.exhaust2a'), 0, 1e-12)
    // The chain goes slack with a cut, and later valves are further from their pistons: less of it than its cosine.
    for (const what of ['deckCut', 'headCut'] as const) {
      const retarded = moved([{ what, by: 0.2 }])
      expect(retarded).toBeGreaterThan(-0.2 * COS_INTAKE)
      expect(retarded).toBeLessThan(-0.16 * COS_INTAKE)
    }
  })

  it('a pocket that is cut costs ratio: its area over its depth, for every valve of the cylinder', () => {
    const cut = applyChanges(one, [{ what: 'cutPocket', valves: 'intake', by: 0.5 }])
    const cm3 = 2 * (Math.PI / 4) * 3.65 ** 2 * 0.05
    const sweptCm3 = (Math.PI / 4) * 8.3 ** 2 * 9.28
    const clearanceCm3 = (build: Build) => sweptCm3 / (valueOf(compression, build, 'compression.compressionRatio.1') - 1)
    expectNear(clearanceCm3(cut) - clearanceCm3(one), cm3, 0.005)
  })

  it('lash by itself, a cam earlier or later the other way for each kind', () => {
    expectNear(mmOf(onPaper(one, { intakeLash: number(0.3, 'mm') }), 'closest.intake2a') - mmOf(one, 'closest.intake2a'), 0.1, 1e-9)
    expectNear(mmOf(by(one, { clearanceAtLash: 'none' }), 'closest.intake2a') - mmOf(one, 'closest.intake2a'), -0.2, 1e-9)
    expect(moved([{ what: 'turnCam', cam: 'intake', by: 2 }])).toBeLessThan(-0.1)
    expect(moved([{ what: 'turnCam', cam: 'exhaust', by: 2 }], 'closest.exhaust2a')).toBeGreaterThan(0.1)
  })

  it('a gasket changed after the valves were read counts from the one that lay there', () => {
    const chosen = { ...one.spec, choice: { ...one.spec.choice, gasket: 'hl-g4' } }
    const build = withSpec(one, withChosenAfter(chosen, one))
    expect(build.spec.choice.formerGaskets).toEqual([{ gasket: 'hl-g2', until: one.entries.at(-1)!.id }])
    expectNear(mmOf(build, 'closest.intake2a') - mmOf(one, 'closest.intake2a'), 0.3 * COS_INTAKE, 1e-9)
    const again = withReading(build, 'clearance.drop', { valve: 'intake2a' }, 3.6, DIAL)
    expectNear(mmOf(again, 'dropAtTdc.intake2a'), 3.6, 1e-9)
    // And once more, to a third one: each reading from its own.
    const third = withSpec(again, withChosenAfter({ ...again.spec, choice: { ...again.spec.choice, gasket: 'hl-g1' } }, again))
    expectNear(mmOf(third, 'dropAtTdc.intake2a'), 3.6 - 0.4 * COS_INTAKE, 1e-9)
    expectNear(mmOf(third, 'dropAtTdc.intake4a') - mmOf(one, 'dropAtTdc.intake4a'), -0.1 * COS_INTAKE, 1e-9)
  })

  it('work that is planned is counted until the valve is read again, and leaves nothing within', () => {
    const planned = withSpec(one, withPlannedAfter(withChanges(one.spec, [{ what: 'cutPocket', valves: 'intake', by: 0.5 }]), one))
    expectNear(mmOf(planned, 'closest.intake2a') - mmOf(one, 'closest.intake2a'), 0.5, 1e-9)
    expect(found(planned, 'closest.intake2a').conformity?.verdict).toBe('inDoubt')
    expect(codesOf(planned, 'closest.intake2a')).toContain('planned')
    const done = at(planned, 'clearance.drop', { valve: 'intake2a' }, 3.8)
    expectNear(mmOf(done, 'dropAtTdc.intake2a'), 3.8, 1e-9)
    expect(found(done, 'closest.intake2a').conformity?.verdict).toBe('within')
  })
})

describe('valves that were not read', () => {
  const one = soundBuild(0)
  const only = (cylinder: number): Build =>
    without(
      one,
      ({ characteristic, place }) => characteristic.startsWith('clearance.') && !new RegExp(`\\D${cylinder}[ab]?$`).test(place.valve ?? ''),
    )

  it('are taken from those that were, by the decks of both, with an uncertainty that covers what they are', () => {
    const build = only(1)
    for (const cylinder of [2, 3, 4, 5]) {
      const inferred = found(build, `closest.intake${cylinder}a`)
      expect(inferred.remarks).toContainEqual({ code: 'inferredDrop', from: ['intake1a', 'intake1b'], seats: 'assumed' })
      const off = inferred.figure!.value.value - mmOf(one, `closest.intake${cylinder}a`)
      expect(Math.abs(off)).toBeLessThan(expand(inferred.figure!.value).U)
      expect(expand(inferred.figure!.value).U).toBeGreaterThan(0.15)
    }
  })

  it('follow a piston that stands lower, and a seat that is cut deeper where both are read', () => {
    const build = only(1)
    const deeper = ['front', 'rear', 'left', 'right'].reduce(
      (now, spot) => withReading(now, 'compression.deck', { cylinder: 2, spot }, 0.25, DIAL),
      build,
    )
    const deck = (of: Build) => valueOf(compression, of, 'compression.deckClearance.2')
    expectNear(mmOf(deeper, 'closest.intake2a') - mmOf(build, 'closest.intake2a'), (deck(deeper) - deck(build)) * COS_INTAKE, 1e-9)
    const seats = ['intake1a', 'intake1b', 'intake2a'].reduce(
      (now, valve) => at(now, 'clearance.seat', { valve }, valve === 'intake2a' ? 5.3 : 5),
      by(build, { clearanceSeats: true }),
    )
    expectNear(mmOf(seats, 'closest.intake2a') - mmOf(build, 'closest.intake2a'), 0.3, 1e-9)
    expect(found(seats, 'closest.intake2a').remarks).toContainEqual({ code: 'inferredDrop', from: ['intake1a', 'intake1b'], seats: 'read' })
    expect(expand(found(seats, 'closest.intake2a').figure!.value).U).toBeLessThan(0.1)
  })

  it('are the less sure the more their chamber holds than those of valves that were read: it may be depth', () => {
    const build = only(1)
    const larger = [1, 2].reduce((now, repeat) => {
      const { value } = readingOf(now, `compression.chamberEnd/c2/r${repeat}`)
      return withReading(now, 'compression.chamberEnd', { cylinder: 2, repeat }, value - 1, 'burette.1', { unit: 'cm3' })
    }, build)
    const U = (of: Build) => expand(found(of, 'closest.intake2a').figure!.value).U
    // A cubic centimetre over 51 cm² is 0.196 mm, evenly; along the valve.
    const more = (2 * 0.196 * COS_INTAKE) / Math.sqrt(3)
    expect(U(larger)).toBeGreaterThan(Math.hypot(U(build), more) - 0.01)
    expect(U(larger)).toBeLessThan(Math.hypot(U(build), more) + 0.02)
    expectNear(mmOf(larger, 'closest.intake2a'), mmOf(build, 'closest.intake2a'), 1e-9)
  })

  it('are not known where no deck says how their piston stands, nor where no valve of their kind was read', () => {
    const build = without(only(1), ({ characteristic, place }) => characteristic === 'compression.deck' && place.cylinder === 2)
    const unknown = found(build, 'closest.intake2a')
    expect(unknown.figure).toBeUndefined()
    const spots = ['front', 'left', 'rear', 'right']
    expect(unknown.missing).toEqual(spots.map((spot) => ({ kind: 'reading', stationId: `compression.deck/c2/${spot}` })))
    expect(found(unread(0), 'closest.intake2a').missing).toEqual([{ kind: 'reading', stationId: 'clearance.drop/v-intake2a' }])
  })
})

describe('limits', () => {
  it('below what is common practice at the least want a reason and initials before anything is within', () => {
    const one = soundBuild(0)
    const low = withLimit(one, 1.2)
    expect(found(low, 'closest.intake2a').conformity?.verdict).toBe('inDoubt')
    expect(found(low, 'closest.intake2a').remarks).toContainEqual({ code: 'belowFloor', floorMm: 1.5 })
    const signed = withLimit(one, 1.2, { by: 'AB', reason: 'Run two seasons' })
    expect(found(signed, 'closest.intake2a').conformity?.verdict).toBe('within')
    expect(found(signed, 'closest.intake2a').remarks).toContainEqual({ code: 'belowFloor', floorMm: 1.5, by: 'AB' })
    expect(found(withLimit(one, 1.2, { by: 'AB', reason: ' ' }), 'closest.intake2a').conformity?.verdict).toBe('inDoubt')
    expect(codesOf(withLimit(one, 1.5), 'closest.intake2a')).not.toContain('belowFloor')
  })
})

/** What the intake lobe as it was read leaves of a drop at an angle, mm. */
function gapOf(build: Build): (deg: number) => number {
  const motion = lobeMotion(build, 'intake')
  if ('missing' in motion) throw new Error('the cam was read')
  const centre = motion.centreDeg.value.value
  return (deg) => pistonDropMm({ strokeMm: 92.8, rodMm: 144, pinOffsetMm: 0 }, deg) * COS_INTAKE - Math.max(0, motion.liftMm(deg - centre))
}

/** The build with another limit for its intake valves. */
function withLimit(build: Build, lower: number, more: { by?: string; reason?: string } = {}): Build {
  const limit = { lower, source: 'test', reason: '', ...more }
  return withSpec(build, { ...build.spec, limits: { ...build.spec.limits, 'clearance.intake': limit } })
}
