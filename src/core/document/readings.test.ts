import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import { indexAdded, indexEntries, lastOf } from './readings'
import { stationId } from './place'
import type { Entry } from './types'

const at = '2026-03-01T10:00:00.000Z'
const place = { cylinder: 3, spot: 'front' }
const STATION = 'compression.deck/c3/front'
const uuid = (n: number) => `01920000-0000-7000-8000-${String(n).padStart(12, '0')}`
const reading = (n: number, value: number): Entry => ({
  kind: 'reading',
  id: uuid(n),
  at,
  by: 'KV',
  characteristic: 'compression.deck',
  place,
  value,
  unit: 'mm',
  asTyped: String(value),
  gauge: 'dial.1',
})
const correction = (n: number, value: number, of: number): Entry => ({ ...reading(n, value), supersedes: uuid(of) }) as Entry
const strike = (n: number, target: number): Entry => ({
  kind: 'strike',
  id: uuid(n),
  at,
  by: 'KV',
  target: uuid(target),
  reason: 'dial had slipped',
})
const undo = (n: number, target: number): Entry => ({ kind: 'undo', id: uuid(n), at, by: 'KV', target: uuid(target) })
const valueAt = (entries: Entry[]) => indexEntries(entries).current.get(STATION)?.value

describe('readings index', () => {
  it('names stations by characteristic and place', () => {
    expect(stationId('compression.deck', place)).toBe(STATION)
    expect(stationId('compression.chamberStart', { cylinder: 2, repeat: 1 })).toBe('compression.chamberStart/c2/r1')
    expect(stationId('compression.gasketThickness', { bank: 'left' })).toBe('compression.gasketThickness/left')
  })

  it('a correction counts and the earlier reading stays in the history', () => {
    const index = indexEntries([reading(1, 0.05), correction(2, 0.06, 1)])
    expect(index.current.get(STATION)?.value).toBe(0.06)
    expect(index.history.get(STATION)!.map(({ state }) => state)).toEqual(['superseded', 'current'])
    expect(index.conflicts.size).toBe(0)
  })

  it('what a reading corrects decides, not the clock that stamped it nor the order of arrival', () => {
    const slow = { ...correction(1, 0.06, 2), at: '2026-03-01T09:00:00.000Z' } as Entry
    for (const entries of [
      [reading(2, 0.05), slow],
      [slow, reading(2, 0.05)],
    ]) {
      expect(valueAt(entries)).toBe(0.06)
      expect(
        indexEntries(entries)
          .history.get(STATION)!
          .map(({ entry, state }) => [entry.id, state]),
      ).toContainEqual([uuid(2), 'superseded'])
    }
  })

  it('two readings that do not know of each other are a conflict: both kept, the later received counts until it is settled', () => {
    const index = indexEntries([reading(2, 0.06), reading(1, 0.05)])
    expect(index.current.get(STATION)?.value).toBe(0.05)
    expect(
      index.conflicts
        .get(STATION)!
        .map(({ value }) => value)
        .sort(),
    ).toEqual([0.05, 0.06])
    expect(
      index.history
        .get(STATION)!
        .map(({ state }) => state)
        .sort(),
    ).toEqual(['conflicting', 'current'])
    const settled = indexEntries([reading(2, 0.06), reading(1, 0.05), { ...correction(3, 0.06, 1), settles: [uuid(2)] } as Entry])
    expect(settled.current.get(STATION)?.id).toBe(uuid(3))
    expect(settled.conflicts.size).toBe(0)
  })

  it('a reading moved to the cylinder it was meant for counts there, and nowhere else', () => {
    const move: Entry = {
      kind: 'move',
      id: uuid(2),
      at,
      by: 'KV',
      target: uuid(1),
      place: { cylinder: 4, spot: 'front' },
      reason: 'meant for 4',
    }
    const index = indexEntries([reading(1, 0.05), move])
    expect(index.current.has(STATION)).toBe(false)
    expect(index.current.get('compression.deck/c4/front')).toMatchObject({ id: uuid(1), value: 0.05 })
    // Taken back, it stands where it was typed.
    expect(indexEntries([reading(1, 0.05), move, undo(3, 2)]).current.get(STATION)?.id).toBe(uuid(1))
  })

  it('striking the latest brings the one before back; striking all leaves nothing', () => {
    const both = [reading(1, 0.05), correction(2, 0.06, 1)]
    expect(valueAt([...both, strike(3, 2)])).toBe(0.05)
    expect(valueAt([...both, strike(3, 2), strike(4, 1)])).toBeUndefined()
  })

  it('an undo takes back, an undo of the undo brings back, a struck reading can be restored', () => {
    expect(valueAt([reading(1, 0.05), undo(2, 1)])).toBeUndefined()
    expect(valueAt([reading(1, 0.05), undo(2, 1), undo(3, 2)])).toBe(0.05)
    expect(valueAt([reading(1, 0.05), strike(2, 1), undo(3, 2)])).toBe(0.05)
  })

  it('offers for undo the last standing entry of this person and these places, never another’s', () => {
    const others = { ...reading(3, 0.07), by: 'AB' } as Entry
    const elsewhere = { ...reading(4, 83), characteristic: 'bores.bore' } as Entry
    const last = (...entries: Entry[]) =>
      lastOf(entries, indexEntries(entries), 'KV', (characteristic) => characteristic === 'compression.deck')?.id
    const mine = [reading(1, 0.05), correction(2, 0.06, 1)]
    expect(last(...mine, others, elsewhere)).toBe(uuid(2))
    expect(last(...mine, others, undo(5, 2))).toBe(uuid(1))
    expect(last(...mine, strike(5, 2))).toBe(uuid(5))
    expect(last(others, elsewhere)).toBeUndefined()
  })

  it('stands twenty thousand corrections of one place in whatever order they came, and as many undos of undos', () => {
    const chain = Array.from({ length: 20_000 }, (_, index) => (index === 0 ? reading(1, 0) : correction(index + 1, index / 1e6, index)))
    for (const entries of [chain, chain.toReversed()]) {
      const index = indexEntries(entries)
      expect(index.current.get(STATION)?.id).toBe(uuid(20_000))
      expect(index.conflicts.size).toBe(0)
    }
    const undos = Array.from({ length: 20_001 }, (_, index) => undo(index + 2, index + 1))
    // An odd count of undos takes the reading back, an even one leaves it.
    expect(valueAt([reading(1, 0.05), ...undos])).toBeUndefined()
    expect(valueAt([reading(1, 0.05), ...undos.slice(1).toReversed(), undos[0]!, undo(20_003, 20_002)])).toBe(0.05)
  })

  it('added to, is what it would be if all had come at once: whatever is added to whatever', () => {
    const ids = fc.integer({ min: 1, max: 9 })
    const spot = fc.constantFrom('front', 'rear')
    const any = fc.oneof(
      {
        weight: 6,
        arbitrary: fc
          .tuple(ids, spot, fc.option(ids), fc.constantFrom(undefined, undefined, 'machined', 'final'))
          .map(([id, at_, of, partState]) => {
            const one = of ? correction(id, id, of) : reading(id, id)
            return { ...one, place: { ...place, spot: at_ }, ...(partState && { partState }) } as Entry
          }),
      },
      { weight: 1, arbitrary: fc.tuple(ids, ids).map(([id, of]) => strike(id + 10, of)) },
      { weight: 1, arbitrary: fc.tuple(ids, ids).map(([id, of]) => undo(id + 20, of)) },
      {
        weight: 1,
        arbitrary: fc
          .tuple(ids, ids)
          .map(([id, of]): Entry => ({ ...strike(id + 30, of), kind: 'move', place: { ...place, spot: 'left' } }) as Entry),
      },
      {
        weight: 1,
        arbitrary: fc
          .tuple(ids, spot)
          .map(([id, at_]): Entry => ({
            kind: 'skip',
            id: uuid(id + 40),
            at,
            by: 'KV',
            characteristic: 'compression.deck',
            place: { ...place, spot: at_ },
            reason: 'x',
          })),
      },
      {
        weight: 1,
        arbitrary: fc
          .tuple(ids, fc.boolean())
          .map(([id, passed]): Entry => ({
            kind: 'check',
            id: uuid(id + 50),
            at,
            by: 'KV',
            characteristic: 'bores.cracks',
            place: {},
            passed,
          })),
      },
    )
    fc.assert(
      fc.property(fc.array(any, { maxLength: 8 }), fc.array(any, { minLength: 1, maxLength: 4 }), (before, added) => {
        const all = [...before, ...added]
        if (new Set(all.map(({ id }) => id)).size < all.length) return
        expect(indexAdded(indexEntries(before), all, added)).toEqual(indexEntries(all))
      }),
      { numRuns: 3000, seed: 8 },
    )
  })

  it('a part read after it was machined counts before what it was, supersedes none of it, and only the latest state can conflict', () => {
    const machined = (n: number, value: number, more: object = {}) => ({ ...reading(n, value), partState: 'machined', ...more }) as Entry
    const index = indexEntries([machined(2, 0.06), reading(1, 0.05)])
    expect(index.current.get(STATION)?.value).toBe(0.06)
    expect(index.history.get(STATION)!.map(({ state }) => state)).toEqual(['current', 'earlier'])
    expect([index.conflicts.size, index.saysStates]).toEqual([0, true])
    const twice = indexEntries([reading(1, 0.05), machined(2, 0.06), machined(3, 0.07)])
    expect(twice.conflicts.get(STATION)!.map(({ id }) => id)).toEqual([uuid(2), uuid(3)])
    const corrected = indexEntries([reading(1, 0.05), machined(2, 0.06), machined(3, 0.07, { supersedes: uuid(2) })])
    expect(corrected.history.get(STATION)!.map(({ state }) => state)).toEqual(['earlier', 'superseded', 'current'])
    // Struck out, the part is again what it was read as.
    expect(valueAt([reading(1, 0.05), machined(2, 0.06), strike(3, 2)])).toBe(0.05)
    const final = { ...reading(4, 0.08), partState: 'final' } as Entry
    expect(valueAt([final, { ...reading(5, 0.09), partState: 'trial' } as Entry, machined(6, 0.1)])).toBe(0.08)
    expect(indexEntries([reading(1, 0.05)]).saysStates).toBe(false)
  })

  it('a skip stands until the place is read', () => {
    const skip: Entry = { kind: 'skip', id: uuid(1), at, by: 'KV', characteristic: 'compression.deck', place, reason: 'valve in the way' }
    expect(indexEntries([skip]).skips.has(STATION)).toBe(true)
    expect(indexEntries([skip, reading(2, 0.05)]).skips.has(STATION)).toBe(false)
  })
})
