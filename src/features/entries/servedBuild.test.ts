import { describe, expect, it } from 'vitest'
import { gzipSync } from 'node:zlib'
import { sixteen } from '../../../benchmarks/sixteen'
import { stamp, ternDocument } from '../../../tests/support/builds'
import { openBuild } from '@/core/benches'
import { withEntries, type Build, type Entry } from '@/core/document'
import { effectiveEntries } from '@/core/document/effective'
import { documentServed, endOfId, endsOf, serveBuild } from './servedBuild'

const again = (build: Build): Build =>
  withEntries(
    build,
    [...build.readings.current.values()].map((reading) => ({ ...reading, ...stamp(), supersedes: reading.id })),
  )

describe('a build as a page is sent it', () => {
  it('comes out as it went in: every entry that decides something, whatever it says', () => {
    const build = openBuild({
      ...ternDocument,
      entries: [
        ...ternDocument.entries,
        {
          ...openBuild(ternDocument).readings.current.get('bores.skirt/c2')!,
          ...stamp(),
          at: '2026-03-02T12:00:00+02:00',
          upper: 82.9,
          plusMinus: 0.001,
          partTempC: 24,
          gaugeTempC: 21,
          partState: 'final',
        },
        { kind: 'note', ...stamp(), characteristic: 'bores.skirt', place: { cylinder: 2 }, text: 'scored' },
        { kind: 'skip', ...stamp(), characteristic: 'bores.deckFinish', place: { bank: 'left' }, reason: 'no gauge' },
        { kind: 'check', ...stamp(), characteristic: 'bores.cracks', place: {}, passed: false, text: 'one' },
      ] as Entry[],
    })
    const served = serveBuild(build, 77)
    expect(documentServed(JSON.parse(JSON.stringify(served))).entries).toEqual(effectiveEntries(build))
    expect([served.lastSeq, served.spec]).toEqual([77, ternDocument.spec])
  })

  it('names what else is stored by the end of its id, so that a device knows what a server has lost', () => {
    const first = openBuild(ternDocument)
    const served = serveBuild(again(first), 1)
    const sent = new Set(documentServed(served).entries.map(({ id }) => id))
    const left = [...first.readings.current.values()].filter(({ id }) => !sent.has(id))
    expect(left.length).toBeGreaterThan(200)
    expect([...endsOf(served.alsoStored)].sort()).toEqual(left.map(({ id }) => endOfId(id)).sort())
    expect(endOfId('01a218b3-f853-75a2-8e82-aca88d0d0a06')).toBe(Buffer.from('aca88d0d0a06', 'hex').toString('base64'))
    expect(endsOf('')).toEqual(new Set())
  })

  it('brings the cards in the drawer and those that took what is sent, no others', () => {
    const worn = { ...ternDocument.gauges[0]!, id: 'worn.1', gauge: 'worn', since: '2020-01-01T00:00:00Z' }
    const replaced = { ...worn, id: 'worn.2', since: '2021-01-01T00:00:00Z' }
    const build = openBuild({ ...ternDocument, gauges: [...ternDocument.gauges, worn, replaced] })
    const ids = serveBuild(build, 1).gauges.map(({ id }) => id)
    expect(ids).toContain('worn.2')
    expect(ids).not.toContain('worn.1')
  })

  it('of sixteen cylinders read eight times over is less than 200 kB, and a third of that on the wire', () => {
    const build = Array.from({ length: 7 }).reduce<Build>(again, openBuild(sixteen()))
    expect(build.entries.length).toBeGreaterThan(5500)
    const text = JSON.stringify(serveBuild(build, 1))
    expect(text.length).toBeLessThan(200_000)
    expect(gzipSync(text).length).toBeLessThan(70_000)
  })
})
