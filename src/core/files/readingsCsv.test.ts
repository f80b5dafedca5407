import { describe, expect, it } from 'vitest'
import { BENCHES } from '@/core/benches'
import { DEMO_BUILDS } from '@/demo/scenario'
import { demoDocument } from '@/demo/readings'
import { openBuild } from '../build/build'
import { CSV_COLUMNS, readingsFromCsv, readingsToCsv, type CsvStation } from './readingsCsv'

const document = demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z'))
const tern = openBuild(document)
const empty = openBuild({ ...document, entries: [] })
const stations: CsvStation[] = BENCHES.flatMap((bench) =>
  bench
    .stations(tern)
    .map((station) => ({
      id: station.id,
      expected: station.expected,
      unit: bench.definition.characteristics[station.characteristic]!.units.metric,
    })),
)
let counter = 0
const makeId = () => `01920000-0000-7000-9000-${String(++counter).padStart(12, '0')}`
const header = CSV_COLUMNS.join(',')
const row = (cells: Partial<Record<(typeof CSV_COLUMNS)[number], string>>) =>
  CSV_COLUMNS.map(
    (column) =>
      ({
        characteristic: 'deck',
        cylinder: '1',
        spot: 'front',
        value: '0.05',
        unit: 'mm',
        gauge: 'dial-metric.1',
        at: '2026-03-01T10:00:00Z',
        by: 'KV',
        ...cells,
      })[column as 'value'] ?? '',
  ).join(',')
const readOne = (cells: Parameters<typeof row>[0]) =>
  readingsFromCsv(`${header}\n${row(cells)}\n`, empty, stations, { makeId }).rows[0]!.outcome

describe('readings as CSV', () => {
  it('reads back every reading exactly', () => {
    const report = readingsFromCsv(readingsToCsv(tern), empty, stations, { makeId })
    const readings = report.rows.map(({ outcome }) => (outcome.state === 'good' ? outcome.reading : outcome))
    expect(readings).toHaveLength(261)
    expect(readings).toEqual(document.entries.filter(({ kind }) => kind === 'reading').sort((a, b) => (a.id < b.id ? -1 : 1)))
  })

  it('knows rows that are already stored', () => {
    const states = readingsFromCsv(readingsToCsv(tern), tern, stations, { makeId }).rows.map(({ outcome }) => outcome.state)
    expect(new Set(states)).toEqual(new Set(['known']))
  })

  it.each([
    ['a place the engine has not', { cylinder: '7' }, 'unknownPlace'],
    ['a number with a letter in it', { value: '0.O5' }, 'badNumber'],
    ['a volume for a length', { unit: 'cc' }, 'badUnit'],
    ['no unit at all', { unit: '' }, 'badUnit'],
    ['a gauge nobody has', { gauge: 'laser' }, 'unknownGauge'],
    ['a date only', { at: 'yesterday' }, 'badTime'],
    ['nobody’s initials', { by: '' }, 'noInitials'],
    ['inches for thou', { value: '0.5', unit: 'in' }, 'absurd'],
    ['a cylinder that is no number', { cylinder: 'three' }, 'badNumber'],
  ] as const)('names a row with %s', (_, cells, code) => {
    const outcome = readOne(cells)
    expect(outcome.state === 'bad' ? outcome.issues.map((issue) => issue.code) : outcome.state).toContain(code)
  })

  it('takes a row in another unit', () => {
    const outcome = readOne({ value: '2', unit: 'thou' })
    expect(outcome.state === 'good' && outcome.reading).toMatchObject({ value: 0.0508, unit: 'thou', asTyped: '2 thou' })
  })

  it('keeps negative readings negative through a spreadsheet guard', () => {
    const above = openBuild({
      ...document,
      entries: [
        {
          ...document.entries.find((entry) => entry.kind === 'reading' && entry.characteristic === 'deck')!,
          value: -0.02,
          asTyped: '-0.02',
        } as never,
      ],
    })
    const outcome = readingsFromCsv(readingsToCsv(above), empty, stations, { makeId }).rows[0]!.outcome
    expect(outcome.state === 'good' && outcome.reading.value).toBe(-0.02)
  })

  it('refuses a table without the columns it needs', () => {
    expect(readingsFromCsv('a,b\n1,2\n', tern, stations, { makeId }).headerIssues.map((issue) => issue.code)).toContain('missingColumn')
  })
})
