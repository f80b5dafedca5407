import { describe, expect, it } from 'vitest'
import { withSpec, type Build, type EngineChange } from '@/core/document'
import { applyChanges, withChanges, withPlannedAfter } from '@/core/document/changes'
import { cam } from '@/core/benches/cam'
import { compression } from '@/core/benches/compression'
import { readingOf, soundBuild, valueOf, without, withReading, withSpecOf } from '../../../../tests/support/builds'
import { mmOf } from '../../../../tests/support/clearances'
import { expectNear } from '../../../../tests/support/expectNear'
import { rootBetween, rootOr } from '../../numerics/roots'
import { lobeMotion } from './lobeMotion'

/** Other cams than those that were read: what they lift more and are open longer, and what stays as it was read. */
const tern = soundBuild(0)
const petrel = soundBuild(1)
const CHECK_MM = 1.27

const lifting = (by: number): EngineChange => ({ what: 'lobeLift', valves: 'intake', by })
const longer = (by: number): EngineChange => ({ what: 'lobeDuration', valves: 'intake', by })

/** Peak, and crank degrees over the check lift, of the motion itself: looked for, not taken from any figure. */
function shape(build: Build) {
  const motion = lobeMotion(build, 'intake')
  if ('missing' in motion) throw new Error('no motion')
  const { liftMm } = motion
  const degrees = Array.from({ length: 2401 }, (_, index) => index / 20 - 60)
  const peakMm = Math.max(...degrees.map(liftMm))
  const at = (side: 1 | -1) =>
    rootOr(
      rootBetween((deg) => liftMm(side * deg) - CHECK_MM, 20, 200),
      Number.NaN,
    )
  return { peakMm, durationDeg: at(1) + at(-1) }
}

describe.each([
  ['a lobe that was read', tern],
  ['a lobe that only its card tells of', petrel],
])('another cam in place of %s', (_, build) => {
  const was = shape(build)
  const closest = (kind: string) => `closest.${kind}2${build === tern ? 'a' : ''}`

  it.each([
    [0.5, 0],
    [-0.4, 0],
    [0, 6],
    [0.3, -5],
  ])('that lifts %f mm more and is %f° longer does just that, at the check lift', (liftMm, deg) => {
    const is = shape(applyChanges(build, [lifting(liftMm), longer(deg)]))
    expectNear(is.peakMm - was.peakMm, liftMm, 1e-4)
    expectNear(is.durationDeg - was.durationDeg, deg, 1e-3)
  })

  it('comes nearer to the piston the more it lifts, by no more than it lifts at the valve', () => {
    const ratio = build.spec.paper.rockerRatio?.value ?? 1
    const byLift = mmOf(build, closest('intake')) - mmOf(applyChanges(build, [lifting(0.5)]), closest('intake'))
    expect(byLift).toBeGreaterThan(0.01)
    expect(byLift).toBeLessThan(0.5 * ratio)
    expect(mmOf(build, closest('intake')) - mmOf(applyChanges(build, [longer(6)]), closest('intake'))).toBeGreaterThan(0.05)
    // The other kind stays.
    expectNear(mmOf(applyChanges(build, [lifting(0.5)]), closest('exhaust')), mmOf(build, closest('exhaust')), 1e-12)
  })
})

describe('what was read with the cam before', () => {
  it('stays what it was: the drop by a dial is that of the cam it was read with', () => {
    const byDial = without(tern, ({ characteristic, place }) => characteristic === 'clearance.drop' && place.valve === 'intake1a')
    const after = applyChanges(byDial, [lifting(0.5), longer(4)])
    expectNear(mmOf(after, 'dropAtTdc.intake1a'), mmOf(byDial, 'dropAtTdc.intake1a'), 1e-9)
    expect(mmOf(after, 'closest.intake1a')).toBeLessThan(mmOf(byDial, 'closest.intake1a') - 0.05)
  })

  it('counts until the new one is read: its events, its lobes and the closing that the ratio is counted from', () => {
    const after = applyChanges(tern, [lifting(0.3), longer(4)])
    expectNear(valueOf(cam, after, 'cam.duration.intake') - valueOf(cam, tern, 'cam.duration.intake'), 4, 1e-9)
    expectNear(valueOf(cam, after, 'cam.closes.intake') - valueOf(cam, tern, 'cam.closes.intake'), 2, 1e-9)
    expectNear(valueOf(cam, after, 'cam.opens.intake') - valueOf(cam, tern, 'cam.opens.intake'), -2, 1e-9)
    expectNear(valueOf(cam, after, 'cam.centreline.intake'), valueOf(cam, tern, 'cam.centreline.intake'), 1e-9)
    expectNear(valueOf(cam, after, 'cam.peakLift.intake') - valueOf(cam, tern, 'cam.peakLift.intake'), 0.3, 1e-9)
    // Against its own card it is as far off as before: the card will be another one too.
    expectNear(valueOf(cam, after, 'cam.durationApart.intake'), valueOf(cam, tern, 'cam.durationApart.intake'), 1e-9)
    const shut = (closingDeg: number) =>
      withSpecOf(tern, (spec) => ({
        ...spec,
        paper: { ...spec.paper, intakeClosing: { ...spec.paper.intakeClosing!, value: closingDeg } },
      }))
    const effective = (build: Build) => valueOf(compression, build, 'compression.effectiveRatio.1')
    expectNear(effective(after), effective(shut(tern.spec.paper.intakeClosing!.value + 2)), 1e-9)
  })

  it('counts no more once it is read again after it was planned', () => {
    const planned = withSpec(petrel, withPlannedAfter(withChanges(petrel.spec, [longer(4)]), petrel))
    const { value, gauge } = readingOf(petrel, 'cam.event/intake/closes')
    expectNear(valueOf(cam, planned, 'cam.closes.intake') - valueOf(cam, petrel, 'cam.closes.intake'), 2, 1e-9)
    const again = withReading(planned, 'cam.event', { cam: 'intake', spot: 'closes' }, value, gauge, { unit: 'deg' })
    expectNear(valueOf(cam, again, 'cam.closes.intake'), valueOf(cam, petrel, 'cam.closes.intake'), 1e-9)
    expectNear(valueOf(cam, again, 'cam.opens.intake') - valueOf(cam, petrel, 'cam.opens.intake'), -2, 1e-9)
  })
})
