import { describe, expect, it } from 'vitest'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import type { Reading } from '@/core/document'
import { summarise } from '@/shop/summary'
import { documentOf } from '@/features/entries/documentOf'
import { openBuild } from '@/core/benches'
import { compression } from '@/core/benches/compression'
import { bookPdf } from './bookPdf'
import { bookSheet } from './bookSheet'

const [tern, petrel, wren] = DEMO_BUILDS.map((demo) => demoDocument(demo, new Date('2026-03-01T12:00:00Z')))

describe('the build sheet', () => {
  const sheet = bookSheet(tern!, 'metric')
  const deck = sheet.benches.find((bench) => bench.title === 'Deck and compression')!

  it('holds every reading to the digits of its gauge, every finding with limit and source', () => {
    expect(deck.readings[0]!.rows[0]).toEqual({
      label: 'Deck, front, mm',
      under: '',
      cells: expect.arrayContaining([expect.stringMatching(/^0\.\d\d$/)]),
    })
    expect(deck.readings[0]!.rows).toHaveLength(8)
    const [cylinders, engine] = deck.findings
    expect(cylinders!.columns).toEqual(['1', '2', '3', '4', '5'])
    const ratio = cylinders!.rows.find((row) => row.label === 'Ratio')!
    expect(ratio).toMatchObject({
      under: '8.9 to 9.1 (tuner)',
      cells: Array.from({ length: 5 }, () => ({
        words: expect.stringMatching(/^[89]\.\d\d+$/),
        plusMinus: expect.stringMatching(/^±0\.0\d+$/),
        standing: expect.any(String),
      })),
    })
    expect(['under', 'inDoubt']).toContain(ratio.cells[3]!.standing)
    expect(engine!.columns).toEqual(['engine'])
    expect(cylinders!.rows.some((row) => row.label.includes('(estimate)'))).toBe(true)
  })

  it('says first what stands out over all benches: out before in doubt, each with its limit and its reason', () => {
    const labels = sheet.standsOut.map(({ label }) => label)
    expect(labels).toEqual(expect.arrayContaining(['Top ring gap, cylinder 2', 'Deck clearance, cylinder 3', 'Chamber, cylinder 4']))
    expect(labels[0]).toBe('Top ring gap, cylinder 2')
    expect(labels.indexOf('Chamber, cylinder 4')).toBeLessThan(labels.indexOf('Clearance spread'))
    expect(sheet.standsOut.every(({ standing }) => ['over', 'under', 'inDoubt'].includes(standing))).toBe(true)
    expect(sheet.standsOut.find(({ label }) => label === 'Top ring gap, cylinder 2')).toMatchObject({
      standing: 'under',
      limit: expect.stringMatching(/^at least 0\.54 mm \(/),
      words: expect.stringMatching(/^under by 0\.0\d\d? mm/),
    })
    expect(bookSheet(wren!, 'metric').standsOut).toEqual([])
  })

  it('names customer, engine and shop, and says what nobody measured or looked at', () => {
    const job = { customer: 'A. N. Owner', engineNumber: 'T-17' }
    expect(bookSheet({ ...tern!, spec: { ...tern!.spec, job } }, 'metric').facts.slice(0, 3)).toEqual([
      ['Customer', 'A. N. Owner'],
      ['Engine number', 'T-17'],
      ['Cylinders', '5'],
    ])
    const half = bookSheet(
      { ...tern!, entries: tern!.entries.filter((entry) => !('characteristic' in entry) || entry.characteristic !== 'bores.bore') },
      'metric',
    )
    expect(half.notChecked).toContainEqual(expect.stringMatching(/^Bores and pistons: 30 of 36 places were not measured$/))
    expect(bookSheet(wren!, 'metric').notChecked).toContainEqual('Bores and pistons: nothing was measured')
  })

  it('names paper, gauges and rule', () => {
    expect(sheet.paper.find((line) => line.label === 'Intake closing')).toMatchObject({
      value: '42° ABDC',
      source: 'cam card, at 1.00 mm lift',
    })
    expect(sheet.paper.find((line) => line.label === 'Stroke')!.value).toBe('92.8 ±0.02 mm')
    expect(sheet.gauges.map((gauge) => gauge.name)).toContain('Burette, 0.1 cm³')
    expect(sheet.rule).toContain('ISO 14253-1')
  })

  it('hides nothing that was struck out, measured again or skipped', () => {
    const first = tern!.entries.find((entry): entry is Reading => entry.kind === 'reading' && entry.characteristic === 'compression.deck')!
    const stamp = { at: first.at, by: 'AB' }
    const crossed = bookSheet(
      {
        ...tern!,
        entries: [
          ...tern!.entries,
          { kind: 'strike', ...stamp, id: 'fffffff0-0000-7000-8000-000000000001', target: first.id, reason: 'dial had slipped' },
          {
            kind: 'note',
            ...stamp,
            id: 'fffffff0-0000-7000-8000-000000000002',
            characteristic: 'compression.deck',
            place: { cylinder: 2, spot: 'rear' },
            text: 'carbon',
          },
        ],
      },
      'metric',
    ).crossed
    expect(crossed).toEqual([
      `Cylinder 1, deck, front of the crown: ${first.asTyped} struck out, dial had slipped (AB)`,
      'Cylinder 2, deck, rear of the crown: note, carbon (AB)',
    ])
  })

  it('speaks the units it is asked for', () => {
    const inches = bookSheet(petrel!, 'inch')
    expect(inches.benches.find(({ title }) => title === 'Deck and compression')!.readings[0]!.rows[0]!.label).toBe('Deck, front, thou')
    expect(bookSheet(wren!, 'metric').benches).toEqual([])
  })

  it('is set in type as a PDF', async () => {
    const pdf = await bookPdf(sheet, 'A4', '2026-03-01')
    expect(new TextDecoder('latin1').decode(pdf.slice(0, 5))).toBe('%PDF-')
    expect(pdf.length).toBeGreaterThan(10_000)
  })
})

describe('the board’s summary', () => {
  it('counts verdicts and names the next place', () => {
    expect(summarise(openBuild(tern!))).toMatchObject({ name: 'Tern', verdicts: { out: expect.any(Number) }, next: undefined })
    expect(summarise(openBuild(tern!)).verdicts.out).toBeGreaterThanOrEqual(4)
    expect(summarise(openBuild(petrel!)).next).toEqual({ bench: 'bearings', title: 'Crank and bearings', words: 'Crank end float' })
    expect(summarise(openBuild(petrel!)).worst).toMatchObject({
      bench: 'bearings',
      standing: 'over',
      words: expect.stringMatching(/^Main clearance, main 4: over by [\d.]+ thou$/),
    })
    expect(summarise(openBuild(tern!)).worst).toMatchObject({
      standing: 'under',
      words: expect.stringMatching(/^Top ring gap, cylinder 2: under by 0\.03\d? mm$/),
    })
    expect(summarise(openBuild(wren!))).toMatchObject({ worst: undefined, next: { bench: 'bores' }, verdicts: { out: 0, within: 0 } })
  })
})

describe('a build for a worker', () => {
  it('derives the same there as here', () => {
    const build = openBuild(tern!)
    const copy = openBuild(structuredClone(documentOf(build)))
    const values = (of: typeof build) =>
      compression.derive(of).map((finding) => [finding.id, finding.figure?.value.value, finding.conformity?.verdict])
    expect(values(copy)).toEqual(values(build))
  })
})

describe('what a book tells of parts', () => {
  it('is what was damaged and answered, did not fit or was sent back, and what stands in the place of something else', () => {
    const stamp = (id: number) => ({ id: `ffff0000-0000-7000-8000-00000000000${id}`, at: '2026-03-02T10:00:00Z', by: 'KV' })
    const damage = stamp(1)
    const pan = stamp(3)
    const sheet = bookSheet(
      {
        ...tern!,
        entries: [
          {
            kind: 'damage',
            ...damage,
            damage: damage.id,
            did: 'seen',
            text: 'Journal 3 scored',
            options: [{ text: 'Polish', days: 1, price: 60 }],
          },
          { kind: 'damage', ...stamp(2), damage: damage.id, did: 'answered', option: 0 },
          { kind: 'part', ...pan, part: pan.id, did: 'wanted', what: 'pan', name: 'Deep pan', replaces: 'the shallow one' },
          { kind: 'part', ...stamp(4), part: pan.id, did: 'sentBack', reason: 'dipstick left' },
        ],
      },
      'metric',
    )
    expect(sheet.parts).toEqual([
      'Found: Journal 3 scored (KV, 2026-03-02); owner answered: Polish',
      'Deep pan: sent back, dipstick left',
      'Deep pan: in the place of the shallow one, on the word of nobody',
    ])
  })
})
