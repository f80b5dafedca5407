import type { Entry, Place } from '@/core/build'
import type { entryTable } from './schema'

type Row = typeof entryTable.$inferSelect
type NewRow = typeof entryTable.$inferInsert

export function rowOf(entry: Entry, buildId: string, receivedAt: string): NewRow {
  const { id, kind, at, by } = entry
  const stamp = { id, buildId, kind, at, by, receivedAt }
  switch (entry.kind) {
    case 'reading': {
      const { characteristic, place, value, upper, unit, asTyped, gauge, partTempC, gaugeTempC, strokes, supersedes } = entry
      return { ...stamp, characteristic, ...place, value, upper, unit, asTyped, gauge, partTempC, gaugeTempC, strokes, supersedes }
    }
    case 'skip': return { ...stamp, characteristic: entry.characteristic, ...entry.place, words: entry.reason }
    case 'note': return { ...stamp, characteristic: entry.characteristic, ...entry.place, words: entry.text }
    case 'check': return { ...stamp, characteristic: entry.characteristic, ...entry.place, passed: entry.passed, words: entry.text }
    case 'strike': return { ...stamp, target: entry.target, words: entry.reason }
    case 'undo': return { ...stamp, target: entry.target }
  }
}

/** @throws if a column the kind needs is empty: the table has been written to by something else. */
export function entryOf(row: Row): Entry {
  const stamp = { id: row.id, at: row.at, by: row.by }
  switch (row.kind) {
    case 'reading':
      return {
        kind: 'reading', ...stamp, characteristic: needed(row, 'characteristic'), place: placeOf(row), value: needed(row, 'value'),
        ...(row.upper !== null && { upper: row.upper }), unit: needed(row, 'unit'), asTyped: needed(row, 'asTyped'), gauge: needed(row, 'gauge'),
        ...optional({ partTempC: row.partTempC, gaugeTempC: row.gaugeTempC, strokes: row.strokes, supersedes: row.supersedes }),
      }
    case 'skip': return { kind: 'skip', ...stamp, characteristic: needed(row, 'characteristic'), place: placeOf(row), reason: needed(row, 'words') }
    case 'note': return { kind: 'note', ...stamp, characteristic: needed(row, 'characteristic'), place: placeOf(row), text: needed(row, 'words') }
    case 'check': return { kind: 'check', ...stamp, characteristic: needed(row, 'characteristic'), place: placeOf(row), passed: needed(row, 'passed'), ...optional({ text: row.words }) }
    case 'strike': return { kind: 'strike', ...stamp, target: needed(row, 'target'), reason: needed(row, 'words') }
    case 'undo': return { kind: 'undo', ...stamp, target: needed(row, 'target') }
  }
}

function placeOf({ cylinder, main, bank, spot, repeat }: Row): Place {
  return optional({ cylinder, main, bank, spot, repeat })
}

/** The columns that are filled. */
function optional<Columns extends Record<string, unknown>>(columns: Columns): { [Name in keyof Columns]?: NonNullable<Columns[Name]> } {
  return Object.fromEntries(Object.entries(columns).filter(([, value]) => value !== null)) as { [Name in keyof Columns]?: NonNullable<Columns[Name]> }
}

function needed<Column extends keyof Row>(row: Row, column: Column): NonNullable<Row[Column]> {
  const value = row[column]
  if (value === null || value === undefined) throw new Error(`Entry ${row.id}: a ${row.kind} without ${column}`)
  return value as NonNullable<Row[Column]>
}
