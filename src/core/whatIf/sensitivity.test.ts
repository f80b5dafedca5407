import { describe, expect, it } from 'vitest'
import { withSpec, type Build } from '@/core/document'
import { withChanges, withPlannedAfter } from '@/core/document/changes'
import type { Finding } from '../bench/bench'
import { soundBuild } from '../../../tests/support/builds'
import { expectNear } from '../../../tests/support/expectNear'
import { evaluate } from '../evaluation/evaluate'
import { changesOf } from './knobs'
import { toReadAgain } from './readAgain'
import { sensitivity, watchedFirst, watchedOf } from './sensitivity'
import { todayOf, variantOf, type Headline } from './variant'

/** Knobs over all benches: what they move, that a variant is what its plan comes to, and that a search misses nothing. */
const tern = soundBuild(0)
const petrel = soundBuild(1)

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

describe('which figure is watched', () => {
  const one = (id: string, value: number, limit?: Finding['limit']) =>
    ({ id, output: 'clearance.closest', figure: { value: { value } }, ...(limit && { limit }) }) as unknown as Finding
  const least = (...findings: Finding[]) => watchedOf(findings, 'clearance.closest')?.id

  it('is the one with the least room to the nearer of its bounds, whichever bounds it has', () => {
    const upper = one('upper', 5, { upper: 10 } as Finding['limit'])
    const lower = one('lower', 3, { lower: 1 } as Finding['limit'])
    const both = one('both', 6, { lower: 1, upper: 7 } as Finding['limit'])
    expect([least(upper, lower), least(lower, upper)]).toEqual(['lower', 'lower'])
    expect([least(upper, lower, both), least(both, lower, upper)]).toEqual(['both', 'both'])
    expect(least(one('free', 4), one('freer', 9))).toBe('free')
    expect(least()).toBeUndefined()
  })
})

describe('which output is watched first', () => {
  const headline = (output: string, today?: object) => ({ output, today }) as unknown as Headline
  const ratio = headline('compression.compressionRatio', { verdict: 'within' })

  it('is one of parts that must not meet where it is known, else the first that is judged, else the first', () => {
    expect(watchedFirst([ratio, headline('clearance.closest', {})])).toBe('clearance.closest')
    expect(watchedFirst([headline('bores.taper', {}), ratio, headline('clearance.closest')])).toBe('compression.compressionRatio')
    expect(watchedFirst([headline('bores.taper', {}), headline('bores.ovality', {})])).toBe('bores.taper')
    expect(watchedFirst([headline('bores.taper'), headline('clearance.closest')])).toBe('bores.taper')
    expect(watchedFirst(variantOf(todayOf(tern), {}).headlines)).toBe('clearance.closest')
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
