import { applyChanges } from '../document/changes'
import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build } from '@/core/document'
import {
  find,
  petrelDocument,
  readingOf as typed,
  ternDocument,
  valueOf,
  withReading as read,
  withSpecOf as spec,
} from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { standardUncertainty } from '../metrology'
import { bearings, selectShells, withShells } from './bearings'
import { bores } from './bores'
import { compression, cylinderStates, planCompression, withKnobs } from './compression'
import { filingLog, rings } from './rings'
import { rods } from './rods'

/** Slips that once went unseen, each held to a value: a sign, a weight, a limit in place of a target, an uncertainty left out. */
const [tern, petrel] = [openBuild(ternDocument), openBuild(petrelDocument)]

describe('compression', () => {
  it('a piston 0.1 mm taller stands 0.1 mm higher, a head cut of 0.1 mm takes its area off the chamber', () => {
    const piston = { id: 'tall', name: 'Tall', volumeCm3: 8, compressionHeightMm: 32.1, source: 'test' }
    const known = spec(tern, (now) => ({ ...now, paper: { ...now.paper, compressionHeight: { value: 32, unit: 'mm', source: 'test' } } }))
    const after = withKnobs(known, { piston })
    for (const cylinder of [1, 3, 5])
      expectNear(
        valueOf(compression, after, `compression.deckClearance.${cylinder}`),
        valueOf(compression, known, `compression.deckClearance.${cylinder}`) - 0.1,
        1e-9,
      )
    const areaCm2 = tern.spec.paper.chamberOpenArea!.value
    expectNear(
      valueOf(compression, withKnobs(tern, { headCutMm: 0.1 }), 'compression.chamberVolume.2'),
      valueOf(compression, tern, 'compression.chamberVolume.2') - areaCm2 * 0.01,
      1e-9,
    )
  })

  it('deck clearance is the plain mean of its four places', () => {
    const places = ['front', 'left', 'rear', 'right'].map((spot) => typed(tern, `compression.deck/c2/${spot}`).value)
    expectNear(valueOf(compression, tern, 'compression.deckClearance.2'), places.reduce((sum, mm) => sum + mm, 0) / 4, 1e-12)
  })

  it('nothing is odd that the gauge cannot tell from the others', () => {
    const isOdd = (build: Build) => find(compression, build, 'compression.deckClearance.3').remarks.some(({ code }) => code === 'oddOneOut')
    expect(isOdd(tern)).toBe(true)
    const coarse = openBuild({
      ...ternDocument,
      gauges: ternDocument.gauges.map((card) => (card.id === 'dial-metric.1' ? { ...card, repeatability: 0.08 } : card)),
    })
    expect(isOdd(coarse)).toBe(false)
  })

  it('the nearest miss weighs each miss by the width of its limit', () => {
    // Thin: ratio 0.5 off a band of 2, quench 0.25 off a band of 0.01. Thick: ratio 0.7 off, quench right. The thick one is nearer.
    const { 'compression.deckCut': _, 'compression.headCut': __, 'compression.ratioSpread': ___, ...others } = tern.spec.limits
    const strict = spec(tern, (now) => ({
      ...now,
      limits: {
        ...others,
        'compression.compressionRatio': { lower: 9.5, upper: 11.5, source: 'test', reason: '' },
        'compression.quench': { lower: 1.29, upper: 1.31, source: 'test', reason: '' },
        'compression.deckClearance': { upper: 2, source: 'test', reason: '' },
      },
    }))
    const { plans, nearest } = planCompression(strict, cylinderStates(strict))
    expect(plans).toEqual([])
    expect(nearest!.setup.gasket.thicknessMm).toBe(1.25)
  })
})

describe('bearings', () => {
  it('narrower beside the vertical is said only where the gauge can tell it', () => {
    const at = (byMm: number) => {
      const vertical = typed(petrel, 'bearings.mainClearance/m3/vertical').value
      const build = read(
        petrel,
        'bearings.mainClearance',
        { main: 3, spot: 'left60' },
        vertical - byMm,
        typed(petrel, 'bearings.mainClearance/m3/vertical').gauge,
      )
      return find(bearings, build, 'bearings.mainClearance.m3').remarks
    }
    expect(at(0.001).some(({ code }) => code === 'narrowBeside')).toBe(false)
    expect(at(0.02)).toContainEqual({ code: 'narrowBeside', side: 'left', byMm: expect.closeTo(0.02, 9) })
  })

  it('a planned pair brings the tolerance of both its walls', () => {
    const shells = bearings.derive(withShells(petrel, selectShells(petrel, 'main')!))
    const planned = shells.find(({ output, figure }) => output === 'bearings.mainPlanned' && figure)!
    const measured = standardUncertainty(
      shells.find(({ output, main }) => output === 'bearings.mainClearance' && main === planned.main)!.figure!.value,
    )
    // Two walls of ±2 µm that err alike (common practice): 2 · 0.002 ÷ √3.
    expectNear(Math.sqrt(standardUncertainty(planned.figure!.value) ** 2 - measured ** 2), (2 * 0.002) / Math.sqrt(3), 1e-9)
  })

  it('an X half never meets an undersize one, though the pair would land', () => {
    const shell = (id: string, wallMm: number) => ({ id, name: id, fits: 'main' as const, wallMm, halves: 10, source: 'test' })
    // Together they are a standard pair; half a thou each way is a whole thou apart.
    const only = spec(petrel, (now) => ({ ...now, stock: { ...now.stock, shells: [shell('x', -0.0127), shell('u', 0.0127)] } }))
    const { choices } = selectShells(only, 'main')!
    expect(choices.length).toBe(5)
    for (const { upper, lower } of choices) expect(upper.id).toBe(lower.id)
  })
})

describe('rings', () => {
  it('a leaf that was checked brings its tolerance to the verdict, one that was not does not', () => {
    const place = { cylinder: 1, spot: 'top' }
    const lower = tern.spec.limits['rings.topGap']!.lower!
    const verdictWith = (card: object) => {
      const build = openBuild({
        ...ternDocument,
        spec: { ...ternDocument.spec, methods: { ...ternDocument.spec.methods, ringDepths: 1 } },
        gauges: ternDocument.gauges.map((one) => (one.id === 'feeler-fine.1' ? { ...one, ...card } : one)),
      })
      return find(rings, read(build, 'rings.topGap', place, lower, 'feeler-fine.1', { upper: lower + 0.01 }), 'rings.topGap.1').conformity!
        .verdict
    }
    expect(verdictWith({ biasU: 0.003 })).toBe('within')
    expect(verdictWith({ biasU: 0.003, checkedOn: '2026-02-01' })).toBe('inDoubt')
  })

  it('strokes are counted at the rate of all passes, not of the last', () => {
    const place = { cylinder: 2, spot: 'top' }
    const station = typed(tern, 'rings.topGap/c2/top')
    const first = read(tern, 'rings.topGap', place, 0.45, station.gauge, { upper: 0.46 })
    const second = read(first, 'rings.topGap', place, 0.48, station.gauge, { upper: 0.49, strokes: 10 })
    const third = read(second, 'rings.topGap', place, 0.49, station.gauge, { upper: 0.5, strokes: 10 })
    const log = filingLog(third, 'top', 2, { lower: 0.54, target: 0.56 })!
    // 0.04 mm in 20 strokes: 0.065 mm to go are 32 strokes; at the last pass's rate they would be 65.
    expect(log.strokesLeft).toBe(32)
    expect(log.strokesSafe).toBeLessThan(32)
  })
})

describe('rods and pistons', () => {
  it('the bobweight rule holds for the common pins of a 90° V alone', () => {
    const bobweights = (bankAngleDeg: number) =>
      rods
        .derive(spec(petrel, (now) => ({ ...now, layout: { ...now.layout, bankAngleDeg } })))
        .filter(({ output }) => output === 'rods.bobweight').length
    expect([bobweights(90), bobweights(60), bobweights(72)]).toEqual([4, 0, 0])
  })

  it('a rod measured 0.1 mm longer brings its piston 0.1 mm up in the stack', () => {
    const before = find(rods, tern, 'rods.stackApart.2').figure
    const rod = typed(tern, 'rods.centreDistance/c2')
    const after = find(rods, read(tern, 'rods.centreDistance', { cylinder: 2 }, rod.value + 0.1, rod.gauge), 'rods.stackApart.2').figure
    expectNear(after!.value.value - before!.value.value, 0.1, 1e-9)
  })

  it('takes off what is over the lightest by more than the limit, and no more', () => {
    const heavy = read(
      tern,
      'rods.pistonMass',
      { cylinder: 2 },
      typed(tern, 'rods.pistonMass/c2').value + 9,
      typed(tern, 'rods.pistonMass/c2').gauge,
      { unit: 'g' },
    )
    const lighten = rods.advise(heavy, rods.derive(heavy)).find(({ change }) => change.code === 'lighten')!
    const limit = tern.spec.limits['rods.reciprocatingSpread']!.upper!
    expectNear(valueOf(rods, applyChanges(heavy, lighten.changes!), 'rods.reciprocatingSpread'), limit, 1e-9)
  })

  it('hones to the target, not to the limit', () => {
    const tight = spec(tern, (now) => ({
      ...now,
      limits: { ...now.limits, 'bores.clearance': { lower: 0.12, upper: 0.14, target: 0.13, source: 'test', reason: '' } },
    }))
    const hone = bores.advise(tight, bores.derive(tight)).find(({ change }) => change.code === 'hone')!
    if (hone.change.code !== 'hone') throw new Error('no hone')
    expect([...hone.change.byCylinder.keys()]).toEqual([1, 2, 3, 4, 5])
    for (const [cylinder] of hone.change.byCylinder)
      expectNear(valueOf(bores, applyChanges(tight, hone.changes!), `bores.clearance.${cylinder}`), 0.13, 1e-9)
  })

  it('a warm skirt is brought to 20 °C: 10 K of a forged piston are 22.5 µm a decimetre', () => {
    const skirt = typed(tern, 'bores.skirt/c1')
    const at = (partTempC: number) =>
      valueOf(
        bores,
        read(tern, 'bores.skirt', { cylinder: 1 }, skirt.value, skirt.gauge, { partTempC, gaugeTempC: 20 }),
        'bores.clearance.1',
      )
    // Forged 2618 grows 22.5 · 10⁻⁶ a kelvin (from memory): a skirt read at 30 °C is smaller at 20 °C, and the clearance larger.
    expectNear(at(30) - at(20), skirt.value * 22.5e-6 * 10, 2e-5)
  })
})
