import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { anyChange, anyEngine, CHANGES, fresh, said } from '../../../tests/support/anyBuild'
import { find, stamp, ternDocument } from '../../../tests/support/builds'
import { openBuild } from '../benches'
import { loopOf } from '../benches/cam/loop'
import { compression } from '../benches/compression'
import { rings } from '../benches/rings'
import { withEntries, withSpec, type Build } from './build'
import { effectiveEntries, entriesAt } from './effective'
import { lastOf } from './readings'
import type { Entry, Reading } from './types'

const served = (build: Build): Build => fresh({ ...build, entries: effectiveEntries(build) })
const add = (build: Build, more: object) => withEntries(build, [{ ...stamp(), ...more } as Entry])
/** Enough of other places that nothing before it is among the latest. */
function afterwards(build: Build): Build {
  const last = [...build.readings.current.values()].filter(({ characteristic }) => characteristic === 'compression.deck')
  return Array.from({ length: 24 }, (_, index) => last[index % last.length]!).reduce(
    (now, reading) => add(now, { ...reading, ...stamp(), supersedes: undefined }),
    build,
  )
}

describe('the entries a page is served', () => {
  it('find what all entries find, whatever was corrected, struck, taken back, moved, filed or planned', () => {
    fc.assert(
      fc.property(anyEngine, fc.array(anyChange, { minLength: 1, maxLength: 6 }), fc.boolean(), (document, changes, isLongAgo) => {
        const changed = changes.reduce((build, { kind, which, by }) => CHANGES[kind]!(build, which, by), openBuild(document))
        const build = isLongAgo ? afterwards(changed) : changed
        const page = served(build)
        expect(said(page)).toBe(said(fresh(build)))
        // What nobody has settled is still to be settled, and the sheet shows what the server counts.
        expect([...page.readings.conflicts.keys()].sort()).toEqual([...build.readings.conflicts.keys()].sort())
        expect([...page.readings.current].map(([at, { id }]) => `${at} ${id}`).sort()).toEqual(
          [...build.readings.current].map(([at, { id }]) => `${at} ${id}`).sort(),
        )
      }),
      { numRuns: 150, seed: 2026 },
    )
  })

  it('keep every round in which a cam that is set was read, and of one that is not only the last', () => {
    const build = openBuild(ternDocument)
    const again = (now: Build, cam: 'intake' | 'exhaust', by: number) =>
      ['opens', 'closes'].reduce((soFar, spot) => {
        const reading = soFar.readings.current.get(`cam.event/${cam}/${spot}`)!
        return add(soFar, { ...reading, ...stamp(), value: reading.value + by, supersedes: reading.id })
      }, now)
    const planned = withSpec(build, {
      ...build.spec,
      planned: [{ id: stamp().id, work: { what: 'turnCam', cam: 'intake', by: 3 }, after: build.entries.at(-1)!.id }],
    })
    const read = afterwards(again(again(planned, 'intake', -2.5), 'exhaust', -0.5))
    expect(loopOf(served(read), 'intake')).toEqual(loopOf(read, 'intake'))
    expect(loopOf(read, 'intake')).toHaveLength(2)
    expect(loopOf(served(read), 'exhaust')).toHaveLength(1)
  })

  it('keep readings of a place that did not know of each other, however long ago: nobody has settled them', () => {
    const tern = openBuild(ternDocument)
    const read = tern.readings.current.get('bores.bore/c2/top-thrust')!
    const apart = afterwards(add(tern, { ...read, ...stamp(), value: read.value + 0.01 }))
    const page = served(apart)
    expect(apart.readings.conflicts.get('bores.bore/c2/top-thrust')).toHaveLength(2)
    expect(page.readings.conflicts.get('bores.bore/c2/top-thrust')?.map(({ value }) => value)).toEqual([read.value, read.value + 0.01])
  })

  it('keep what choices and plans are worked out from, though it is of no place: a pull, a step of the walk', () => {
    const tern = openBuild(ternDocument)
    const step = { kind: 'step', ...stamp(), step: 'job.agreed', did: 'done' } as Entry
    const before = withEntries(tern, [step])
    const planned = withSpec(before, { ...before.spec, planned: [{ id: stamp().id, work: { what: 'deckCut', by: 0.1 }, after: step.id }] })
    const build = afterwards(planned)
    expect(effectiveEntries(build).map(({ id }) => id)).toContain(step.id)
    const deck = (of: Build) => find(compression, of, 'compression.deckClearance.1').figure!.value.value
    expect(deck(served(planned))).toBeCloseTo(deck(planned), 9)
    expect(deck(planned)).toBeCloseTo(deck(tern) - 0.1, 9)
  })

  it('are one a place, however often each was read', () => {
    const tern = openBuild(ternDocument)
    const read = [...tern.readings.current.values()]
    const again = read.reduce((build, { id, ...reading }) => add(build, { ...reading, supersedes: id }), tern)
    expect(again.entries).toHaveLength(tern.entries.length + read.length)
    // The places of the twenty read last are whole.
    expect(effectiveEntries(again).filter(({ kind }) => kind === 'reading')).toHaveLength(read.length + 20)
  })

  it('keep every pass of a ring on the file, also where the place was read once more without one', () => {
    const top = (depth: string) => `rings.topGap/c2/${depth}`
    const tern = openBuild(ternDocument)
    const before = tern.readings.current.get(top('top'))!
    const filed = add(tern, {
      ...before,
      ...stamp(),
      value: before.value + 0.05,
      upper: before.upper! + 0.05,
      strokes: 6,
      supersedes: before.id,
    })
    const pass = filed.readings.current.get(top('top'))!
    const read = afterwards(add(filed, { ...pass, ...stamp(), strokes: undefined, supersedes: pass.id }))
    const gap = (build: Build) => find(rings, build, 'rings.topGap.2').remarks.map(({ code }) => code)
    expect(gap(fresh(read))).toContain('filedSince')
    expect(gap(served(read))).toEqual(gap(fresh(read)))
  })

  it('take back what was entered last as if all were there, and what it hid counts again', () => {
    const tern = openBuild(ternDocument)
    const first = tern.readings.current.get('compression.deck/c2/front')!
    const corrected = add(tern, { ...first, ...stamp(), value: 0.2, supersedes: first.id, by: 'ZZ' })
    const page = served(corrected)
    const last = lastOf(page.entries, page.readings, 'ZZ', () => true)!
    expect(last).toMatchObject({ value: 0.2 })
    expect(add(page, { kind: 'undo', target: last.id }).readings.current.get('compression.deck/c2/front')?.value).toBe(first.value)
  })
})

describe('the entries of one place', () => {
  const tern = openBuild(ternDocument)
  const at = 'compression.deck/c2/front'
  const reading = tern.readings.current.get(at)! as Reading
  const stamped = () => stamp()
  const strike = { kind: 'strike', ...stamped(), target: reading.id, reason: 'slip' } as Entry
  const undo = { kind: 'undo', ...stamped(), target: strike.id } as Entry
  const neighbour = tern.readings.current.get('compression.deck/c3/front')!
  const move = { kind: 'move', ...stamped(), target: neighbour.id, place: reading.place, reason: 'wrong place' } as Entry

  it('are all that is about it, in order: what was struck out, taken back and moved there', () => {
    const build = withEntries(tern, [strike, undo, move])
    expect(entriesAt(build, at).map(({ id }) => id)).toEqual([reading.id, neighbour.id, strike.id, undo.id, move.id])
    const alone = fresh({ ...build, entries: entriesAt(build, at) })
    expect(alone.readings.history.get(at)).toEqual(build.readings.history.get(at))
  })

  it('are none where nothing was entered', () => {
    expect(entriesAt(tern, 'compression.deck/c9/front')).toEqual([])
  })
})
