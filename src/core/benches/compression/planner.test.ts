import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, Id, Limit, Spec } from '@/core/document'
import type { PistonOption } from './stock'
import { readingOf, ternDocument, withReading, withSpecOf } from '../../../../tests/support/builds'
import { expectNear } from '../../../../tests/support/expectNear'
import { compression, cylinderStates, planAdvice, planCompression, withKnobs } from '.'
import { equalisingCm3 } from './change'
import type { Setup } from './planner'

const tern = openBuild(ternDocument)
const MAKER = { source: 'test', reason: '' }
const limited = (limits: Record<string, Partial<Limit> | undefined>, build = tern) =>
  withSpecOf(build, (spec): Spec => ({
    ...spec,
    limits: Object.fromEntries(
      Object.entries({ ...spec.limits, ...limits })
        .filter((entry): entry is [string, Limit] => entry[1] !== undefined)
        .map(([key, limit]) => [key, { ...MAKER, ...limit }]),
    ),
  }))
const withPistons = (pistons: PistonOption[], build = tern) =>
  withSpecOf(build, (spec): Spec => ({ ...spec, stock: { ...spec.stock, pistons } }))
const plan = (build: Build) => planCompression(build, cylinderStates(build))
/** Free of what stops the demo engine: its large chamber and its low piston. */
const free = limited({
  'compression.chamberVolume': undefined,
  'compression.chamberSpread': undefined,
  'compression.deckClearance': undefined,
  'compression.deckCut': { upper: 0.2 },
  'compression.headCut': { upper: 0.1 },
})
const TALL: PistonOption = { id: 'tall', name: 'Tall', volumeCm3: 10.2, compressionHeightMm: 29.75, source: 'test' }
const DISHED: PistonOption = { id: 'dished', name: 'Dished', volumeCm3: 14, compressionHeightMm: 29.55, source: 'test' }

/** What a setup comes to by the bench's own derivation, and by how much it misses each limit the planner looks at; central values. */
function missesByBench(build: Build, setup: Setup): Map<Id, number> {
  const opened = setup.equalise ? equalisingCm3(cylinderStates(build)) : undefined
  const figures = (of: Build) =>
    new Map(compression.derive(of).map(({ id, output, figure }) => [id, { output, value: figure!.value.value }]))
  const [before, after] = [figures(build), figures(withKnobs(build, { ...setup, openedCm3: opened }))]
  const outside = (key: Id, value: number) =>
    Math.max(0, value - (build.spec.limits[key]?.upper ?? Infinity), (build.spec.limits[key]?.lower ?? -Infinity) - value)
  const misses = new Map<Id, number>()
  const miss = (key: Id, by: number) => {
    if (by > 1e-9) misses.set(key, Math.max(by, misses.get(key) ?? 0))
  }
  for (const [id, { output, value }] of after) {
    if (['compression.compressionRatio', 'compression.quench', 'compression.ratioSpread'].includes(output))
      miss(output, outside(output, value))
    // What was out already is no reason to offer nothing: what a knob makes worse is.
    if (['compression.deckClearance', 'compression.chamberVolume', 'compression.chamberSpread'].includes(output))
      miss(output, outside(output, value) - outside(output, before.get(id)!.value))
  }
  miss('compression.deckCut', outside('compression.deckCut', setup.deckCutMm))
  miss('compression.headCut', outside('compression.headCut', setup.headCutMm))
  return misses
}

function everySetup(build: Build, cuts: { deck: readonly number[]; head: readonly number[] }): Setup[] {
  const { gaskets, pistons } = build.spec.stock
  return gaskets.flatMap((gasket) =>
    [undefined, ...pistons].flatMap((piston) =>
      cuts.deck.flatMap((deckCutMm) =>
        cuts.head.flatMap((headCutMm) => [false, true].map((equalise) => ({ gasket, piston, deckCutMm, headCutMm, equalise }))),
      ),
    ),
  )
}

describe('beside brute force over every setup a shop can set', () => {
  const steps = (most: number) => Array.from({ length: Math.round(most / 0.05) + 1 }, (_, index) => Number((index * 0.05).toFixed(2)))
  it.each([
    ['Tern free to move, with other pistons', withPistons([TALL, DISHED], free)],
    [
      'a higher ratio',
      limited(
        {
          'compression.compressionRatio': { lower: 9.05, upper: 9.3 },
          'compression.ratioSpread': { upper: 0.2 },
          'compression.quench': { lower: 0.8, upper: 1.3 },
        },
        free,
      ),
    ],
    [
      'decks that may not move far',
      limited(
        {
          'compression.compressionRatio': { lower: 8.85, upper: 9.2 },
          'compression.ratioSpread': { upper: 0.2 },
          'compression.deckClearance': { lower: -0.06, upper: 0.12 },
        },
        free,
      ),
    ],
    [
      'chambers alike',
      limited(
        {
          'compression.compressionRatio': { lower: 8.7, upper: 9.2 },
          'compression.ratioSpread': { upper: 0.06 },
          'compression.quench': { lower: 0.8, upper: 1.6 },
        },
        free,
      ),
    ],
  ])(
    '%s',
    (_, build) => {
      const setups = everySetup(build, { deck: steps(0.2), head: steps(0.1) })
      const passing = setups.filter((setup) => missesByBench(build, setup).size === 0)
      const { plans } = plan(build)
      const metal = ({ deckCutMm, headCutMm }: Setup) => Number((deckCutMm + headCutMm).toFixed(6))
      const partsOf = ({ gasket, piston, equalise }: Setup) => [gasket.id, piston?.id ?? '', equalise].join('/')
      const least = new Map<string, number>()
      for (const setup of passing) least.set(partsOf(setup), Math.min(metal(setup), least.get(partsOf(setup)) ?? Infinity))
      // The dozen with least metal, each set of parts once, at the least metal that brute force finds for it.
      expect(passing.length).toBeGreaterThan(3)
      expect(plans.length).toBe(Math.min(12, least.size))
      for (const { setup } of plans) expect(metal(setup), partsOf(setup)).toBe(least.get(partsOf(setup)))
      expect(plans.map(({ setup }) => metal(setup))).toEqual([...least.values()].sort((a, b) => a - b).slice(0, plans.length))
    },
    60_000,
  )
})

describe('cuts', () => {
  it('tries the limit itself, which need not lie on the grid', () => {
    // Only the full 0.43 mm brings the quench of the deep piston under its limit: 0.40 is the last step of the grid before it.
    const [thick] = tern.spec.stock.gaskets.filter(({ thicknessMm }) => thicknessMm === 1.4)
    const only = withSpecOf(
      limited(
        {
          'compression.compressionRatio': undefined,
          'compression.ratioSpread': undefined,
          'compression.quench': undefined,
          'compression.deckCut': { upper: 0.43 },
        },
        free,
      ),
      (spec): Spec => ({ ...spec, stock: { ...spec.stock, gaskets: [thick!] }, choice: { gasket: thick!.id } }),
    )
    const deepest = Math.max(
      ...compression
        .derive(only)
        .filter(({ output }) => output === 'compression.deckClearance')
        .map(({ figure }) => figure!.value.value),
    )
    const exact = limited({ 'compression.quench': { upper: 1.4 + deepest - 0.43 + 1e-6 } }, only)
    expect(plan(exact).plans.map(({ setup: { deckCutMm, equalise } }) => [deckCutMm, equalise])).toEqual([
      [0.43, false],
      [0.43, true],
    ])
    expect(plan(limited({ 'compression.deckCut': { upper: 0.4 } }, exact)).plans).toEqual([])
  })

  it('cuts no head whose open area is not on paper, since nobody can say what it does', () => {
    const unknown = withSpecOf(
      limited({ 'compression.compressionRatio': { lower: 9.25, upper: 9.6 }, 'compression.quench': { lower: 1.1, upper: 1.4 } }, free),
      (spec): Spec => ({ ...spec, paper: { ...spec.paper, chamberOpenArea: undefined } }),
    )
    for (const { setup } of plan(unknown).plans) expect(setup.headCutMm).toBe(0)
    expect(plan(unknown).tried).toBe(plan(limited({ 'compression.headCut': { upper: 0 } }, unknown)).tried)
  })
})

describe('other pistons', () => {
  it('names those it must leave out while the height of the measured ones is not known, and plans without them', () => {
    const unknown = withSpecOf(withPistons([TALL, DISHED], free), (spec): Spec => ({
      ...spec,
      paper: { ...spec.paper, compressionHeight: undefined },
    }))
    const result = plan(unknown)
    expect(result.heightUnknown).toEqual(['Tall', 'Dished'])
    for (const { setup } of result.plans) expect(setup.piston).toBeUndefined()
    expect(plan(withPistons([TALL, DISHED], free)).heightUnknown).toEqual([])
    expect(() => withKnobs(unknown, { piston: TALL })).toThrow('compression height')
  })

  it('does not offer the chosen one as another, and compares the others with its height', () => {
    const chosen = withSpecOf(withPistons([TALL, DISHED], free), (spec): Spec => ({ ...spec, choice: { ...spec.choice, piston: 'tall' } }))
    expect(new Set(plan(chosen).plans.map(({ setup }) => setup.piston?.id))).not.toContain('tall')
    const deck = (build: Build) => compression.derive(build).find(({ id }) => id === 'compression.deckClearance.1')!.figure!.value.value
    // From 29.75 down to 29.55: every piston stands 0.2 mm lower.
    expectNear(deck(withKnobs(chosen, { piston: DISHED })) - deck(chosen), 0.2, 1e-9)
  })
})

describe('nothing to plan', () => {
  it('while a cylinder is not measured there is nothing to try', () => {
    const bare = openBuild({
      ...ternDocument,
      entries: ternDocument.entries.filter((entry) => !('place' in entry) || entry.place.cylinder !== 4),
    })
    expect(plan(bare)).toEqual({ tried: 0, plans: [], binding: [], heightUnknown: [] })
  })

  const strict = limited(
    { 'compression.quench': { lower: 1.3, upper: 1.35 }, 'compression.deckCut': { upper: 0.1 }, 'compression.headCut': { upper: 0.05 } },
    free,
  )
  const everyCut = { deck: [0, 0.05, 0.1, 0.15, 0.2, 0.25, 0.3], head: [0, 0.05, 0.1, 0.15] }

  it('names every limit that alone stands in the way, by the least it would have to give', () => {
    const all = everySetup(strict, everyCut).map((setup) => missesByBench(strict, setup))
    const { plans, binding } = plan(strict)
    expect(plans).toEqual([])
    const alone = new Set(all.flatMap((misses) => (misses.size === 1 ? [...misses.keys()] : [])))
    expect(new Set(binding.map(({ limit }) => limit))).toEqual(alone)
    for (const { limit, by, setup } of binding) {
      expect([...missesByBench(strict, setup).keys()], limit).toEqual([limit])
      expectNear(by, Math.min(...all.flatMap((misses) => (misses.size === 1 && misses.has(limit) ? [misses.get(limit)!] : []))), 1e-9)
    }
  })

  it.each([
    ['bands', {}],
    ['a quench with no upper end', { 'compression.quench': { lower: 2.5 } }],
    ['a quench with no lower end, and spreads', { 'compression.quench': { upper: 0.5 }, 'compression.ratioSpread': { upper: 0.01 } }],
  ])(
    'names the one nearest to passing, each miss by the width of its limit: %s',
    (_, limits) => {
      const build = limited({ ...limits, 'compression.compressionRatio': { lower: 9.8, upper: 9.9 } }, strict)
      const width = (key: Id) => {
        const { lower, upper } = build.spec.limits[key]!
        return lower !== undefined && upper !== undefined ? upper - lower : Math.abs(upper ?? lower!)
      }
      const badness = (misses: ReadonlyMap<Id, number>) => Math.max(...[...misses].map(([key, by]) => by / width(key)))
      const { nearest, plans } = plan(build)
      expect(plans).toEqual([])
      const all = everySetup(build, everyCut).map((setup) => badness(missesByBench(build, setup)))
      expectNear(badness(new Map(nearest!.misses.map(({ limit, by }) => [limit, by] as const))), Math.min(...all), 1e-9)
      expectNear(badness(missesByBench(build, nearest!.setup)), Math.min(...all), 1e-9)
    },
    60_000,
  )
})

describe('what is tried, and in which order it is shown', () => {
  const unlimited = withSpecOf(tern, (spec): Spec => ({ ...spec, limits: {} }))
  const alike = [1, 2, 3, 4, 5].reduce(
    (build, cylinder) =>
      [1, 2].reduce(
        (one, repeat) =>
          withReading(
            withReading(one, 'compression.chamberStart', { cylinder, repeat }, 98, 'burette.1', { unit: 'cm3' }),
            'compression.chamberEnd',
            { cylinder, repeat },
            52,
            'burette.1',
            { unit: 'cm3' },
          ),
        build,
      ),
    free,
  )

  it.each([
    // Four gaskets; cuts from 0 to three times their limit in steps of 0.05; chambers opened alike or not where they differ.
    ['cuts on the grid', limited({ 'compression.deckCut': { upper: 0.2 }, 'compression.headCut': { upper: 0.1 } }, free), 4 * 13 * 7 * 2],
    [
      'a deck cut off the grid, tried besides',
      limited({ 'compression.deckCut': { upper: 0.43 }, 'compression.headCut': { upper: 0.1 } }, free),
      4 * 27 * 7 * 2,
    ],
    ['no cuts allowed', limited({ 'compression.deckCut': undefined, 'compression.headCut': undefined }, free), 4 * 2],
    ['chambers the burette cannot tell apart', alike, 4 * 13 * 7],
    ['a piston of another height', withPistons([TALL], free), 4 * 13 * 7 * 2 * 2],
  ])('%s', (_, build, tried) => expect(plan(build).tried).toBe(tried))

  it('shows a dozen, what changes least first: gasket, chambers, pistons', () => {
    const { plans, tried } = plan(withPistons([TALL, DISHED], unlimited))
    expect(tried).toBe(4 * 2 * 3)
    const words = plans.map(({ setup }) =>
      [setup.gasket.id === tern.spec.choice.gasket ? '' : 'gasket', setup.equalise ? 'chambers' : '', setup.piston ? 'piston' : '']
        .filter(Boolean)
        .join('+'),
    )
    expect(words).toEqual([
      '',
      'gasket',
      'gasket',
      'gasket',
      'chambers',
      'gasket+chambers',
      'gasket+chambers',
      'gasket+chambers',
      'piston',
      'piston',
      'gasket+piston',
      'gasket+piston',
    ])
    expect(plans.every(({ metalMm }) => metalMm === 0)).toBe(true)
  })

  it('of two with the same metal off shows the one that takes it off the head', () => {
    // 0.1 mm off either brings the ratio in; the deck stands as it is.
    const build = withSpecOf(
      limited(
        {
          'compression.compressionRatio': { lower: 9.04, upper: 9.5 },
          'compression.ratioSpread': { upper: 1 },
          'compression.quench': undefined,
        },
        free,
      ),
      (spec): Spec => ({ ...spec, stock: { ...spec.stock, gaskets: spec.stock.gaskets.filter(({ id }) => id === spec.choice.gasket) } }),
    )
    const cuts = plan(build).plans.map(({ setup: { deckCutMm, headCutMm, equalise } }) => ({ deckCutMm, headCutMm, equalise }))
    const least = Math.min(...cuts.map(({ deckCutMm, headCutMm }) => deckCutMm + headCutMm))
    const passing = everySetup(build, { deck: [0, 0.05, 0.1, 0.15, 0.2], head: [0, 0.05, 0.1] }).filter(
      (setup) => missesByBench(build, setup).size === 0,
    )
    for (const cut of cuts) {
      const same = passing.filter(
        (setup) => setup.equalise === cut.equalise && Math.abs(setup.deckCutMm + setup.headCutMm - cut.deckCutMm - cut.headCutMm) < 1e-9,
      )
      expect(cut.deckCutMm).toBe(Math.min(...same.map(({ deckCutMm }) => deckCutMm)))
    }
    expect(passing.filter(({ deckCutMm, headCutMm }) => deckCutMm + headCutMm < least - 1e-9)).toEqual([])
  })

  it('has no quench to meet where the chamber has no pad', () => {
    const tightQuench = limited({ 'compression.quench': { lower: 3, upper: 3.1 } }, free)
    expect(plan(tightQuench).plans).toEqual([])
    const without = withSpecOf(tightQuench, (spec): Spec => ({ ...spec, methods: { ...spec.methods, squish: 'none' } }))
    expect(plan(without).plans.length).toBe(plan(limited({ 'compression.quench': undefined }, free)).plans.length)
  })

  it('takes the fitted gasket as it was measured', () => {
    const fitted = tern.spec.stock.gaskets.find(({ id }) => id === tern.spec.choice.gasket)!
    const measured = withReading(
      withReading(
        withSpecOf(limited({ 'compression.compressionRatio': undefined, 'compression.ratioSpread': undefined }, free), (spec): Spec => ({
          ...spec,
          methods: { ...spec.methods, gasket: 'measured' },
        })),
        'compression.gasketThickness',
        { bank: 'left' },
        fitted.thicknessMm + 0.28,
        'mic-metric.1',
      ),
      'compression.gasketBore',
      { bank: 'left' },
      fitted.boreMm,
      'caliper.1',
    )
    // 0.28 thicker as measured: only a deck cut brings its quench under 1.3; by its maker's figure none would be needed.
    const thin = withSpecOf(measured, (spec): Spec => ({ ...spec, stock: { ...spec.stock, gaskets: [fitted] } }))
    const [first] = plan(thin).plans
    expect(missesByBench(thin, { ...first!.setup, deckCutMm: 0 }).has('compression.quench')).toBe(true)
    expect(first!.setup.deckCutMm).toBe(0.2)
  })
})

describe('a plan in words', () => {
  it('says what it costs: metal, new pistons to be checked for pockets, valves nearer by cut and thinner gasket', () => {
    const fitted = tern.spec.stock.gaskets.find(({ id }) => id === tern.spec.choice.gasket)!
    const [thin, thick] = [1, 1.4].map((mm) => tern.spec.stock.gaskets.find(({ thicknessMm }) => thicknessMm === mm)!)
    const costsOf = (setup: Partial<Setup>) =>
      planAdvice(tern, {
        setup: { gasket: fitted, deckCutMm: 0, headCutMm: 0, equalise: false, ...setup },
        metalMm: (setup.deckCutMm ?? 0) + (setup.headCutMm ?? 0),
        outcome: { ratios: [], verdict: 'within', out: 0 },
      }).costs
    expect(costsOf({})).toEqual([])
    expect(costsOf({ deckCutMm: 0.1, headCutMm: 0.05 })).toEqual([
      { code: 'metal', mm: expect.closeTo(0.15, 12) },
      { code: 'valvesCloser', mm: expect.closeTo(0.15, 12) },
    ])
    expect(costsOf({ gasket: thin! })).toEqual([{ code: 'valvesCloser', mm: expect.closeTo(0.1, 12) }])
    expect(costsOf({ gasket: thick! })).toEqual([])
    // A cut of 0.1 under a gasket 0.3 thicker leaves the valves further away than they were.
    expect(costsOf({ gasket: thick!, deckCutMm: 0.1 })).toEqual([{ code: 'metal', mm: 0.1 }])
    expect(costsOf({ piston: TALL })).toEqual([{ code: 'newPistons' }, { code: 'checkPockets' }])
  })

  it('opens nothing that the burette cannot tell from the largest', () => {
    const near = withReading(
      tern,
      'compression.chamberEnd',
      { cylinder: 4, repeat: 1 },
      readingOf(tern, 'compression.chamberEnd/c4/r1').value + 0.9,
      'burette.1',
      { unit: 'cm3' },
    )
    const volumes = new Map(cylinderStates(near).map(({ cylinder, inputs }) => [cylinder, inputs!.chamber.value.value]))
    const largest = Math.max(...volumes.values())
    for (const [cylinder, cm3] of equalisingCm3(cylinderStates(near))) expectNear(cm3, largest - volumes.get(cylinder)!, 1e-12)
    expect(equalisingCm3(cylinderStates(near), 0).size).toBe(0)
  })
})
