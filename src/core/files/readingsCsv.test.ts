import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { BENCHES, openBuild } from '@/core/benches'
import { DEMO_BUILDS } from '@/demo/scenario'
import { demoDocument } from '@/demo/readings'
import type { Reading } from '../document/types'
import { CSV_COLUMNS, type CsvStation } from './csvCells'
import { csvTemplate, readingsFromCsv, readingsToCsv } from './readingsCsv'

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
const [first, second] = document.entries.filter(({ kind }) => kind === 'reading') as [Reading, Reading]
let counter = 0
const makeId = () => `01920000-0000-7000-9000-${String(++counter).padStart(12, '0')}`
const header = CSV_COLUMNS.join(',')
const row = (cells: Partial<Record<(typeof CSV_COLUMNS)[number], string>>) =>
  CSV_COLUMNS.map(
    (column) =>
      ({
        characteristic: 'compression.deck',
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
    expect(readings.length).toBeGreaterThan(500)
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

  it('says what the part was when it was read; supersedes only of that state; not said, it is the last one’s', () => {
    const place = (of: object) => ({
      ...document,
      entries: document.entries.map((entry) => (entry.id === first.id ? { ...entry, ...of } : entry)),
    })
    const machined = openBuild(place({ partState: 'machined' }))
    const [row] = Papa.parse<Record<string, string>>(readingsToCsv(machined), { header: true }).data
    expect(row!.part_state).toBe('machined')
    const again = (build: typeof tern, cells: object) => {
      const csv = Papa.unparse([{ ...row, id: '', supersedes: '', ...cells }], { columns: [...CSV_COLUMNS] })
      const { outcome } = readingsFromCsv(csv, build, stations, { makeId }).rows[0]!
      return outcome.state === 'good' ? outcome.reading : outcome
    }
    expect(again(machined, { part_state: '' })).toMatchObject({ partState: 'machined', supersedes: first.id })
    expect(again(machined, { part_state: 'FINAL' })).toMatchObject({ partState: 'final' })
    expect(again(machined, { part_state: 'final' })).not.toHaveProperty('supersedes')
    expect(again(openBuild(document), { part_state: 'machined' })).not.toHaveProperty('supersedes')
    expect(again(openBuild(document), { part_state: 'asFound' })).toMatchObject({ supersedes: first.id })
    expect(again(machined, { part_state: 'polished' })).toMatchObject({ state: 'bad', issues: [{ code: 'badState', text: 'polished' }] })
  })

  it('says of an angle that it was read turned back: yes, or nothing', () => {
    const turned = openBuild({
      ...document,
      entries: document.entries.map((entry) => (entry.id === first.id ? { ...entry, turnedBack: true as const } : entry)),
    })
    expect(Papa.parse<Record<string, string>>(readingsToCsv(turned), { header: true }).data[0]!.turned_back).toBe('yes')
    const outcome = readOne({ turned_back: 'YES' })
    expect(outcome.state === 'good' && outcome.reading).toMatchObject({ turnedBack: true })
    const plain = readOne({ turned_back: '' })
    expect(plain.state === 'good' && plain.reading).not.toHaveProperty('turnedBack')
    expect(readOne({ turned_back: 'back' })).toMatchObject({
      state: 'bad',
      issues: [{ code: 'badYes', column: 'turned_back', text: 'back' }],
    })
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
          ...document.entries.find((entry) => entry.kind === 'reading' && entry.characteristic === 'compression.deck')!,
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

  it('carries ± as typed, temperatures, strokes and what a reading settles, in the unit of the row', () => {
    const full = openBuild({
      ...document,
      entries: document.entries.map((entry) =>
        entry.kind === 'reading' && entry.id === second.id
          ? { ...entry, unit: 'in', plusMinus: 0.0254, partTempC: 24.5, gaugeTempC: 21, strokes: 12, settles: [first.id] }
          : entry,
      ),
    })
    const [, line] = Papa.parse<Record<string, string>>(readingsToCsv(full), { header: true }).data
    expect(line).toMatchObject({
      plus_minus: '0.001',
      unit: 'in',
      part_temp_c: '24.5',
      gauge_temp_c: '21',
      strokes: '12',
      settles: first.id,
    })
    const back = readingsFromCsv(readingsToCsv(full), empty, stations, { makeId }).rows.map(({ outcome }) =>
      outcome.state === 'good' ? outcome.reading : undefined,
    )
    expect(back.find((reading) => reading?.id === second.id)).toMatchObject({
      plusMinus: 0.0254,
      partTempC: 24.5,
      gaugeTempC: 21,
      strokes: 12,
      settles: [first.id],
    })
  })

  it.each([
    ['2026-03-01T10:00:00Z', '2026-03-01T10:00:00Z'],
    ['2026-03-01 10:00', new Date(2026, 2, 1, 10, 0).toISOString()],
    ['2026-03-01', new Date(2026, 2, 1).toISOString()],
  ])('reads the time %s as a person writes it', (at, instant) => {
    const outcome = readOne({ at })
    expect(outcome.state === 'good' && new Date(outcome.reading.at).toISOString()).toBe(new Date(instant).toISOString())
  })

  it.each(['1.3.2026', '03/01/2026', '2026-13-01', '2026-02-30', '2026-03-01 25:00', 'yesterday', ''])(
    'asks again for the time “%s”',
    (at) => {
      const outcome = readOne({ at })
      expect(outcome.state === 'bad' && outcome.issues.map(({ code }) => code)).toEqual(['badTime'])
    },
  )

  it('brings the readings of another engine in as a copy, each under an id of its own', () => {
    const report = readingsFromCsv(readingsToCsv(tern), tern, stations, { makeId, asCopy: true })
    const ids = report.rows.map(({ outcome }) => (outcome.state === 'good' ? outcome.reading.id : outcome.state))
    expect(new Set(ids).size).toBe(tern.readings.byId.size)
    expect(ids.filter((id) => tern.readings.byId.has(id))).toEqual([])
  })

  it('leaves out what was struck, and says why', () => {
    const struck = openBuild({
      ...document,
      entries: [
        ...document.entries,
        { kind: 'strike', id: makeId(), at: '2026-03-02T10:00:00Z', by: 'KV', target: first.id, reason: 'wrong dial' },
      ],
    })
    const [outcome] = readingsFromCsv(readingsToCsv(struck), empty, stations, { makeId }).rows.map((one) => one.outcome)
    expect(outcome!.state).toBe('left')
  })

  it('hands out a table with a row for every place not read yet, which filled in is read', () => {
    const rows = csvTemplate(tern).trimEnd().split('\n').slice(1)
    expect(rows.length).toBe(stations.length - tern.readings.current.size)
    const [bare] = Papa.parse<Record<string, string>>(csvTemplate(empty), { header: true }).data
    expect(bare).toMatchObject({ characteristic: 'bores.bore', cylinder: '1', unit: 'mm', gauge: 'Bore gauge, 0.002 mm', value: '' })
    const filled = Papa.unparse([{ ...bare, value: '83.002', at: '2026-03-01', by: 'KV' }], { columns: [...CSV_COLUMNS] })
    const { outcome } = readingsFromCsv(filled, empty, stations, { makeId }).rows[0]!
    expect(outcome.state === 'good' && outcome.reading).toMatchObject({
      characteristic: 'bores.bore',
      value: 83.002,
      unit: 'mm',
      gauge: 'bore-metric.1',
    })
  })

  it('guards cells that a spreadsheet would run, also behind a line break', () => {
    const risky = openBuild({
      ...document,
      entries: document.entries.map((entry) =>
        entry.kind === 'reading' && entry.id === first.id ? { ...entry, asTyped: '\n=1+1' } : entry,
      ),
    })
    expect(readingsToCsv(risky)).toContain(`"'\n=1+1"`)
  })

  it('guards what a spreadsheet that parts cells by semicolons would run, and reads it back as it was', () => {
    const typed = '1;=1+1'
    const risky = openBuild({
      ...document,
      entries: document.entries.map((entry) => (entry.kind === 'reading' && entry.id === first.id ? { ...entry, asTyped: typed } : entry)),
    })
    const csv = readingsToCsv(risky)
    expect(csv).toContain("1;'=1+1")
    const [row] = readingsFromCsv(csv, { ...empty, entries: [] }, stations, { makeId, asCopy: true }).rows
    expect(row!.outcome.state === 'good' && row!.outcome.reading.asTyped).toBe(typed)
  })
})
