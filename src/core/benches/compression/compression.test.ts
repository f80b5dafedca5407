import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../../tests/support/expectNear'
import { openBuild } from '@/core/benches'
import { withSpec, type Build, type Spec } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { find as findAt, soundBuild, TODAY, verdictOf, without } from '../../../../tests/support/builds'
import { monteCarlo, standardUncertainty } from '../../metrology'
import { benchState } from '../../bench/benchState'
import { uncertaintyBudget } from '../../bench/uncertaintyBudget'
import { bareRatio, numbersOf } from './chain'
import { compression, cylinderStates, gasketRack, planAdvice, planCompression, ratioCost, ratioModel, withKnobs } from '.'
import type { CylinderState } from './cylinder'

const tern = openBuild(demoDocument(DEMO_BUILDS[0]!, TODAY))
const find = (build: Build, id: string) => findAt(compression, build, id)
const verdict = (build: Build, id: string) => verdictOf(compression, build, id)
const edited = (spec: Partial<Spec>) => withSpec(tern, { ...tern.spec, ...spec })

describe('an intake cam that stands later than its card', () => {
  it('closes by so much later: the effective ratio is what a card of that closing would make', () => {
    const at = (paper: Partial<Spec['paper']>) =>
      find(edited({ paper: { ...tern.spec.paper, ...paper } }), 'compression.effectiveRatio.2').figure!.value.value
    const number = (value: number) => ({ value, unit: 'deg', source: 'test' }) as const
    const asCard = at({})
    expectNear(at({ intakeRetard: number(3) }), at({ intakeClosing: number(225) }), 1e-9)
    expect(at({ intakeRetard: number(3) })).toBeLessThan(asCard)
    expect(at({ intakeRetard: number(-3) })).toBeGreaterThan(asCard)
  })
})

describe('Tern finds by itself', () => {
  it('the piston 0.06 mm down the hole, and only that one', () => {
    expect(verdict(tern, 'compression.deckClearance.3')).toBe('over')
    expectNear(find(tern, 'compression.deckClearance.3').figure!.value.value, 0.11, 0.01)
    for (const cylinder of [1, 2, 4, 5]) expect(verdict(tern, `compression.deckClearance.${cylinder}`)).toBe('within')
    expect(find(tern, 'compression.deckClearance.3').remarks.map((remark) => remark.code)).toContain('oddOneOut')
    expect(verdict(tern, 'compression.deckSpread')).toBe('over')
  })

  it('the chamber 0.9 cc large, and the low ratio it makes', () => {
    expect(verdict(tern, 'compression.chamberVolume.4')).toBe('over')
    expectNear(find(tern, 'compression.chamberVolume.4').figure!.value.value, 46.9, 0.2)
    expect(verdict(tern, 'compression.compressionRatio.4')).not.toBe('within')
    expect(find(tern, 'compression.ratioSpread').remarks).toContainEqual({
      code: 'extremes',
      of: 'cylinder',
      largest: expect.any(Number),
      smallest: 4,
    })
  })

  it('nothing when the engine has no faults', () => {
    const sound = soundBuild(0)
    const out = compression.derive(sound).filter(({ conformity }) => conformity?.verdict === 'over' || conformity?.verdict === 'under')
    expect(out).toEqual([])
  })
})

describe('never a guess', () => {
  it('a cylinder without its deck readings is not measured, says what is wanted, and leaves the others', () => {
    const build = without(tern, (entry) => entry.characteristic === 'compression.deck' && entry.place.cylinder === 3)
    const finding = find(build, 'compression.compressionRatio.3')
    expect(finding.figure).toBeUndefined()
    expect(finding.conformity).toBeUndefined()
    expect(finding.missing).toContainEqual({ kind: 'reading', stationId: 'compression.deck/c3/front' })
    expect(verdict(build, 'compression.compressionRatio.1')).toBe('within')
  })

  it('one lone place on the crown does not cancel rock and is not used', () => {
    const build = without(
      tern,
      (entry) => entry.characteristic === 'compression.deck' && entry.place.cylinder === 1 && entry.place.spot !== 'left',
    )
    expect(find(build, 'compression.deckClearance.1').figure).toBeUndefined()
  })

  it('the pin axis alone will do, and is said to', () => {
    const build = without(
      tern,
      (entry) => entry.characteristic === 'compression.deck' && entry.place.cylinder === 1 && entry.place.spot === 'left',
    )
    expect(find(build, 'compression.deckClearance.1').remarks).toContainEqual({ code: 'incomplete', used: 2, wanted: 4 })
  })

  it('a half-done fill is not a chamber volume', () => {
    const build = without(tern, (entry) => entry.characteristic === 'compression.chamberEnd' && entry.place.cylinder === 2)
    expect(find(build, 'compression.chamberVolume.2').figure).toBeUndefined()
  })

  it('does not fall back to paper when a measured bore is asked for', () => {
    const build = without(tern, (entry) => entry.characteristic === 'bores.bore' && entry.place.cylinder === 5)
    expect(find(build, 'compression.compressionRatio.5').figure).toBeUndefined()
    const onPaper = withSpec(build, { ...build.spec, methods: { ...build.spec.methods, bore: 'paper' } })
    expect(find(onPaper, 'compression.compressionRatio.5').figure).toBeDefined()
  })

  it('without a gasket or a stroke it says so', () => {
    expect(find(edited({ choice: {} }), 'compression.compressionRatio.1').missing).toContainEqual({ kind: 'choice', what: 'gasket' })
    expect(find(edited({ paper: { ...tern.spec.paper, stroke: undefined } }), 'compression.compressionRatio.1').missing).toContainEqual({
      kind: 'paper',
      key: 'stroke',
    })
  })

  it('a rod too short to turn or a piston that fills the chamber is an impossibility, not a number', () => {
    const rod = { ...tern.spec.paper.rodLength!, value: 40 }
    expect(find(edited({ paper: { ...tern.spec.paper, rodLength: rod } }), 'compression.compressionRatio.1').missing).toEqual([
      { kind: 'impossible', reason: 'crankDoesNotTurn' },
    ])
    const piston = { ...tern.spec.paper.pistonVolume!, value: -80 }
    expect(find(edited({ paper: { ...tern.spec.paper, pistonVolume: piston } }), 'compression.compressionRatio.1').missing).toEqual([
      { kind: 'impossible', reason: 'noClearanceVolume' },
    ])
  })
})

describe('uncertainty of the ratio', () => {
  it('agrees with Monte Carlo within 1 % (JCGM 101)', () => {
    const states = cylinderStates(tern)
    const model = ratioModel(states, tern.spec.limits['compression.compressionRatio'])
    const { results } = [...monteCarlo(model, 100_000, 3)].at(-1)!
    states.forEach((state, index) => {
      const u = standardUncertainty(state.chain!.ratio.value)
      expectNear(results[index]!.standardDeviation / u, 1, 0.01)
      expectNear(results[index]!.mean, state.chain!.ratio.value.value, 0.05 * u)
    })
  })

  it('is owned by named gauges and papers, shares adding up to one', () => {
    const budget = uncertaintyBudget(tern, compression.definition.paper, find(tern, 'compression.compressionRatio.1').figure!.value)
    const labels = budget.map(({ label }) => label)
    expect(labels.slice(0, 2).sort()).toEqual(['Burette, 0.1 cm³', 'Multi-layer steel 1.10'])
    expect(labels).toContain('Piston volume (paper)')
    expectNear(
      budget.reduce((sum, { share }) => sum + share, 0),
      1,
      1e-9,
    )
  })

  it('what all cylinders share cancels in their spread', () => {
    const spread = standardUncertainty(find(tern, 'compression.ratioSpread').figure!.value)
    const pair = [2, 4].map((cylinder) => standardUncertainty(find(tern, `compression.compressionRatio.${cylinder}`).figure!.value))
    expect(spread).toBeLessThan(Math.hypot(pair[0]!, pair[1]!))
  })
})

describe('the bare ratio', () => {
  it.each([0, 0.8])('is the ratio of the chain, with a pin offset of %s mm too', (offset) => {
    const build = edited({ paper: { ...tern.spec.paper, pinOffset: { value: offset, unit: 'mm', source: 'test' } } })
    for (const state of cylinderStates(build)) expectNear(bareRatio(numbersOf(state.inputs!)), state.chain!.ratio.value.value, 1e-12)
  })
})

describe('schools', () => {
  const single = demoDocument(
    {
      ...DEMO_BUILDS[0]!,
      gauges: {
        ...DEMO_BUILDS[0]!.gauges,
        'compression.chamberMass': 'scales.1',
        'compression.pistonDrop': 'dial-metric.1',
        'compression.pistonFill': 'burette.1',
        'compression.gasketThickness': 'mic-metric.1',
        'compression.gasketBore': 'caliper.1',
        'compression.chamber': 'burette.1',
      },
      spec: { ...tern.spec, methods: { ...tern.spec.methods, chamber: 'mass', piston: 'downTheBore', gasket: 'measured' } },
    },
    TODAY,
  )

  it('chambers by mass, pistons down the bore and a measured gasket come to the same ratio', () => {
    const build = openBuild(single)
    for (const cylinder of [1, 2, 5]) {
      expectNear(
        find(build, `compression.compressionRatio.${cylinder}`).figure!.value.value,
        find(tern, `compression.compressionRatio.${cylinder}`).figure!.value.value,
        0.06,
      )
    }
    expectNear(find(build, 'compression.pistonVolume.1').figure!.value.value, 10.2, 0.4)
  })

  it('a crevice that the fluid has filled is counted once', () => {
    const build = openBuild(single)
    const filled = withSpec(build, { ...build.spec, methods: { ...build.spec.methods, crevice: 'filled' } })
    expect(find(filled, 'compression.compressionRatio.1').figure!.value.value).toBeGreaterThan(
      find(build, 'compression.compressionRatio.1').figure!.value.value,
    )
  })

  it('walks the deck places in order and asks for nothing twice', () => {
    const ids = compression.stations(tern).map((station) => station.id)
    expect(ids.slice(0, 5)).toEqual([
      'compression.deck/c1/front',
      'compression.deck/c1/left',
      'compression.deck/c1/rear',
      'compression.deck/c1/right',
      'compression.deck/c2/front',
    ])
    expect(new Set(ids).size).toBe(ids.length)
    expect(benchState(compression, tern)).toMatchObject({ wanted: 40, read: 40, next: undefined })
  })
})

describe('advice', () => {
  const states = cylinderStates(tern)
  const { 'compression.chamberVolume': _, 'compression.chamberSpread': __, ...otherLimits } = tern.spec.limits
  /** Tern with the chambers free: nothing stands in the way of opening them all. */
  const eased = edited({ limits: otherLimits })
  const outsideOf = (deck: CylinderState['deck'], { lower = -Infinity, upper = Infinity }: { lower?: number; upper?: number }) =>
    'figure' in deck ? Math.max(0, deck.figure.value.value - upper, lower - deck.figure.value.value) : 0

  it('ranks the rack, and a thinner gasket always raises every ratio', () => {
    const rack = gasketRack(tern)
    expect(rack).toHaveLength(4)
    const byThickness = [...rack].sort((a, b) => a.gasket.thicknessMm - b.gasket.thicknessMm)
    byThickness.slice(1).forEach((row, index) => {
      row.outcome.ratios.forEach(({ ratio }, cylinder) =>
        expect(ratio.value).toBeLessThan(byThickness[index]!.outcome.ratios[cylinder]!.ratio.value),
      )
    })
  })

  it('plans only what meets every limit, least metal first', () => {
    // Opening every chamber to number four alone would take good ones past 50.5 cm³: whatever is offered mills the head back.
    for (const { setup } of planCompression(tern, states).plans) expect(setup.equalise && setup.headCutMm === 0).toBe(false)
    const { plans } = planCompression(eased, cylinderStates(eased))
    expect(plans[0]!.setup).toMatchObject({ deckCutMm: expect.any(Number) })
    const { limits } = eased.spec
    for (const { outcome, setup } of plans) {
      for (const { ratio } of outcome.ratios) {
        expect(ratio.value).toBeGreaterThanOrEqual(limits['compression.compressionRatio']!.lower!)
        expect(ratio.value).toBeLessThanOrEqual(limits['compression.compressionRatio']!.upper!)
      }
      expect(outcome.ratioSpread!.value).toBeLessThanOrEqual(limits['compression.ratioSpread']!.upper!)
      expect(setup.deckCutMm).toBeLessThanOrEqual(limits['compression.deckCut']!.upper!)
      const after = cylinderStates(withKnobs(eased, setup))
      after.forEach(({ deck }, index) =>
        expect(outsideOf(deck, limits['compression.deckClearance']!)).toBeLessThanOrEqual(
          outsideOf(states[index]!.deck, limits['compression.deckClearance']!) + 1e-9,
        ),
      )
    }
    const metal = plans.map((plan) => plan.metalMm)
    expect(metal).toEqual([...metal].sort((a, b) => a - b))
    expect(planAdvice(eased, plans[0]!).change).toMatchObject({ code: 'setup' })
  })

  it('says which limit binds and by how much when nothing passes', () => {
    const strict = edited({
      limits: { ...eased.spec.limits, 'compression.quench': { lower: 1.3, upper: 1.35, source: 'test', reason: '' } },
    })
    const { plans, binding } = planCompression(strict, cylinderStates(strict))
    expect(plans).toEqual([])
    expect(binding.map(({ limit }) => limit)).toContain('compression.quench')
    const by = binding.find(({ limit }) => limit === 'compression.quench')!.by
    // Easing the limit by what the planner says lets a plan through; by less does not.
    const easedBy = (ease: number) =>
      edited({
        limits: { ...eased.spec.limits, 'compression.quench': { lower: 1.3 - ease, upper: 1.35 + ease, source: 'test', reason: '' } },
      })
    expect(planCompression(easedBy(by + 1e-6), cylinderStates(easedBy(by))).plans.length).toBeGreaterThan(0)
    expect(planCompression(easedBy(by * 0.9), cylinderStates(easedBy(by))).plans).toEqual([])
  })

  it('counts what the deviations cost: 0.06 mm of deck is about 0.04 of ratio', () => {
    const cost = ratioCost(tern, states[2]!)!
    expect(cost.causes[0]).toMatchObject({ cause: 'deck' })
    // dCR = −(CR − 1)/V_c · π/4·bore²·Δdeck by hand: 7.98/62.9 · 54.1 cm² a cm = 0.687 a mm.
    const deeperMm = find(tern, 'compression.deckClearance.3').figure!.value.value - 0.05
    expectNear(cost.causes[0]!.change, -0.687 * deeperMm, 0.002)
    expectNear(cost.nominal + cost.causes.reduce((sum, { change }) => sum + change, 0) + cost.together, cost.measured, 1e-12)
  })

  it('offers advice only where something is wrong', () => {
    const ids = compression.advise(tern, compression.derive(tern)).map((advice) => advice.id)
    // The largest chamber is itself out: the others, alike already, are not opened to it.
    expect(ids).not.toContain('openChambers')
    expect(ids).toContain('look.compression.deckClearance.3')
    const sound = soundBuild(0)
    expect(compression.advise(sound, compression.derive(sound))).toEqual([])
  })
})
