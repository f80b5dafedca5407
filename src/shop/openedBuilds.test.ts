import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import type { Build, BuildDocument, Entry } from '@/core/document'
import { evaluate } from '@/core/evaluation/evaluate'
import { standardUncertainty } from '@/core/metrology/uncertain'
import type { StoredBuild } from '@/data/load'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { openStored } from './openedBuilds'

const now = new Date('2026-03-01T12:00:00Z')
const [tern, petrel, wren] = DEMO_BUILDS.map((engine) => demoDocument(engine, now)) as [BuildDocument, BuildDocument, BuildDocument]
/** As the database gives it: no object is one of an earlier answer. */
const stored = (document: BuildDocument, revision = 1): StoredBuild => structuredClone({ document, revision, lastSeq: 0, cameWithFile: 0 })
/** What is found, to the last digit. */
const found = (build: Build) =>
  evaluate(build).map(({ id, figure, conformity, missing }) => [
    id,
    figure?.value.value,
    figure && standardUncertainty(figure.value),
    conformity?.verdict,
    missing?.length,
  ])
const asNew = (document: BuildDocument) => found(openBuild(structuredClone(document)))

describe('a stored build that is opened again', () => {
  it('stands as if it were opened for the first time, wherever its entries were cut off before', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(tern, petrel, wren),
        fc.array(fc.nat(400), { minLength: 1, maxLength: 4 }),
        fc.uuid({ version: 7 }),
        (document, cuts, id) => {
          for (const cut of cuts.toSorted((a, b) => a - b)) {
            const then = { ...document, id, entries: document.entries.slice(0, cut) }
            expect(found(openStored(stored(then)))).toEqual(asNew(then))
          }
        },
      ),
      { numRuns: 12 },
    )
  })

  it('keeps what was derived where nothing has changed, and where another bench was read', () => {
    const readings = tern.entries.filter(({ kind }) => kind === 'reading')
    const first = openStored(stored({ ...tern, entries: readings.slice(0, -1) }))
    const again = openStored(stored({ ...tern, entries: readings.slice(0, -1) }))
    expect(again).toBe(first)
    const more = openStored(stored({ ...tern, entries: readings }))
    expect(more.memory).toBe(first.memory)
    expect(more.entries).toHaveLength(readings.length)
  })

  it('is not taken from the others by a slow request that read fewer entries', () => {
    const id = '01934000-0000-7000-8000-0000000000ac'
    const fewer = { ...tern, id, entries: tern.entries.slice(0, 50) }
    const newest = openStored(stored({ ...tern, id }))
    expect(found(openStored(stored(fewer)))).toEqual(asNew(fewer))
    expect(openStored(stored({ ...tern, id }))).toBe(newest)
  })

  it('follows its paper, its gauges and a correction', () => {
    openStored(stored(tern))
    const paper = { ...tern.spec.paper, stroke: { ...tern.spec.paper.stroke!, value: 95 } }
    const other = { ...tern, spec: { ...tern.spec, paper } }
    expect(found(openStored(stored(other, 2)))).toEqual(asNew(other))
    const dearer = { ...other, gauges: [...tern.gauges, { ...tern.gauges[0]!, id: 'a-new-card' }] }
    expect(openStored(stored(dearer, 2)).gauges.has('a-new-card')).toBe(true)
    // Restored from a copy of an earlier day: fewer entries, or others.
    const fewer = { ...tern, entries: tern.entries.slice(0, 100) }
    expect(found(openStored(stored(fewer, 1)))).toEqual(asNew(fewer))
    const others = { ...tern, entries: tern.entries.slice(0, 150).toReversed() }
    expect(found(openStored(stored(others, 1)))).toEqual(asNew(others))
  })

  it('sets aside an entry when what it points at comes later and is of a kind that it may not', () => {
    const said = { at: now.toISOString(), by: 'KV' } as const
    const [strikeId, noteId] = ['01934000-0000-7000-8000-0000000000aa', '01934000-0000-7000-8000-0000000000ab']
    const strike: Entry = { ...said, kind: 'strike', id: strikeId, target: noteId, reason: 'slipped' }
    const note: Entry = { ...said, kind: 'note', id: noteId, characteristic: 'bores.bore', place: { cylinder: 1 }, text: 'dry' }
    const waits = { ...tern, entries: [...tern.entries, strike] }
    expect(openStored(stored(waits)).setAside).toEqual([])
    const there = openStored(stored({ ...waits, entries: [...waits.entries, note] }))
    expect(there.setAside.map(({ id }) => id)).toEqual([strikeId])
    expect(there.entries.at(-1)!.id).toBe(noteId)
  })
})
