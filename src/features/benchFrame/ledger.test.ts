import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import { describe, expect, it } from 'vitest'
import { compression } from '@/core/benches/compression'
import { withEntries, type Build, type Reading } from '@/core/document'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { gaugesFor, openBuild } from '@/core/benches'
import { ledgerLines } from './ledgerLines'
import { changedFindings } from './useChanged'

const document = demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z'))
const tern = openBuild(document)
const lines = (build: Build) =>
  ledgerLines(compression.definition, compression.derive(build)).map((line) => [
    line.standing,
    line.kind === 'one' ? line.finding.id : `${line.output} ×${line.findings.length}`,
  ])

describe('the ledger', () => {
  it('puts what is out first, the worst of it on top, then what is in doubt, then the rest gathered', () => {
    const all = lines(tern)
    const standings = all.map(([standing]) => standing)
    const weight = { over: 0, under: 0, inDoubt: 1, within: 2, noLimit: 3, notMeasured: 4, stale: 3 }
    expect(standings.map((standing) => weight[standing as 'over'])).toEqual(
      standings.map((standing) => weight[standing as 'over']).toSorted((a, b) => a - b),
    )
    expect(all[0]).toEqual(['over', 'compression.deckClearance.3'])
    expect(all).toContainEqual(['within', 'compression.quench ×5'])
    expect(all).toContainEqual(['within', 'compression.deckClearance ×4'])
  })

  it('leaves no finding out', () => {
    const shown = ledgerLines(compression.definition, compression.derive(tern)).flatMap((line) =>
      line.kind === 'one' ? [line.finding.id] : line.findings.map((finding) => finding.id),
    )
    expect(shown.toSorted()).toEqual(
      compression
        .derive(tern)
        .map((finding) => finding.id)
        .toSorted(),
    )
  })

  it('gathers what is not measured on a fresh engine into a line an output', () => {
    const fresh = lines(openBuild({ ...document, entries: [] }))
    expect(fresh.every(([standing]) => standing === 'notMeasured')).toBe(true)
    expect(fresh).toContainEqual(['notMeasured', 'compression.compressionRatio ×5'])
  })
})

describe('what a reading moved', () => {
  it('is its own cylinder and the spreads, and no other cylinder', () => {
    const reading = document.entries.find(
      (entry): entry is Reading & typeof entry =>
        entry.kind === 'reading' && entry.characteristic === 'compression.chamberEnd' && entry.place.cylinder === 2,
    )!
    const after = withEntries(tern, [{ ...reading, id: 'fffffff0-0000-7000-8000-000000000000', value: reading.value - 1 }])
    const moved = [...changedFindings(compression.derive(tern), compression.derive(after))]
    expect(moved).toContain('compression.compressionRatio.2')
    expect(moved).toContain('compression.chamberVolume.2')
    expect(moved.filter((id) => /\.[1345]$/.test(id))).toEqual([])
    expect(moved).not.toContain('compression.quench.2')
  })

  it('is nothing when nothing was entered', () => {
    expect(changedFindings(compression.derive(tern), compression.derive(tern)).size).toBe(0)
  })
})

describe('gauges offered', () => {
  const {
    'compression.deck': deck,
    'compression.chamber': chamber,
    'compression.gasketBore': gasketBore,
  } = compression.definition.characteristics
  it('fit the place: the right use first, then the engine’s own units', () => {
    expect(gaugesFor(deck!, DEFAULT_GAUGES, 'metric').map((gauge) => gauge.gauge)).toEqual(['dial-metric', 'dial-inch'])
    expect(gaugesFor(deck!, DEFAULT_GAUGES, 'inch')[0]!.gauge).toBe('dial-inch')
    expect(gaugesFor(chamber!, DEFAULT_GAUGES, 'inch').map((gauge) => gauge.gauge)).toEqual(['burette'])
    expect(gaugesFor(gasketBore!, DEFAULT_GAUGES, 'metric').map((gauge) => gauge.use)).toEqual([
      'boreGauge',
      'boreGauge',
      'micrometer',
      'micrometer',
      'other',
    ])
  })
})
