import { describe, expect, it } from 'vitest'
import { NOT_SAID, type Duty, type LimitId, type Spec } from '@/core/document'
import { freshSpec } from '.'
import { followPresets, startingLimits } from './startingLimits'
import { topRingFactor } from './rings'

/** What a fresh engine is judged by. Numbers are common practice, worked by hand from the rule beside each. */
const sheet = (value: number, more: object = {}) => ({ value, unit: 'mm' as const, source: 'sheet', ...more })
const IN = 25.4

function engine(change: (spec: Spec) => Spec = (spec) => spec, units: 'metric' | 'inch' = 'inch'): Spec {
  const fresh = freshSpec({
    name: 'Fresh',
    description: '',
    units,
    kind: 'v',
    cylinders: 8,
    bankAngleDeg: 90,
    valvesPerCylinder: 2,
    valveDrive: 'pushrod',
    fuel: 'petrol',
    boostKpa: 0,
    paper: { bore: sheet(4.03 * IN), stroke: sheet(3.75 * IN), rodLength: sheet(6 * IN) },
    gasket: { boreMm: 4.1 * IN, thicknessMm: 1 },
  })
  return change(fresh)
}
const duty = (more: Partial<Duty>) => ({ ...engine().duty, ...more })
const withDuty =
  (more: Partial<Duty>) =>
  (spec: Spec): Spec => ({ ...spec, duty: { ...spec.duty, ...more } })
const limitOf = (key: LimitId, change?: (spec: Spec) => Spec, units?: 'metric' | 'inch') => startingLimits(engine(change, units))[key]

describe('ring gaps by duty (common practice, gap per bore)', () => {
  it.each([
    [{ use: 'street' }, 0.0045],
    [{ use: 'competition' }, 0.005],
    [{ use: 'drag' }, 0.005],
    [{ use: 'sustained' }, 0.0055],
    [{ use: NOT_SAID }, 0.0055],
    [{ use: 'street', boostKpa: 50 }, 0.0055],
    [{ use: 'street', boostKpa: 70 }, 0.0055],
    [{ use: 'competition', boostKpa: 71 }, 0.0065],
    [{ use: 'drag', boostKpa: 200, fuel: 'petrol' }, 0.0065],
    [{ use: 'drag', boostKpa: 201, fuel: 'petrol' }, 0.007],
    [{ use: 'drag', boostKpa: 250, fuel: 'ethanolBlend' }, 0.0065],
    [{ use: 'drag', boostKpa: 250, fuel: 'methanol' }, 0.0065],
    [{ use: 'drag', boostKpa: 250, fuel: NOT_SAID }, 0.007],
    [{ use: 'street', boostKpa: 250, fuel: 'diesel' }, 0.007],
  ] as const)('%j: %f', (more, factor) => expect(topRingFactor(duty(more)).factor).toBe(factor))

  it('words decide nothing: a commuter who writes of road racing is what the list says', () => {
    expect(topRingFactor(duty({ use: 'street', useWords: 'commuter, road racing at weekends' })).factor).toBe(0.0045)
    expect(topRingFactor(duty({ use: 'drag', boostKpa: 250, fuel: 'ethanolBlend', fuelWords: 'E85 petrol' })).factor).toBe(0.0065)
  })

  it('rounds up to the hundredth, since wide is safe, and gives the second ring half a thousandth of the bore more', () => {
    // 4.030 in · 0.0045 = 0.4606 mm; · 0.0050 = 0.5118 mm.
    expect(limitOf('rings.topGap', withDuty({ use: 'street' }))).toMatchObject({
      lower: 0.47,
      target: 0.49,
      source: 'Preset: common practice',
      follows: true,
    })
    expect(limitOf('rings.secondGap', withDuty({ use: 'street' }))).toMatchObject({ lower: 0.52, target: 0.54 })
    expect(limitOf('rings.topGap', withDuty({ use: 'street' }))!.upper).toBeUndefined()
  })

  it('takes the shop’s own factor before the duty’s, and says whose it is', () => {
    const own = (spec: Spec): Spec => ({
      ...spec,
      duty: { ...spec.duty, use: 'street' },
      paper: { ...spec.paper, ringFactor: { value: 0.006, unit: 'one', source: 'ring maker’s card' } },
    })
    // 4.030 in · 0.0060 = 0.6142 mm.
    expect(limitOf('rings.topGap', own)).toMatchObject({
      lower: 0.62,
      reason: expect.stringContaining('Bore × 0.0060, by ring maker’s card'),
    })
  })

  it('wants the ring to stand what paper says with its tolerance, else 250 °C, and 300 °C under serious boost', () => {
    const hot = (spec: Spec): Spec => ({
      ...spec,
      paper: { ...spec.paper, ringTemperature: { value: 260, tolerance: 15, unit: 'degC', source: 'thermal paint' } },
    })
    expect([
      limitOf('rings.buttingTemperature', hot)!.lower,
      limitOf('rings.buttingTemperature')!.lower,
      limitOf('rings.buttingTemperature', withDuty({ boostKpa: 70 }))!.lower,
      limitOf('rings.buttingTemperature', withDuty({ boostKpa: 90 }))!.lower,
    ]).toEqual([275, 250, 250, 300])
  })

  it('has no gap where no bore is on paper', () => {
    expect(limitOf('rings.topGap', (spec) => ({ ...spec, paper: {} }))).toBeUndefined()
  })
})

describe('ratio, quench and chambers', () => {
  it('judges no ratio until the paper says which is wanted, boosted or not', () => {
    for (const boostKpa of [0, 100]) expect(limitOf('compression.compressionRatio', withDuty({ boostKpa }))).toBeUndefined()
    const wanted = (spec: Spec): Spec => ({
      ...spec,
      paper: { ...spec.paper, compressionRatio: { value: 12.3, unit: 'one', source: 'tuner' } },
    })
    expect(limitOf('compression.compressionRatio', wanted)).toMatchObject({
      lower: 12.2,
      upper: 12.4,
      target: 12.3,
      reason: 'Around the ratio wanted (tuner).',
    })
  })

  it('holds quench by what the rods stretch, in the units of the shop, and none without a pad', () => {
    const rod =
      (material: Spec['materials']['rod']) =>
      (spec: Spec): Spec => ({ ...spec, materials: { ...spec.materials, rod: material } })
    const inInches = (change: (spec: Spec) => Spec) => {
      const { lower, upper } = limitOf('compression.quench', change)!
      return [lower! / IN, upper! / IN]
    }
    expect(inInches(rod('steel')).map((inch) => inch.toFixed(4))).toEqual(['0.0350', '0.0600'])
    expect(inInches(rod('forgedAluminium')).map((inch) => inch.toFixed(4))).toEqual(['0.0500', '0.0700'])
    expect(limitOf('compression.quench', rod('steel'), 'metric')).toMatchObject({ lower: 0.9, upper: 1.5 })
    expect(limitOf('compression.quench', rod('titanium'))!.reason).toContain('Taken as for steel rods')
    expect(limitOf('compression.quench', (spec) => ({ ...spec, methods: { ...spec.methods, squish: 'none' } }))).toBeUndefined()
  })

  it('lets chambers differ by what moves the ratio by 0.1: clearance volume ÷ (ratio − 1) ÷ 10', () => {
    // 4.030 × 3.750 in is 783.8 cm³ swept; at 10.5 that is 82.5 cm³ of clearance, and 0.87 cm³ of it move the ratio by 0.1.
    const wanted = (spec: Spec): Spec => ({
      ...spec,
      paper: {
        ...spec.paper,
        compressionRatio: { value: 10.5, unit: 'one', source: 'tuner' },
        chamberVolume: { value: 64, unit: 'cm3', source: 'head maker' },
      },
    })
    expect(limitOf('compression.chamberSpread', wanted)!.upper).toBeCloseTo(0.8, 9)
    expect(limitOf('compression.chamberVolume', wanted)).toMatchObject({ lower: 63.6, upper: 64.4, target: 64 })
    expect(limitOf('compression.chamberSpread')).toBeUndefined()
  })
})

describe('bearings, bores and rods', () => {
  it('opens race mains and rods to their windows and leaves the road at a thousandth of the journal', () => {
    const journals =
      (use: Duty['use']) =>
      (spec: Spec): Spec => ({
        ...spec,
        duty: { ...spec.duty, use },
        paper: { ...spec.paper, mainJournal: sheet(2.5 * IN), rodJournal: sheet(2 * IN) },
      })
    expect(limitOf('bearings.mainClearance', journals('competition'))!.target! / IN).toBeCloseTo(0.0025, 9)
    expect(limitOf('bearings.rodClearance', journals('drag'))!.upper! / IN).toBeCloseTo(0.0028, 9)
    // 2.5 in · 0.001 = 0.0635 mm, to the micrometre; a quarter either way.
    expect(limitOf('bearings.mainClearance', journals('street'))).toMatchObject({ target: 0.064, lower: 0.048, upper: 0.079 })
    expect(limitOf('bearings.mainClearance', journals(NOT_SAID))!.reason).toContain('The duty is not said')
    expect(limitOf('bearings.mainClearance')).toBeUndefined()
  })

  it('sets nothing for shells where the crank runs on rollers', () => {
    const rolling = startingLimits(
      engine((spec) => ({
        ...spec,
        duty: { ...spec.duty, use: 'competition' },
        layout: { ...spec.layout, mainBearings: 'rolling', rodBearings: 'rolling' },
      })),
    )
    for (const key of [
      'bearings.mainClearance',
      'bearings.mainSpread',
      'bearings.rodClearance',
      'bearings.rodSpread',
      'bearings.journalRound',
      'bearings.journalTaper',
      'bearings.endFloat',
      'bearings.rodSide',
    ] as const)
      expect(rolling[key], key).toBeUndefined()
    expect(rolling['bearings.runOut']!.upper! / IN).toBeCloseTo(0.001, 9)
  })

  it('sets rod side clearance by how many rods share a pin', () => {
    expect([limitOf('bearings.rodSide')!.lower! / IN, limitOf('bearings.rodSide')!.upper! / IN].map((inch) => inch.toFixed(3))).toEqual([
      '0.010',
      '0.020',
    ])
    const alone = (spec: Spec): Spec => ({
      ...spec,
      layout: {
        ...spec.layout,
        pins: spec.layout.pins.flatMap((pin) => pin.cylinders.map((cylinder) => ({ ...pin, cylinders: [cylinder] }))),
      },
    })
    expect(
      [limitOf('bearings.rodSide', alone)!.lower! / IN, limitOf('bearings.rodSide', alone)!.upper! / IN].map((inch) => inch.toFixed(3)),
    ).toEqual(['0.006', '0.012'])
  })

  it('scales piston to wall by the bore and the alloy, to the loose end under boost', () => {
    const alloy =
      (piston: Spec['materials']['piston'], boostKpa = 0) =>
      (spec: Spec): Spec => ({
        ...spec,
        materials: { ...spec.materials, piston },
        duty: { ...spec.duty, boostKpa },
        paper: { ...spec.paper, bore: sheet(4 * IN) },
      })
    const thou = (change: (spec: Spec) => Spec) => {
      const { lower, target, upper } = limitOf('bores.clearance', change)!
      return [lower, target, upper].map((mm) => Math.round((mm! / IN) * 10_000) / 10)
    }
    expect(thou(alloy('forged2618'))).toEqual([3.5, 4.3, 5])
    expect(thou(alloy('forged4032'))).toEqual([2.5, 3, 3.5])
    expect(thou(alloy('castHypereutectic'))).toEqual([1, 1.5, 2])
    expect(thou(alloy('forged2618', 60))).toEqual([3.5, 5, 5.7])
  })

  it('judges the deck’s finish against a gasket known to need it alone', () => {
    const kind =
      (of: Spec['stock']['gaskets'][number]['kind']) =>
      (spec: Spec): Spec => ({ ...spec, stock: { ...spec.stock, gaskets: spec.stock.gaskets.map((gasket) => ({ ...gasket, kind: of })) } })
    expect(limitOf('bores.deckFinish', kind('multiLayerSteel'))).toMatchObject({ upper: 0.5 })
    for (const of of ['composite', 'copper', 'steelShim', 'other', undefined] as const)
      expect(limitOf('bores.deckFinish', kind(of)), of).toBeUndefined()
  })
})

describe('following the paper', () => {
  const bored = (spec: Spec): Spec => ({ ...spec, paper: { ...spec.paper, bore: sheet(4.06 * IN) } })

  it('moves with the paper until somebody overrides it, and stays off once taken off', () => {
    const fresh = engine(withDuty({ use: 'street' }))
    const spec = { ...fresh, limits: startingLimits(fresh) }
    // 4.060 in · 0.0045 = 0.4641 mm.
    expect(followPresets(bored(spec)).limits['rings.topGap']).toMatchObject({ lower: 0.47, follows: true })
    expect(followPresets(bored(spec)).limits['rings.secondGap']).toMatchObject({ lower: 0.52 })
    const wide = followPresets({ ...spec, paper: { ...spec.paper, bore: sheet(5 * IN) } })
    expect(wide.limits['rings.topGap']).toMatchObject({ lower: 0.58 })
    const own = { lower: 0.4, source: 'ring maker', reason: '' }
    expect(followPresets(bored({ ...spec, limits: { ...spec.limits, 'rings.topGap': own } })).limits['rings.topGap']).toEqual(own)
    const { 'rings.topGap': _, ...others } = spec.limits
    expect(followPresets(bored({ ...spec, limits: others, unlimited: ['rings.topGap'] })).limits['rings.topGap']).toBeUndefined()
  })
})

describe('rod bolts (common practice; the card outranks it)', () => {
  const card = (more: object) => (spec: Spec) => ({ ...spec, paper: { ...spec.paper, boltStretch: { ...sheet(0.154), ...more } } })

  it('without a card by 70 to 75 % of yield, with one by its figure: its own band, or 4 % of it', () => {
    expect(limitOf('fasteners.ofYield')).toMatchObject({ lower: 0.7, upper: 0.75 })
    expect(limitOf('fasteners.stretch')).toBeUndefined()
    expect(limitOf('fasteners.ofYield', card({}))).toBeUndefined()
    const { lower, target, upper } = limitOf('fasteners.stretch', card({}))!
    expect([lower, target, upper].map((mm) => mm!.toFixed(5))).toEqual(['0.14784', '0.15400', '0.16016'])
    expect(limitOf('fasteners.stretch', card({ tolerance: 0.008 }))).toMatchObject({ lower: 0.146, upper: 0.162, source: 'Preset: sheet' })
  })

  it('growth for good of half a thou throws a bolt away, and as much off its line on either side', () => {
    expect(limitOf('fasteners.growth')!.upper).toBeCloseTo(0.0127, 6)
    expect(limitOf('fasteners.growth', undefined, 'metric')!.upper).toBe(0.013)
    const bend = limitOf('fasteners.bend')!
    expect([bend.lower, bend.upper].map((mm) => mm!.toFixed(4))).toEqual(['-0.0127', '0.0127'])
    expect(limitOf('fasteners.ofProof')).toMatchObject({ upper: 0.9 })
    expect(limitOf('fasteners.slopeApart')).toMatchObject({ lower: -0.25, upper: 0.25 })
  })
})
