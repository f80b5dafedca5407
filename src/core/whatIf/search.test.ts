import { describe, expect, it } from 'vitest'
import { withSpec, type Build } from '@/core/document'
import { soundBuild } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { evaluate } from '../evaluation/evaluate'
import { isKernelKnob, kernelOf } from './kernel'
import { changesOf, knobsOf } from './knobs'
import { combinationsOf, search, type Question, type SearchResult } from './search'
import { changedBuild, todayOf, variantOf } from './variant'

/** Knobs over all benches: what they move, that a variant is what its plan comes to, and that a search misses nothing. */
const tern = soundBuild(0)
const petrel = soundBuild(1)
const wren = soundBuild(2)

const drained = (build: Build, question: Question): SearchResult => {
  let result: SearchResult | undefined
  for (const step of search(build, question)) result = step.result
  return result!
}

const isAlike = (one: Readonly<Record<string, number>>, other: Readonly<Record<string, number>>) =>
  Object.entries(one).every(([id, value]) => other[id] === value)

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
    for (const name of ['compression.compressionRatio', 'compression.quench', 'compression.deckClearance'] as const) {
      expectNear(kernel[name]!.low, spanOf(name)!.low.value, 1e-9)
      expectNear(kernel[name]!.high, spanOf(name)!.high.value, 1e-9)
    }
    const spread = spanOf('compression.ratioSpread')
    if (spread) expectNear(kernel['compression.ratioSpread']!.low, spread.low.value, 1e-9)
    else expect(kernel['compression.ratioSpread']).toBeUndefined()
    const after = evaluate(changedBuild(build, changesOf(build, known)))
    for (const kind of ['intake', 'exhaust'] as const) {
      const gaps = after.flatMap(({ output, valve, figure }) =>
        output === 'clearance.closest' && valve!.startsWith(kind) && figure ? [figure.value.value] : [],
      )
      // Between degrees the curve over phasing is a straight line.
      expectNear(kernel[`clearance.${kind}`]!.low, Math.min(...gaps), 0.002)
      expectNear(kernel[`clearance.${kind}`]!.high, Math.max(...gaps), 0.002)
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
      { figure: 'compression.compressionRatio', aim: 'near', value: 9.05 },
      { figure: 'clearance.intake', aim: 'most' },
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

  it('confirms before it prunes: what breaks a limit that is not searched over hides none that is sound, against the whole grid', () => {
    const asked: Question = {
      ...question,
      goals: [
        { figure: 'compression.compressionRatio', aim: 'near', value: 9.5 },
        { figure: 'clearance.intake', aim: 'most' },
      ],
    }
    const roomy = withSpec(tern, {
      ...tern.spec,
      limits: { ...tern.spec.limits, 'compression.compressionRatio': { lower: 7, upper: 12, source: 'test', reason: '' } },
    })
    const today = todayOf(roomy)
    const grid = question.knobs[0]!.values.flatMap((gasket) =>
      question.knobs[1]!.values.flatMap((deckCut) =>
        question.knobs[2]!.values.flatMap((pistonVolume) =>
          question.knobs[3]!.values.map((pocket) => ({ gasket, deckCut, pistonVolume, 'pocket.intake': pocket })),
        ),
      ),
    )
    const spanOf = (output: string, { headlines }: { headlines: ReturnType<typeof variantOf>['headlines'] }) =>
      headlines.find((one) => one.output === output)!.next!
    const { front: free } = drained(roomy, asked)
    // A bound on what nobody searches, that the best of all breaks and today's engine keeps.
    const [now, best] = [variantOf(today, {}), free[0]!].map((one) => spanOf('compression.effectiveRatio', one))
    expect(best!.high.value).toBeGreaterThan(now!.high.value + 0.1)
    const limit = { upper: now!.high.value + 0.01 }
    const bounded = withSpec(roomy, {
      ...roomy.spec,
      limits: { ...roomy.spec.limits, 'compression.effectiveRatio': { ...limit, source: 'test', reason: '' } },
    })
    const { front, broken } = drained(bounded, asked)
    const then = todayOf(bounded)
    const all = grid.map((settings) => {
      const { headlines, near } = variantOf(then, settings)
      const ratio = headlines.find(({ output }) => output === 'compression.compressionRatio')!.next!
      const room = headlines.find(({ output }) => output === 'clearance.closest')!.next!.low.value
      // Inside its limits by value where it is searched over, and breaking nothing else.
      const isKept = (['compression.quench', 'compression.deckClearance'] as const).every((output) => {
        const { low, high } = headlines.find((one) => one.output === output)!.next!
        const { lower = -Infinity, upper = Infinity } = bounded.spec.limits[output] ?? {}
        return low.value >= lower - 1e-9 && high.value <= upper + 1e-9
      })
      const isSound = isKept && near.length === 0 && headlines.every(({ breaks }) => breaks.length === 0)
      return { settings, isSound, off: Math.max(Math.abs(ratio.low.value - 9.5), Math.abs(ratio.high.value - 9.5)), room }
    })
    expect(broken).toBeGreaterThanOrEqual(1)
    const sound = all.filter(({ isSound }) => isSound)
    expect(sound.length).toBeGreaterThan(1)
    expect(front.length).toBeGreaterThan(0)
    const own = front.map(({ settings }) => all.find((one) => isAlike(one.settings, settings))!)
    expect(own.every(({ isSound }) => isSound)).toBe(true)
    expectNear(own[0]!.off, Math.min(...sound.map(({ off }) => off)), 1e-9)
    for (const one of own) expect(sound.some(({ off, room }) => off < one.off - 1e-6 && room > one.room + 1e-6)).toBe(false)
    // Every sound one is on the front, or something sound on it is as good in both.
    for (const one of sound) expect(own.some(({ off, room }) => off <= one.off + 1e-6 && room >= one.room - 0.003)).toBe(true)
  })

  it('keeps a bound that is asked for to the letter: a spread that is over it today is no excuse', () => {
    const spread = todayOf(tern).findings.find(({ output }) => output === 'compression.ratioSpread')!.figure!.value.value
    const limits = { 'compression.ratioSpread': { upper: spread - 0.001 } }
    const one: Question = { knobs: [{ id: 'gasket', values: [1.1] }], goals: question.goals }
    expect(drained(tern, { ...one, limits })).toMatchObject({ passed: 0, front: [], binding: [{ figure: 'compression.ratioSpread' }] })
    expect(drained(tern, { ...one, limits: { 'compression.ratioSpread': { upper: spread + 0.001 } } }).passed).toBe(1)
  })

  it('says which limit binds when none is left, and which misses least', () => {
    const narrow = withSpec(tern, {
      ...tern.spec,
      limits: { ...tern.spec.limits, 'compression.compressionRatio': { lower: 11, upper: 11.1, source: 'test', reason: '' } },
    })
    const { passed, binding, nearest } = drained(narrow, {
      ...question,
      goals: [{ figure: 'compression.compressionRatio', aim: 'near', value: 11 }],
    })
    expect(passed).toBe(0)
    expect(binding.map(({ figure }) => figure)).toContain('compression.compressionRatio')
    // Far from any ratio of this engine: the thinnest gasket, the least in the piston, and as deep a cut as its decks bear:
    // 0.04 takes them under their 0.03 for a seventh of a width of ratio.
    expect(nearest).toEqual({ gasket: 1, deckCut: 0.02, pistonVolume: 9.8, 'pocket.intake': 0 })
  })

  it('takes its bounds from who asks, in place of the limits of the engine', () => {
    const least = (lower: number) =>
      drained(tern, { ...question, limits: { 'clearance.intake': { lower }, 'compression.compressionRatio': {} } })
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
        { figure: 'compression.compressionRatio', aim: 'near', value: 9 },
        { figure: 'clearance.intake', aim: 'most' },
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
    const goals: Question['goals'] = [{ figure: 'compression.compressionRatio', aim: 'near', value: 9 }]
    const passes = (raised: number) => drained(shifted, { knobs: [{ id: 'baseShim', values: [raised] }], goals }).passed
    const cut = (mm: number) => drained(shifted, { knobs: [{ id: 'deckCut', values: [mm] }], goals })
    expect(passes(0)).toBe(1)
    // Further outside on the side it is outside on today, and on the other side as little as that: both are refused.
    expect(cut(0.05)).toMatchObject({ passed: 0, binding: [{ figure: 'compression.deckClearance' }] })
    const high = withSpec(tern, {
      ...tern.spec,
      limits: { 'compression.deckClearance': { lower: -0.1, upper: -0.05, source: 'test', reason: '' } },
    })
    const far = drained(high, { knobs: [{ id: 'deckCut', values: [0.2] }], goals })
    expect(far).toMatchObject({ passed: 0, binding: [{ figure: 'compression.deckClearance' }] })
  })

  it('turns nothing that does nothing for what is wanted', () => {
    const { front } = drained(tern, {
      knobs: [
        { id: 'gasket', values: [1.25, 1.1] },
        { id: 'advance.exhaust', values: [1, 0, -1] },
      ],
      goals: [{ figure: 'compression.compressionRatio', aim: 'near', value: 9 }],
    })
    expect(front.map(({ settings }) => settings['advance.exhaust'])).toEqual([0])
  })

  it('goes on in slices, so that a worker can be stopped between them', () => {
    const many: Question = {
      knobs: [
        { id: 'deckCut', values: Array.from({ length: 120 }, (_, index) => index / 1000) },
        { id: 'headCut', values: Array.from({ length: 100 }, (_, index) => index / 1000) },
      ],
      goals: [{ figure: 'compression.compressionRatio', aim: 'near', value: 9 }],
    }
    const steps = [...search(wren, many)]
    expect(steps.map(({ done }) => done)).toEqual([5000, 10_000, 12_000])
    expect(steps.at(-1)!.result!.tried).toBe(12_000)
  })
})
