import { describe, expect, it } from 'vitest'
import { withSpec, type Build, type Spec } from '@/core/document'
import { withChanges, withChosenAfter, withPlannedAfter } from '@/core/document/changes'
import { soundBuild, without } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { evaluate } from '../evaluation/evaluate'
import { followPresets } from '../benches'
import { changesOf, knobsOf } from './knobs'
import { changedBuild, todayOf, variantOf } from './variant'

/** Knobs over all benches: what they move, that a variant is what its plan comes to, and that a search misses nothing. */
const tern = soundBuild(0)
const petrel = soundBuild(1)
const wren = soundBuild(2)

const headline = (build: Build, settings: Readonly<Record<string, number>>, output: string) =>
  variantOf(todayOf(build), settings).headlines.find((one) => one.output === output)!

const idsOf = (build: Build) => knobsOf(build).map(({ knob }) => knob.id)
const RATIO = { value: 12.65, unit: 'one', source: 'test' } as const

describe('a variant', () => {
  it('with nothing turned is the engine as it stands: nothing moves, nothing breaks', () => {
    for (const build of [tern, petrel, wren]) {
      const { changes, headlines, moved, near } = variantOf(todayOf(build), {})
      expect([changes, moved, near]).toEqual([[], 0, []])
      expect(headlines.some(({ hasMoved, breaks }) => hasMoved || breaks.length > 0)).toBe(false)
      const atToday = Object.fromEntries(knobsOf(build).map(({ knob, today }) => [knob.id, today]))
      expect(variantOf(todayOf(build), atToday).moved).toBe(0)
    }
  })

  it('with a gasket 0.15 mm thicker has so much more quench, and every valve its cosine of it', () => {
    const quench = headline(tern, { gasket: 1.25 }, 'compression.quench')
    expectNear(quench.next!.low.value - quench.today!.low.value, 0.15, 1e-9)
    const closest = headline(tern, { gasket: 1.25 }, 'clearance.closest')
    expectNear(closest.next!.low.value - closest.today!.low.value, 0.15 * Math.cos((15.5 * Math.PI) / 180), 1e-6)
    expect(headline(tern, { gasket: 1.25 }, 'bores.clearance').hasMoved).toBe(false)
  })

  it('with another stroke, rod or piston stands where the stack says: a longer rod and a shorter piston cancel', () => {
    const rod = headline(tern, { rodLength: 144.1 }, 'compression.deckClearance')
    expectNear(rod.next!.low.value - rod.today!.low.value, -0.1, 1e-9)
    const both = headline(tern, { rodLength: 144.1, compressionHeight: 29.45 }, 'compression.deckClearance')
    expectNear(both.next!.low.value, both.today!.low.value, 1e-9)
    const stroke = headline(tern, { stroke: 93 }, 'compression.deckClearance')
    expectNear(stroke.next!.low.value - stroke.today!.low.value, -0.1, 1e-9)
    // The computed stack goes with the measured deck: both agree as well as before.
    expect(headline(tern, { stroke: 93 }, 'rods.stackApart').next!.verdict).toBe('within')
    const shim = headline(wren, { baseShim: 0.3 }, 'compression.deckClearance')
    expectNear(shim.next!.low.value - shim.today!.low.value, 0.3, 1e-9)
  })

  it('names what breaks, and what comes too near: the V8 with eight degrees more advance', () => {
    const { headlines, near } = variantOf(todayOf(petrel), { 'advance.intake': 8 })
    expect(headlines.find(({ output }) => output === 'clearance.closest')!.breaks.length).toBe(8)
    expect(near.every(({ valve }) => valve?.startsWith('intake'))).toBe(true)
    // One shaft: one knob for both kinds of lobes.
    expect(knobsOf(petrel).map(({ knob }) => knob.id)).not.toContain('advance.exhaust')
    expect(knobsOf(tern).map(({ knob }) => knob.id)).toContain('advance.exhaust')
  })

  it('moves limits that follow: more boost asks for wider rings, where nobody has set them', () => {
    const unset = withSpec(tern, followPresets({ ...tern.spec, limits: withoutLimit(tern.spec, 'rings.topGap') }))
    const gap = (boost: number) => variantOf(todayOf(unset), { boost }).headlines.find(({ output }) => output === 'rings.topGap')!
    expect([20, 160, 260].map((boost) => gap(boost).next!.verdict)).toEqual(['within', 'within', 'under'])
  })

  it('has no knob that a reading outranks: a valve that was measured across', () => {
    const held = ['intakeValveHead', 'exhaustValveHead']
    expect(idsOf(tern).filter((id) => held.includes(id))).toEqual([])
    const unmeasured = without(tern, ({ characteristic, place }) => characteristic === 'clearance.headSize' && place.cam === 'exhaust')
    expect(idsOf(unmeasured).filter((id) => held.includes(id))).toEqual(['exhaustValveHead'])
    const { today, next } = headline(unmeasured, { exhaustValveHead: 29.5 }, 'clearance.valveToValve')
    expect(today!.low.value - next!.low.value).toBeGreaterThan(0.4)
    expect(today!.low.value - next!.low.value).toBeLessThan(0.6)
  })

  it('has other cams also where the lobes were read: from what was read on, else from the card', () => {
    const today = (build: Build, id: string) => knobsOf(build).find(({ knob }) => knob.id === id)!.today
    expectNear(today(tern, 'lobeLift.intake'), headline(tern, {}, 'cam.peakLift').today!.high.value, 0.05)
    expect(today(tern, 'lobeLift.intake')).not.toBe(10.2)
    expect([today(petrel, 'lobeLift.intake'), today(petrel, 'lobeDuration.exhaust')]).toEqual([10.16, 270.4])
    const lift = headline(tern, { 'lobeLift.intake': today(tern, 'lobeLift.intake') + 0.4 }, 'cam.valveLift')
    expectNear(lift.next!.high.value - lift.today!.high.value, 0.4, 1e-9)
  })

  it('closes the intake of the ratio with its cam, where the ratio is counted from it', () => {
    const { changes, headlines } = variantOf(todayOf(tern), { 'advance.intake': 3 })
    expect(changes).toEqual([
      { what: 'turnCam', cam: 'intake', by: 3 },
      { choose: 'paper', key: 'intakeRetard', value: -3, unit: 'deg', source: 'what if' },
    ])
    const { today, next } = headlines.find(({ output }) => output === 'compression.effectiveRatio')!
    expect(next!.low.value - today!.low.value).toBeGreaterThan(0.1)
  })

  it('lays layers of the shelf into the gasket, and takes them out again', () => {
    const { today, next } = headline(tern, { gasketLayers: 0.3 }, 'compression.quench')
    expectNear(next!.low.value - today!.low.value, 0.3, 1e-9)
    expect(changesOf(tern, { gasketLayers: 0.3 })).toEqual([{ choose: 'gasketLayers', ids: ['hl-l1'] }])
    const held = changedBuild(tern, changesOf(tern, { gasketLayers: 0.3 }))
    expect(knobsOf(held).find(({ knob }) => knob.id === 'gasketLayers')!.today).toBe(0.3)
    expect(changesOf(held, { gasketLayers: 0 })).toEqual([{ choose: 'gasketLayers', ids: [] }])
    // Nothing on that shelf: no such knob.
    expect(idsOf(petrel)).not.toContain('gasketLayers')
  })

  it('makes all bearings of a kind looser by what pairs on the shelf come to', () => {
    // What they will have stands beside what was measured, until they are measured again.
    const planned = headline(petrel, { 'shells.rod': 0.0254 }, 'bearings.rodPlanned')
    const measured = headline(petrel, { 'shells.rod': 0.0254 }, 'bearings.rodClearance')
    expectNear(planned.next!.low.value - measured.today!.low.value, 0.0254, 1e-9)
    expectNear(planned.next!.high.value - measured.today!.high.value, 0.0254, 1e-9)
    expect([planned.hasMoved, measured.hasMoved]).toEqual([true, false])
    const { knob, low, high } = knobsOf(petrel).find((one) => one.knob.id === 'shells.main')!
    // Two X halves, one of each, and so on to two undersize ones: half a thou a half (common practice).
    expect(knob.choices!(petrel)).toEqual([-0.0254, -0.0127, 0, 0.0127, 0.0254])
    expect([low, high]).toEqual([-0.0254, 0.0254])
    expect(idsOf(wren)).not.toContain('shells.rod')
  })

  it('wants another ratio where its limits follow from what is wanted, and another fuel without a figure for it', () => {
    const limits = withoutLimit(petrel.spec, 'compression.compressionRatio')
    const following = withSpec(petrel, followPresets({ ...petrel.spec, limits, paper: { ...petrel.spec.paper, compressionRatio: RATIO } }))
    expect(idsOf(tern)).not.toContain('compressionRatio')
    const moved = headline(following, { compressionRatio: 12.05 }, 'compression.compressionRatio')
    expect([moved.today!.verdict, moved.next!.verdict]).toEqual(['within', 'over'])
    const fuelled = variantOf(todayOf(petrel), { fuel: 3 })
    expect([fuelled.changes, fuelled.moved]).toEqual([[{ choose: 'duty', fuel: 'methanol' }], 0])
    expect(changedBuild(petrel, fuelled.changes).spec.duty).toMatchObject({ fuel: 'methanol', redlineRpm: 7200 })
  })

  it('knows what must be another one, or fits no more: between two banks a cut moves the manifold', () => {
    const parts = (build: Build, id: string) => knobsOf(build).find(({ knob }) => knob.id === id)!.parts
    expect([parts(petrel, 'deckCut'), parts(petrel, 'headCut')]).toEqual([
      ['block', 'manifold'],
      ['head', 'manifold'],
    ])
    expect([parts(tern, 'deckCut'), parts(petrel, 'redline'), parts(petrel, 'gasket')]).toEqual([['block'], [], ['gasket', 'manifold']])
  })

  // What ratio a fuel stands is the tuner's; of the single no section of its rod is known: its redline moves nothing yet.
  it.each([
    ['five', tern, ['fuel']],
    ['V8', petrel, ['fuel']],
    ['single', wren, ['fuel', 'redline']],
  ])('of the %s moves something, whichever knob is turned', (_, build, none) => {
    const today = todayOf(build)
    const idle = knobsOf(build).filter(({ knob, today: is }) => {
      const value = knob.choices?.(build).find((choice) => choice !== is) ?? is + 4 * knob.step.metric
      return variantOf(today, { [knob.id]: value }).moved === 0
    })
    expect(idle.map(({ knob }) => knob.id)).toEqual(none)
  })

  it('is what its plan comes to once the build holds it', () => {
    const settings = { gasket: 1.25, deckCut: 0.1, 'pocket.intake': 0.2, 'advance.intake': -2, redline: 8600, intakeLash: 0.25 }
    const variant = variantOf(todayOf(tern), settings)
    const planned = withSpec(
      tern,
      followPresets(withPlannedAfter(withChosenAfter(withChanges(tern.spec, changesOf(tern, settings)), tern), tern)),
    )
    const after = new Map(evaluate(planned).map((one) => [one.id, one.figure?.value.value]))
    for (const { output, next } of variant.headlines) {
      const values = [...after]
        .flatMap(([id, value]) => (id === output || id.startsWith(`${output}.`) ? [value] : []))
        .filter((one) => one !== undefined)
      if (next) expectNear(Math.min(...values), next.low.value, 1e-9)
    }
  })
})

function withoutLimit(spec: Spec, name: string): Spec['limits'] {
  return Object.fromEntries(Object.entries(spec.limits).filter(([id]) => id !== name))
}
