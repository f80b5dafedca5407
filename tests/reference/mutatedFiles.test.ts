import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { BENCHES, openBuild } from '@/core/benches'
import type { BuildDocument } from '@/core/document'
import { csvStations, entryIssues, readBuildFile, readingsFromCsv, readingsToCsv } from '@/core/files'
import { randomStream } from '@/core/numerics/random'
import { fileIssueWords, rowIssueWords } from '@/wording'
import { damaged, pick, replaced } from '../support/damage'

/** `npm run faults` damages all of them; `npm test` enough to see that it still holds. */
const [FILES, TABLES] = process.env.KALIBROS_FAULTS === 'long' ? [5000, 2000] : [1000, 400]
const sample = (version: number) => readFileSync(path.join(import.meta.dirname, `samples/build.v${version}.kalibros.json`), 'utf8')
const SAMPLE = sample(2)
/** An early one, and those with joints, a walk, parts and damages in them. */
const SAMPLES = [2, 7, 11, 12].map(sample)

describe('files that came to harm', () => {
  it(`${FILES} build files: each is read whole or refused in words, and one that is read can be worked with`, () => {
    const random = randomStream(77)
    let [read, refused] = [0, 0]
    for (let file = 0; file < FILES; file++) {
      const whole = pick(random, SAMPLES)
      const text = file % 2 === 0 ? damaged(whole, random) : JSON.stringify(replaced(JSON.parse(whole), random))
      const result = readBuildFile(text)
      if (result.ok) {
        read++
        const build = openBuild(result.document)
        expect(build.entries.length).toBe((JSON.parse(text.replace(/^\uFEFF/, '')) as BuildDocument).entries.length)
        if (read % 20 === 0) for (const bench of BENCHES) expect(Array.isArray(bench.derive(build))).toBe(true)
      } else {
        refused++
        const words = result.issues.map((issue) => fileIssueWords(issue)).join('\n')
        expect(words).not.toBe('')
        expect(words).not.toMatch(/\n\s+at |undefined|\[object|TypeError/)
      }
    }
    expect(read).toBeGreaterThan(FILES / 100)
    expect(refused).toBeGreaterThan(FILES * 0.3)
  })

  it(`${TABLES} tables: no row is taken that is not sound, every other is told why in words`, () => {
    const random = randomStream(78)
    const result = readBuildFile(SAMPLE)
    if (!result.ok) throw new Error('the sample is sound')
    const build = openBuild(result.document)
    const csv = readingsToCsv(build)
    const stations = csvStations(build)
    let made = 0
    const options = { makeId: () => `01920000-0000-7000-8000-${String(++made).padStart(12, '0')}`, asCopy: true }
    for (let table = 0; table < TABLES; table++) {
      for (const { outcome } of readingsFromCsv(damaged(csv, random), build, stations, options).rows) {
        if (outcome.state === 'good') expect(entryIssues(outcome.reading, build.spec, build.gauges)).toEqual([])
        if (outcome.state === 'bad') for (const issue of outcome.issues) expect(rowIssueWords(issue)).not.toMatch(/undefined|\[object/)
      }
    }
  })
})
