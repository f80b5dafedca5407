import { describe, expect, it } from 'vitest'
import { withSpec, type Build, type Spec } from '@/core/build'
import { withChanges, withChosenAfter, withPlannedAfter } from '@/core/build/changes'
import { soundBuild, without } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { evaluate } from '../evaluation/evaluate'
import { followPresets } from '../benches'
import { isKernelKnob, kernelOf } from './kernel'
import { changesOf, knobsOf } from './knobs'
import { combinationsOf, search, type Question, type SearchResult } from './search'
import { toReadAgain } from './readAgain'
import { sensitivity, watchedOf } from './sensitivity'
import { changedBuild, todayOf, variantOf } from './variant'

/** Knobs over all benches: what they move, that a variant is what its plan comes to, and that a search misses nothing. */
const tern = soundBuild(0)
const petrel = soundBuild(1)
const wren = soundBuild(2)

const headline = (build: Build, settings: Readonly<Record<string, number>>, output: string) =>
  variantOf(todayOf(build), settings).headlines.find((one) => one.output === output)!

const idsOf = (build: Build) => knobsOf(build).map(({ knob }) => knob.id)
const RATIO = { value: 12.65, unit: 'one', source: 'test' } as const

const drained = (build: Build, question: Question): SearchResult => {
  let result: SearchResult | undefined
  for (const step of search(build, question)) result = step.result
  return result!
}

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

const isAlike = (one: Readonly<Record<string, number>>, other: Readonly<Record<string, number>>) =>
  Object.entries(one).every(([id, value]) => other[id] === value)

function withoutLimit(spec: Spec, name: string): Spec['limits'] {
  return Object.fromEntries(Object.entries(spec.limits).filter(([id]) => id !== name))
}

describe('the kernel of a search', () => {
  it.each([
    [
      'the five',
      tern,
      {
        gasket: 1.4,
        deckCut: 0.2,
        headCut: 0.1,
        chamber: 0.8,
        pistonVolume: 9.4,
        'advance.intake': 3,
        'advance.exhaust': -2,
        intakeLash: 0.3,
        'pocket.exhaust': 0.4,
      },
    ],
    [
      'the V8',
      petrel,
      { gasket: 0.9144, deckCut: 0.1, headCut: 0.2, chamber: 1.2, 'advance.intake': -5, exhaustLash: 0.6, 'pocket.intake': 0.3 },
    ],
    ['the single', wren, { gasket: 0.6, baseShim: 0.4, headCut: 0.1, compressionHeight: 30, 'advance.exhaust': 4 }],
  ])('of %s says what the full evaluation says', (_, build, settings: Readonly<Record<string, number>>) => {
    const known = Object.fromEntries(Object.entries(settings).filter(([id]) => knobsOf(build).some(({ knob }) => knob.id === id)))
    const [inner, outer] = [true, false].map((isInner) =>
      Object.fromEntries(Object.entries(known).filter(([id]) => isKernelKnob(id) === isInner)),
    )
    const kernel = kernelOf(changedBuild(build, changesOf(build, outer!)))(inner!)
    const { headlines } = variantOf(todayOf(build), known)
    const spanOf = (output: string) => headlines.find((one) => one.output === output)?.next
    for (const [name, output] of [
      ['ratio', 'compression.compressionRatio'],
      ['quench', 'compression.quench'],
      ['deck', 'compression.deckClearance'],
    ] as const) {
      expectNear(kernel[name]!.low, spanOf(output)!.low.value, 1e-9)
      expectNear(kernel[name]!.high, spanOf(output)!.high.value, 1e-9)
    }
    const spread = spanOf('compression.ratioSpread')
    if (spread) expectNear(kernel.ratioSpread!.low, spread.low.value, 1e-9)
    else expect(kernel.ratioSpread).toBeUndefined()
    const after = evaluate(changedBuild(build, changesOf(build, known)))
    for (const kind of ['intake', 'exhaust'] as const) {
      const gaps = after.flatMap(({ output, valve, figure }) =>
        output === 'clearance.closest' && valve!.startsWith(kind) && figure ? [figure.value.value] : [],
      )
      // Between degrees the curve over phasing is a straight line.
      expectNear(kernel[kind]!.low, Math.min(...gaps), 0.002)
      expectNear(kernel[kind]!.high, Math.max(...gaps), 0.002)
    }
  })
})

describe('a search', () => {
  const question: Question = {
    knobs: [
      { id: 'gasket', values: [1, 1.1, 1.25, 1.4] },
      { id: 'deckCut', values: [0, 0.02, 0.04] },
      { id: 'pistonVolume', values: [9.8, 10, 10.2, 10.4] },
      { id: 'pocket.intake', values: [0, 0.2] },
    ],
    goals: [
      { figure: 'ratio', aim: 'near', value: 9.05 },
      { figure: 'intake', aim: 'most' },
    ],
  }

  it('finds what brute force by the full evaluation finds best, and nothing it leaves is dominated by any', () => {
    const { front, tried, passed } = drained(tern, question)
    expect([tried, combinationsOf(question)]).toEqual([96, 96])
    const today = todayOf(tern)
    const scores = (settings: Readonly<Record<string, number>>) => {
      const { headlines } = variantOf(today, settings)
      const ratio = headlines.find(({ output }) => output === 'compression.compressionRatio')!.next!
      const closest = headlines.find(({ output }) => output === 'clearance.closest')!.next!
      const isKept = (['compression.compressionRatio', 'compression.quench', 'compression.deckClearance'] as const).every((output) => {
        const { low, high } = headlines.find((one) => one.output === output)!.next!
        const { lower = -Infinity, upper = Infinity } = tern.spec.limits[output] ?? {}
        return low.value >= lower - 1e-9 && high.value <= upper + 1e-9
      })
      return { off: Math.max(Math.abs(ratio.low.value - 9.05), Math.abs(ratio.high.value - 9.05)), room: closest.low.value, isKept }
    }
    const all = question.knobs[0]!.values.flatMap((gasket) =>
      question.knobs[1]!.values.flatMap((deckCut) =>
        question.knobs[2]!.values.flatMap((pistonVolume) =>
          question.knobs[3]!.values.map((pocket) => scores({ gasket, deckCut, pistonVolume, 'pocket.intake': pocket })),
        ),
      ),
    )
    // Every combination once: as many keep their limits as by the full evaluation.
    expect(passed).toBe(all.filter(({ isKept }) => isKept).length)
    const best = Math.min(...all.filter(({ isKept }) => isKept).map(({ off }) => off))
    expectNear(scores(front[0]!.settings).off, best, 1e-9)
    for (const { settings } of front) {
      const own = scores(settings)
      expect(all.some(({ isKept, off, room }) => isKept && off < own.off - 1e-6 && room > own.room + 1e-6)).toBe(false)
    }
    for (const { settings, headlines } of front) {
      expect(
        headlines.every(({ breaks }) => breaks.length === 0),
        JSON.stringify(settings),
      ).toBe(true)
    }
  })

  it('says which limit binds when none is left, and which misses least', () => {
    const narrow = withSpec(tern, {
      ...tern.spec,
      limits: { ...tern.spec.limits, 'compression.compressionRatio': { lower: 11, upper: 11.1, source: 'test', reason: '' } },
    })
    const { passed, binding, nearest } = drained(narrow, { ...question, goals: [{ figure: 'ratio', aim: 'near', value: 11 }] })
    expect(passed).toBe(0)
    expect(binding.map(({ figure }) => figure)).toContain('ratio')
    // Far from any ratio of this engine: the thinnest gasket, the least in the piston, and as deep a cut as its decks bear:
    // 0.04 takes them under their 0.03 for a seventh of a width of ratio.
    expect(nearest).toEqual({ gasket: 1, deckCut: 0.02, pistonVolume: 9.8, 'pocket.intake': 0 })
  })

  it('takes its bounds from who asks, in place of the limits of the engine', () => {
    const least = (lower: number) => drained(tern, { ...question, limits: { intake: { lower }, ratio: {} } })
    const closestOf = ({ front }: SearchResult) =>
      front.map(({ headlines }) => headlines.find(({ output }) => output === 'clearance.closest')!.next!.low.value)
    const [loose, tight] = [least(0), least(1.9)]
    expect(loose.passed).toBeGreaterThan(tight.passed)
    expect(tight.passed).toBeGreaterThan(0)
    expect(Math.min(...closestOf(tight))).toBeGreaterThanOrEqual(1.9 - 0.002)
    expect(least(9)).toMatchObject({ passed: 0, front: [] })
  })

  it('turns knobs the kernel does not know, alike: a rod, another cam, a layer, by taking the engine apart again', () => {
    const odd: Question = {
      knobs: [
        { id: 'rodLength', values: [143.9, 144, 144.1] },
        { id: 'gasketLayers', values: [0, 0.3] },
        { id: 'lobeDuration.intake', values: [220, 224] },
        { id: 'pocket.intake', values: [0, 0.2] },
      ],
      goals: [
        { figure: 'ratio', aim: 'near', value: 9 },
        { figure: 'intake', aim: 'most' },
      ],
    }
    const { tried, front } = drained(tern, odd)
    expect(tried).toBe(24)
    const today = todayOf(tern)
    const ofAll = odd.knobs[0]!.values.flatMap((rodLength) =>
      odd.knobs[1]!.values.flatMap((gasketLayers) =>
        odd.knobs[2]!.values.flatMap((duration) =>
          odd.knobs[3]!.values.map((pocket) => {
            const settings = { rodLength, gasketLayers, 'lobeDuration.intake': duration, 'pocket.intake': pocket }
            const { headlines } = variantOf(today, settings)
            const ratio = headlines.find(({ output }) => output === 'compression.compressionRatio')!.next!
            const isKept = headlines.every(({ breaks }) => breaks.length === 0)
            return { settings, off: Math.max(Math.abs(ratio.low.value - 9), Math.abs(ratio.high.value - 9)), isKept }
          }),
        ),
      ),
    )
    const best = ofAll.filter(({ isKept }) => isKept).toSorted((a, b) => a.off - b.off)[0]!
    expectNear(ofAll.find(({ settings }) => isAlike(settings, front[0]!.settings))!.off, best.off, 1e-9)
  })

  it('does not take a deck that is too low for one that is too high', () => {
    const shifted = withSpec(tern, {
      ...tern.spec,
      limits: { 'compression.deckClearance': { lower: 0.2, upper: 0.3, source: 'test', reason: '' } },
    })
    const goals: Question['goals'] = [{ figure: 'ratio', aim: 'near', value: 9 }]
    const passes = (raised: number) => drained(shifted, { knobs: [{ id: 'baseShim', values: [raised] }], goals }).passed
    const cut = (mm: number) => drained(shifted, { knobs: [{ id: 'deckCut', values: [mm] }], goals })
    expect(passes(0)).toBe(1)
    // Further outside on the side it is outside on today, and on the other side as little as that: both are refused.
    expect(cut(0.05)).toMatchObject({ passed: 0, binding: [{ figure: 'deck' }] })
    const high = withSpec(tern, {
      ...tern.spec,
      limits: { 'compression.deckClearance': { lower: -0.1, upper: -0.05, source: 'test', reason: '' } },
    })
    const far = drained(high, { knobs: [{ id: 'deckCut', values: [0.2] }], goals })
    expect(far).toMatchObject({ passed: 0, binding: [{ figure: 'deck' }] })
  })

  it('turns nothing that does nothing for what is wanted', () => {
    const { front } = drained(tern, {
      knobs: [
        { id: 'gasket', values: [1.25, 1.1] },
        { id: 'advance.exhaust', values: [1, 0, -1] },
      ],
      goals: [{ figure: 'ratio', aim: 'near', value: 9 }],
    })
    expect(front.map(({ settings }) => settings['advance.exhaust'])).toEqual([0])
  })

  it('goes on in slices, so that a worker can be stopped between them', () => {
    const many: Question = {
      knobs: [
        { id: 'deckCut', values: Array.from({ length: 120 }, (_, index) => index / 1000) },
        { id: 'headCut', values: Array.from({ length: 100 }, (_, index) => index / 1000) },
      ],
      goals: [{ figure: 'ratio', aim: 'near', value: 9 }],
    }
    const steps = [...search(wren, many)]
    expect(steps.map(({ done }) => done)).toEqual([5000, 10_000, 12_000])
    expect(steps.at(-1)!.result!.tried).toBe(12_000)
  })
})

describe('sensitivity', () => {
  it('ranks knobs by what a step of each does to the figure that is nearest to its limit', () => {
    const watched = watchedOf(evaluate(tern), 'clearance.closest')!
    const steps = sensitivity(tern, {}, watched.id)
    let step = steps.next()
    while (!step.done) step = steps.next()
    const effects = new Map(step.value.map(({ knob, by }) => [knob, by]))
    const kind = watched.valve!.startsWith('intake') ? 'intake' : 'exhaust'
    expectNear(effects.get(`${kind}Lash`)!, 0.05, 1e-6)
    expectNear(effects.get(`pocket.${kind}`)!, 0.1, 1e-6)
    expect(effects.get('gasket')!).toBeGreaterThan(0.1)
    expect(effects.has('topGap')).toBe(false)
    const sizes = step.value.map(({ by }) => Math.abs(by))
    expect(sizes).toEqual(sizes.toSorted((a, b) => b - a))
  })
})

describe('what is to be read again', () => {
  const again = (build: Build, settings: Readonly<Record<string, number>>) => toReadAgain(build, changesOf(build, settings))

  it('is what was read of a part before it is worked on, reading by reading', () => {
    const stations = again(tern, { deckCut: 0.1 })
    // Decks of five cylinders at four places, and every valve over its piston.
    expect(stations.filter((id) => id.startsWith('compression.deck/'))).toHaveLength(20)
    expect(stations).toContain('clearance.drop/v-intake3a')
    expect(stations.every((id) => /^(compression\.deck|clearance\.(drop|travel)|cam\.)/.test(id))).toBe(true)
    const honed = again(tern, { bore: 0.05 })
    const counts = (name: string) => honed.filter((id) => id.startsWith(name)).length
    // A ring that was gapped in its bore has another gap in a larger one.
    expect([counts('bores.bore/'), counts('rings.'), honed.length]).toEqual([30, 40, 70])
    expect(again(tern, { redline: 8600, boost: 200 })).toEqual([])
  })

  it('is every clearance that was measured with other shells', () => {
    const stations = again(petrel, { 'shells.rod': 0.0127 })
    expect(stations).toHaveLength(8)
    expect(stations.every((id) => id.startsWith('bearings.rodClearance/'))).toBe(true)
  })

  it('says nothing twice: what is planned already is to be read again whatever comes on top', () => {
    const planned = withSpec(tern, withPlannedAfter(withChanges(tern.spec, changesOf(tern, { bore: 0.05 })), tern))
    expect(again(planned, { bore: 0.02 })).toEqual([])
    expect(again(planned, { deckCut: 0.05 }).some((id) => id.startsWith('compression.deck/'))).toBe(true)
  })
})
