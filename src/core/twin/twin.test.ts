import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { describe, expect, it } from 'vitest'
import { expectNear } from '../../../tests/support/expectNear'
import { TRUTHS } from '@/core/benches'
import { DEMO_BUILDS } from '@/demo/scenario'
import { virtualEngine } from '../benches/virtualEngine'
import { SimulatedGauges } from '.'

const { spec, faults } = DEMO_BUILDS[0]!
const gauge = (id: string) => DEFAULT_GAUGES.find((card) => card.id === id)!

describe('the virtual engine', () => {
  it('is the same for the same seed, another for another', () => {
    expect(virtualEngine(spec, faults, 3)).toEqual(virtualEngine(spec, faults, 3))
    expect(virtualEngine(spec, faults, 3)).not.toEqual(virtualEngine(spec, faults, 4))
  })

  it('has its faults where they were put, and nowhere else', () => {
    const [sound, faulty] = [virtualEngine(spec, {}, 3), virtualEngine(spec, faults, 3)]
    for (const cylinder of [1, 2, 3, 4, 5]) {
      expectNear(faulty.deckMm.get(cylinder)! - sound.deckMm.get(cylinder)!, cylinder === 3 ? 0.06 : 0, 1e-12)
      expectNear(faulty.chamberCm3.get(cylinder)! - sound.chamberCm3.get(cylinder)!, cylinder === 4 ? 0.9 : 0, 1e-12)
    }
  })

  it('says what its paper lacks', () => {
    expect(() => virtualEngine({ ...spec, paper: {} }, {}, 1)).toThrow(/needs bore, deck, chamber and gasket/)
  })
})

describe('the virtual hand', () => {
  const engine = virtualEngine(spec, {}, 3)
  const twin = () => new SimulatedGauges({ engine, spec, seed: 7, truths: TRUTHS })

  it('reads on the steps of its gauge', () => {
    for (let i = 0; i < 50; i++) {
      const { value } = twin().read('compression.deck', { cylinder: 1, spot: 'front' }, gauge('dial-metric.1'))
      expectNear(value / 0.01, Math.round(value / 0.01), 1e-9)
    }
  })

  it('scatters as its gauge does and carries its bias', () => {
    const biased = { ...gauge('dial-metric.1'), resolution: 1e-6, bias: 0.02 }
    const reader = twin()
    const values = Array.from({ length: 4000 }, () => reader.read('compression.deck', { cylinder: 1, spot: 'front' }, biased).value)
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length
    const sd = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / (values.length - 1))
    expectNear(mean - engine.deckMm.get(1)!, 0.02, (4 * biased.repeatability) / Math.sqrt(values.length))
    expectNear(sd / biased.repeatability, 1, 0.05)
  })

  it('runs the chamber out of the burette: before less after is the volume', () => {
    const reader = twin()
    const start = reader.read('compression.chamberStart', { cylinder: 2, repeat: 1 }, gauge('burette.1')).value
    const end = reader.read('compression.chamberEnd', { cylinder: 2, repeat: 1 }, gauge('burette.1')).value
    expectNear(start - end, engine.chamberCm3.get(2)!, 0.4)
  })

  it('sees the rock of the piston on the thrust axis and not on the pin axis', () => {
    const fine = { ...gauge('dial-metric.1'), resolution: 1e-9, repeatability: 0 }
    const at = (spot: string) => twin().read('compression.deck', { cylinder: 1, spot }, fine).value
    expectNear(at('right') - at('left'), 0.06, 1e-6)
    expectNear(at('front'), at('rear'), 1e-6)
  })

  it('tries leaves: the one that goes, and the next that does not, a step apart around the gap', () => {
    const reader = twin()
    const { value, upper } = reader.read('rings.topGap', { cylinder: 3, spot: 'top' }, gauge('feeler-fine.1'))
    expectNear(upper! - value, 0.01, 1e-9)
    const gap = engine.ringTopMm.get(3)!
    expect(value).toBeLessThanOrEqual(gap)
    expect(upper).toBeGreaterThan(gap)
  })

  it('feels the taper of the bore in a ring gap, times π', () => {
    const fine = { ...gauge('feeler-fine.1'), use: 'other' as const, resolution: 1e-9 }
    const at = (spot: string) => twin().read('rings.topGap', { cylinder: 3, spot }, fine).value
    expectNear(at('top') - at('bottom'), Math.PI * engine.boreTaperMm.get(3)!, 1e-6)
  })
})
