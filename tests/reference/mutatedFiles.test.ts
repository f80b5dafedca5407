import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { BENCHES, openBuild } from '@/core/benches'
import type { BuildDocument } from '@/core/build'
import { csvStations, entryIssues, readBuildFile, readingsFromCsv, readingsToCsv } from '@/core/files'
import { randomStream, type RandomStream } from '@/core/numerics/random'
import { fileIssueWords, rowIssueWords } from '@/wording'

/** `npm run faults` damages all of them; `npm test` enough to see that it still holds. */
const [FILES, TABLES] = process.env.KALIBROS_FAULTS === 'long' ? [5000, 2000] : [1000, 400]
const SAMPLE = readFileSync(path.join(import.meta.dirname, 'samples/build.v2.kalibros.json'), 'utf8')
const pick = <Item>(random: RandomStream, items: readonly Item[]): Item => items[Math.floor(random.uniform() * items.length)]!

/** What a bad disk, an editor or a careless script makes of a text. */
function damaged(text: string, random: RandomStream): string {
  const at = Math.floor(random.uniform() * text.length)
  const length = Math.floor(random.uniform() * 60)
  switch (Math.floor(random.uniform() * 5)) {
    case 0:
      return text.slice(0, at)
    case 1:
      return text.slice(0, at) + text.slice(at + length)
    case 2:
      return text.slice(0, at) + pick(random, ['"', '{', ']', ',', '\0', 'NaN', '-', '€', '1e999', 'null']) + text.slice(at + 1)
    case 3:
      return text.slice(0, at) + text.slice(at, at + length) + text.slice(at)
    default:
      return `${pick(random, ['\uFEFF', ' ', '\n', 'x'])}${text}`
  }
}

const VALUES = [null, 0, -1, 1e308, -1e-300, 'x', '', [], {}, true, 17, '1e5', [[]], { format: 'x' }]
/** The document with one value somewhere in it replaced or left out. */
function replaced(value: unknown, random: RandomStream): unknown {
  if (Array.isArray(value) && value.length > 0 && random.uniform() < 0.9)
    return value.with(Math.floor(random.uniform() * value.length), replaced(pick(random, value), random))
  if (typeof value === 'object' && value !== null && Object.keys(value).length > 0 && random.uniform() < 0.9) {
    const key = pick(random, Object.keys(value))
    if (random.uniform() < 0.1) return Object.fromEntries(Object.entries(value).filter(([name]) => name !== key))
    return { ...value, [key]: replaced((value as Record<string, unknown>)[key], random) }
  }
  return pick(random, VALUES)
}

describe('files that came to harm', () => {
  it(`${FILES} build files: each is read whole or refused in words, and one that is read can be worked with`, () => {
    const random = randomStream(77)
    const json = JSON.parse(SAMPLE) as BuildDocument
    let [read, refused] = [0, 0]
    for (let file = 0; file < FILES; file++) {
      const text = file % 2 === 0 ? damaged(SAMPLE, random) : JSON.stringify(replaced(json, random))
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
