import { describe, expect, it } from 'vitest'
import { openBuild } from '@/core/benches'
import { withEntries, type Build, type Entry } from '@/core/document'
import { filingLog } from '@/core/benches/rings'
import { randomStream, type RandomStream } from '@/core/numerics/random'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'

const bare = openBuild({ ...demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z')), entries: [] })
const TARGET_MM = 0.56
const FIRST_PASS = 4
const FILINGS = 1000

let counter = 0
/** Between the leaf that goes and the next, as a builder writes it. */
function read(build: Build, gapMm: number, stepMm: number, strokes?: number): Build {
  const goes = Math.floor(gapMm / stepMm) * stepMm
  return written(build, { value: goes, upper: goes + stepMm }, strokes)
}

function written(build: Build, gap: { readonly value: number; readonly upper?: number }, strokes?: number): Build {
  const before = build.readings.current.get('rings.topGap/c1/top')
  return withEntries(build, [
    {
      kind: 'reading',
      id: `ffff0000-0000-7000-8000-${String(++counter).padStart(12, '0')}`,
      at: '2026-03-02T10:00:00Z',
      by: 'KV',
      characteristic: 'rings.topGap',
      place: { cylinder: 1, spot: 'top' },
      ...gap,
      unit: 'mm',
      asTyped: 'x',
      gauge: 'feeler-fine.1',
      ...(strokes && { strokes }),
      ...(before && { supersedes: before.id }),
    } as Entry,
  ])
}

/** One ring filed by a hand of its own, pass after pass as the log says, until it says stop. @returns the true gap left. */
function filed(random: RandomStream, stepMm: number): number {
  const perStrokeMm = 0.0008 + 0.005 * random.uniform()
  const handScatter = 0.1 + 0.25 * random.uniform()
  let gapMm = 0.4 + 0.1 * random.uniform()
  const pass = (strokes: number) => {
    gapMm += strokes * perStrokeMm * Math.max(0.2, 1 + handScatter * random.normal())
  }
  let build = read(bare, gapMm, stepMm)
  for (let strokes = FIRST_PASS, passes = 0; strokes > 0 && passes < 25; passes++) {
    pass(strokes)
    build = read(build, gapMm, stepMm, strokes)
    strokes = filingLog(build, 'top', 1, { lower: 0.54, target: TARGET_MM })!.strokesSafe ?? 0
  }
  return gapMm
}

describe('safe strokes', () => {
  it.each([0.01, 0.0127, 0.02, 0.0254, 0.05])('leave at most 5 % of 1,000 rings past the target, with leaves %s mm apart', (stepMm) => {
    const random = randomStream(Math.round(stepMm * 10_000))
    const gaps = Array.from({ length: FILINGS }, () => filed(random, stepMm))
    const past = gaps.filter((gap) => gap > TARGET_MM).length
    expect(past / FILINGS).toBeLessThanOrEqual(0.05)
    // And they do file: half the rings come nearer than two leaves.
    const sorted = [...gaps].sort((a, b) => a - b)
    expect(sorted[FILINGS / 2]!).toBeGreaterThan(TARGET_MM - 2.5 * stepMm - 0.02)
  })

  it('of a pass that moved no leaf are counted by the most it can have taken, never by nothing', () => {
    const before = read(bare, 0.471, 0.02)
    const still = read(before, 0.472, 0.02, 5)
    const log = filingLog(still, 'top', 1, { lower: 0.54, target: TARGET_MM })!
    // Both gaps lie anywhere between their leaves: at the most 0.02 mm in five strokes, 0.004 a stroke.
    expect(log.passes.at(-1)!.perStrokeMm).toBe(0)
    expect(log.strokesLeft).toBe(Math.floor(log.toFileMm / 0.004 + 1e-9))
    expect(log.strokesSafe!).toBeLessThan(log.strokesLeft!)
  })

  it('of gaps written as one value are worked out from what the gauge leaves open of that', () => {
    const log = filingLog(written(written(bare, { value: 0.45 }), { value: 0.5 }, 10), 'top', 1, { lower: 0.54, target: TARGET_MM })!
    // A leaf a hundredth apart from the next, which repeats to 0.001 mm: a rectangle of 0.01 mm (GUM 4.3.7) and a repeat, at 95 %.
    expect(log.uncertaintyMm).toBeCloseTo(2 * Math.hypot(0.01 / Math.sqrt(12), 0.001), 9)
    expect(log.strokesLeft).toBe(12)
    expect(log.strokesSafe!).toBeGreaterThan(0)
    expect(log.strokesSafe!).toBeLessThan(12)
  })
})
