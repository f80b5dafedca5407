import { describe, expect, it } from 'vitest'
import type { Build } from '@/core/document'
import { openBuild } from '@/core/benches'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { readingOf, soundBuild, TODAY, withReading } from '../../../../tests/support/builds'
import { at as atCam } from '../../../../tests/support/cams'
import { found, mmOf, unread } from '../../../../tests/support/clearances'
import { expectNear } from '../../../../tests/support/expectNear'
import { closestApproach } from '../../geometry/valvetrain/closest'
import { standardUncertainty } from '../../metrology'
import { nearest } from './sweep'

/** A valve follows its own lobe, not that of the cylinder its cam was degreed at. */
const DEMO = DEMO_BUILDS[0]!
const withMethods = (methods: Partial<typeof DEMO.spec.methods>, name: (characteristic: string) => boolean = () => true): Build => {
  const spec = { ...DEMO.spec, methods: { ...DEMO.spec.methods, ...methods } }
  return openBuild(demoDocument({ ...DEMO, spec, faults: {}, read: name }, TODAY))
}
const oneByOne = withMethods({ camLobes: true, clearanceDial: 'none' })

/** Both angles of a lobe read so much later on the wheel. */
function later(build: Build, valve: string, deg: number): Build {
  return ['before', 'after'].reduce((now, spot) => {
    const { value } = readingOf(now, `cam.lobeAngle/v-${valve}/${spot}`)
    return atCam(now, 'cam.lobeAngle', { valve, spot }, value + deg)
  }, build)
}

/** What the whole sweep of the cam, searched again, comes to with its lobe so much later and so many times as high. */
function sweptMm(build: Build, lateDeg: number, times = 1): number {
  const cam = nearest(build, 'intake')
  if ('missing' in cam) throw new Error('no lobe')
  const lashMm = build.spec.paper.intakeLash!.value
  return closestApproach({ ...cam.sweep, liftMm: (deg) => Math.max(0, cam.sweep.liftMm(deg - lateDeg) * times - lashMm) }).gapMm
}

describe('lobes that were read one by one', () => {
  it('bring their own valve as near as they stand, and no other', () => {
    const late = later(oneByOne, 'intake3b', 1.5)
    const moved = (id: string) => mmOf(late, id) - mmOf(oneByOne, id)
    expectNear(moved('closest.intake3b'), sweptMm(oneByOne, 1.5) - sweptMm(oneByOne, 0), 0.006)
    expect(moved('closest.intake3b')).toBeGreaterThan(0.08)
    expectNear(moved('closest.intake3a'), 0, 1e-12)
    expectNear(moved('closest.exhaust3b'), 0, 1e-12)
  })

  it('of which the one that was degreed is where the curve says: read later, all others are earlier than it', () => {
    const late = later(oneByOne, 'intake1a', 1)
    expectNear(mmOf(late, 'closest.intake1a'), mmOf(oneByOne, 'closest.intake1a'), 1e-12)
    expectNear(mmOf(late, 'closest.intake4b') - mmOf(oneByOne, 'closest.intake4b'), sweptMm(oneByOne, -1) - sweptMm(oneByOne, 0), 0.006)
  })

  it('leave more room the lower they are', () => {
    const { value, gauge } = readingOf(oneByOne, 'cam.lobePeak/v-intake2a')
    const low = withReading(oneByOne, 'cam.lobePeak', { valve: 'intake2a' }, value - 0.3, gauge)
    const more = mmOf(low, 'closest.intake2a') - mmOf(oneByOne, 'closest.intake2a')
    expectNear(more, sweptMm(oneByOne, 0, 1 - 0.3 / 10.2) - sweptMm(oneByOne, 0), 0.004)
    expect(more).toBeGreaterThan(0.005)
  })
})

describe('lobes nobody read one by one', () => {
  const uOf = (build: Build, valve: string) => standardUncertainty(found(build, `closest.${valve}`).figure!.value)
  const lobeU = (build: Build, valve: string) =>
    Math.hypot(
      ...found(build, `closest.${valve}`).figure!.value.components.flatMap(({ source, u }) =>
        source.id.includes(`lobe of ${valve}`) ? [u] : [],
      ),
    )

  it('are alike as far as lobes are ground alike, and the one that was degreed is sure', () => {
    const one = soundBuild(0)
    expect(lobeU(one, 'intake1a')).toBe(0)
    // 0.3° evenly is 0.17° as a standard uncertainty; a degree is worth 0.06 to 0.09 mm here.
    expect(lobeU(one, 'intake1b')).toBeGreaterThan(0.01)
    expect(lobeU(one, 'intake1b')).toBeLessThan(0.016)
    expectNear(lobeU(one, 'intake1b'), lobeU(one, 'intake5a'), 1e-12)
    expect(uOf(one, 'intake1b')).toBeGreaterThan(lobeU(one, 'intake1b'))
  })

  it('fall out where the gap itself was read through them, by a dial at its closest or by clay', () => {
    const dialled = withMethods({ clearanceDrop: false, clearanceDial: 'ten' })
    expect(lobeU(dialled, 'intake1b')).toBeLessThan(0.2 * lobeU(soundBuild(0), 'intake1b'))
    const clayed = withMethods({ clearanceDrop: false, clearanceDial: 'none', clearanceClay: true })
    expect(lobeU(clayed, 'exhaust4a')).toBeLessThan(1e-12)
  })

  it('say nothing of a valve that nobody read either', () => {
    expect(found(unread(0), 'closest.intake1b').figure).toBeUndefined()
  })
})
