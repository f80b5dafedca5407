import { describe, expect, it } from 'vitest'
import { indexEntries, stationId } from './readings'
import type { Entry } from './types'

const at = '2026-03-01T10:00:00.000Z'
const place = { cylinder: 3, spot: 'front' }
const STATION = 'deck/c3/front'
const uuid = (n: number) => `01920000-0000-7000-8000-${String(n).padStart(12, '0')}`
const reading = (n: number, value: number): Entry => ({
  kind: 'reading', id: uuid(n), at, by: 'KV', characteristic: 'deck', place, value, unit: 'mm', asTyped: String(value), gauge: 'dial.1',
})
const strike = (n: number, target: number): Entry => ({ kind: 'strike', id: uuid(n), at, by: 'KV', target: uuid(target), reason: 'dial had slipped' })
const undo = (n: number, target: number): Entry => ({ kind: 'undo', id: uuid(n), at, by: 'KV', target: uuid(target) })
const valueAt = (entries: Entry[]) => indexEntries(entries).current.get(STATION)?.value

describe('readings index', () => {
  it('names stations by characteristic and place', () => {
    expect(stationId('deck', place)).toBe(STATION)
    expect(stationId('chamberStart', { cylinder: 2, repeat: 1 })).toBe('chamberStart/c2/r1')
    expect(stationId('gasketThickness', { bank: 'left' })).toBe('gasketThickness/left')
  })

  it('a re-measure counts and the earlier reading stays in the history', () => {
    const index = indexEntries([reading(1, 0.05), reading(2, 0.06)])
    expect(index.current.get(STATION)?.value).toBe(0.06)
    expect(index.history.get(STATION)!.map(({ state }) => state)).toEqual(['superseded', 'current'])
  })

  it('does not depend on the order of arrival', () => {
    expect(valueAt([reading(2, 0.06), reading(1, 0.05)])).toBe(0.06)
  })

  it('striking the latest brings the one before back; striking all leaves nothing', () => {
    const both = [reading(1, 0.05), reading(2, 0.06)]
    expect(valueAt([...both, strike(3, 2)])).toBe(0.05)
    expect(valueAt([...both, strike(3, 2), strike(4, 1)])).toBeUndefined()
  })

  it('an undo takes back, an undo of the undo brings back, a struck reading can be restored', () => {
    expect(valueAt([reading(1, 0.05), undo(2, 1)])).toBeUndefined()
    expect(valueAt([reading(1, 0.05), undo(2, 1), undo(3, 2)])).toBe(0.05)
    expect(valueAt([reading(1, 0.05), strike(2, 1), undo(3, 2)])).toBe(0.05)
  })

  it('offers the last standing entry for undo', () => {
    expect(indexEntries([reading(1, 0.05), reading(2, 0.06), undo(3, 2)]).last?.id).toBe(uuid(1))
  })

  it('a skip stands until the place is read', () => {
    const skip: Entry = { kind: 'skip', id: uuid(1), at, by: 'KV', characteristic: 'deck', place, reason: 'valve in the way' }
    expect(indexEntries([skip]).skips.has(STATION)).toBe(true)
    expect(indexEntries([skip, reading(2, 0.05)]).skips.has(STATION)).toBe(false)
  })
})
