import type { Transaction } from '@libsql/client'
import { describe, expect, it } from 'vitest'
import { entryOfFlat, moveFlatEntries, NotMoved, type FlatRow } from './flatEntries'

const AT = '2026-03-01T10:00:00.000Z'
const flat = (seq: number, more: FlatRow = {}): FlatRow => ({
  seq,
  id: `n${seq}`,
  build_id: 'b1',
  kind: 'note',
  characteristic: 'bores.bore',
  cylinder: 2,
  words: 'a nick',
  value: null,
  device_at: null,
  at: AT,
  by: 'KV',
  received_at: AT,
  ...more,
})

/** A database that holds two rows and gives back what it was given, as `tampered` makes it. */
function holding(rows: readonly FlatRow[], tampered: (stored: FlatRow[]) => FlatRow[]): Transaction {
  let stored: FlatRow[] = []
  const execute = ({ sql, args }: { sql: string; args: unknown[] } | { sql: undefined; args: [] }) => {
    if (sql === undefined) return { rows: [{ old: rows.length, moved: tampered(stored).length }] }
    if (sql.startsWith('INSERT')) {
      for (let at = 0; at < args.length; at += 8) {
        const [seq, id, build_id, kind, body, time, by, received_at] = args.slice(at, at + 8)
        stored.push({ seq, id, build_id, kind, body, at: time, by, received_at })
      }
      return { rows: [] }
    }
    const after = Number(args[0])
    return { rows: (sql.includes('entry_flat') ? rows : tampered(stored)).filter(({ seq }) => Number(seq) > after) }
  }
  return {
    execute: async (asked: any) => execute(typeof asked === 'string' ? { sql: undefined, args: [] } : asked),
  } as unknown as Transaction
}

const second = (change: FlatRow) => (stored: FlatRow[]) => stored.map((row, at) => (at === 1 ? { ...row, ...change } : row))

describe('entries that are moved are compared with what they were', () => {
  const rows = [flat(1), flat(2, { device_at: '2027-01-01T00:00:00.000Z' })]

  it('and are, where nothing is changed', async () => {
    await expect(moveFlatEntries(holding(rows, (stored) => stored))).resolves.toBeUndefined()
  })

  it.each([
    ['another place in the order', second({ seq: 3 })],
    ['another build', second({ build_id: 'b2' })],
    ['another id', second({ id: 'n3' })],
    ['another kind', second({ kind: 'skip' })],
    ['another time', second({ at: '2026-03-01T10:00:00.001Z' })],
    ['another person', second({ by: 'AB' })],
    ['another arrival', second({ received_at: '2026-03-02T10:00:00.000Z' })],
    [
      'other words',
      second({ body: '{"at":"2027-01-01T00:00:00.000Z","characteristic":"bores.bore","place":{"cylinder":2},"text":"a nick."}' }),
    ],
    ['no time of its device', second({ body: '{"characteristic":"bores.bore","place":{"cylinder":2},"text":"a nick"}' })],
    ['one that is gone', (stored: FlatRow[]) => stored.slice(0, 1)],
    ['one before the other', (stored: FlatRow[]) => stored.toReversed()],
  ])('%s is told', async (_, tampered) => {
    await expect(moveFlatEntries(holding(rows, tampered))).rejects.toThrow(NotMoved)
  })

  it('and counted: one more than there were is told', async () => {
    const more = (stored: FlatRow[]) => [...stored, { ...stored[0]!, seq: 0 }]
    await expect(moveFlatEntries(holding(rows, more))).rejects.toThrow('Of 2 entries 3 were moved')
  })
})

it('a row with what its kind has no field for is not read', () => {
  expect(entryOfFlat(flat(1))).toEqual({
    kind: 'note',
    id: 'n1',
    at: AT,
    by: 'KV',
    characteristic: 'bores.bore',
    text: 'a nick',
    place: { cylinder: 2 },
  })
  expect(() => entryOfFlat(flat(1, { torque: 20 }))).not.toThrow()
  expect(() => entryOfFlat(flat(1, { value: 0 }))).toThrow('Entry n1: a note with value')
})
