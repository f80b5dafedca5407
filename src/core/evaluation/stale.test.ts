import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withEntries, withSpec, type Entry, type Gauge } from '@/core/document'
import { readingOf, stamp, ternDocument, withReading, withSpecOf, without } from '../../../tests/support/builds'
import { confirm, stale } from './stale'

const tern = openBuild(ternDocument)
const clearance = confirm(tern, 'bores.clearance.2')
const ratio = confirm(tern, 'compression.compressionRatio.2')
const endFloat = confirm(tern, 'bearings.endFloat')
const why = (build: typeof tern, confirmation = clearance) => stale(build, [confirmation])[0]?.why

describe('what somebody relied on', () => {
  it('is plain data, and is not stale while nothing it rests on has changed, however the build is opened', () => {
    const kept = JSON.parse(JSON.stringify([clearance, ratio, endFloat]))
    expect(stale(tern, kept)).toEqual([])
    expect(stale(openBuild(structuredClone(ternDocument)), kept)).toEqual([])
  })

  it('a reading corrected: that reading, and no finding of another cylinder', () => {
    const corrected = withReading(tern, 'bores.skirt', { cylinder: 2 }, readingOf(tern, 'bores.skirt/c2').value, 'mic-metric.1')
    expect(why(corrected)).toEqual([{ source: 'reading', key: 'bores.skirt/c2', change: 'changed' }])
    expect(stale(corrected, [confirm(tern, 'bores.clearance.3'), ratio])).toEqual([])
  })

  it('a reading struck out is gone, and comes back with the strike taken back', () => {
    const struck = without(tern, ({ characteristic, place }) => characteristic === 'bores.skirt' && place.cylinder === 2)
    expect(why(struck)).toContainEqual({ source: 'reading', key: 'bores.skirt/c2', change: 'gone' })
    const back = withEntries(struck, [{ kind: 'undo', ...stamp(), target: struck.entries.at(-1)!.id } as Entry])
    expect(why(back)).toBeUndefined()
  })

  it('paper, a limit, the rule and a choice: each by its name', () => {
    const paper = withSpecOf(tern, (spec) => ({ ...spec, paper: { ...spec.paper, stroke: { ...spec.paper.stroke!, value: 91 } } }))
    expect(why(paper, ratio)).toEqual([{ source: 'paper', key: 'stroke', change: 'changed' }])
    expect(why(paper)).toBeUndefined()
    const { 'bores.clearance': _, ...limits } = tern.spec.limits
    expect(why(withSpec(tern, { ...tern.spec, limits }))).toEqual([{ source: 'limits', key: 'bores.clearance', change: 'gone' }])
    const probable = withSpecOf(tern, (spec) => ({ ...spec, methods: { ...spec.methods, rule: 'probable' as const } }))
    expect(why(probable)).toEqual([{ source: 'methods', key: 'rule', change: 'changed' }])
    const moved = withSpecOf(tern, (spec) => ({ ...spec, choice: { ...spec.choice, pistonInBore: [2, 1, 3, 4, 5] } }))
    expect(why(moved)).toEqual(
      expect.arrayContaining([
        { source: 'choice', key: 'pistonInBore', change: 'added' },
        { source: 'reading', key: 'bores.skirt/c2', change: 'gone' },
        { source: 'reading', key: 'bores.skirt/c1', change: 'added' },
      ]),
    )
  })

  it('a gauge that turned out to be off: every finding it was read for', () => {
    const gauges = new Map(tern.gauges).set('mic-metric.1', { ...tern.gauges.get('mic-metric.1')!, id: 'mic-metric.2' } as Gauge)
    expect(why({ ...tern, gauges })).toEqual([{ source: 'gauge', key: 'mic-metric.1', change: 'changed' }])
    expect(why({ ...tern, gauges }, ratio)).toBeUndefined()
  })

  it('a finding that is asked for no more is stale with all it rested on', () => {
    const rolling = withSpecOf(tern, (spec) => ({ ...spec, layout: { ...spec.layout, mainBearings: 'rolling' as const } }))
    expect(stale(rolling, [endFloat])[0]!.why.every(({ change }) => change === 'gone')).toBe(true)
    expect(() => confirm(rolling, 'bearings.endFloat')).toThrow('finds no bearings.endFloat')
  })
})
