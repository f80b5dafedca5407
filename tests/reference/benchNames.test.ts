import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { BENCHES } from '@/core/benches'
import { STEP_NAMES } from '@/core/walk'

/**
 * No file outside a bench names one: what a list of names would say, each bench says of itself. Its own are its folders, what several
 * benches derive together, and data that is invented for the demo.
 */
const names = BENCHES.map(({ id }) => id).join('|')
const OWN = new RegExp(`^src/(core/benches/(${names})/|features/(${names})/|wording/benches/(${names})\\.ts|workers/(${names})[.])`)
const FOR_ALL = /^src\/(core\/shared|demo)\//
/** Names that files of old versions had, and what they are now: history that no bench may change. */
const HISTORY = new Set(['src/core/document/oldNames.ts'])

/** Every name of something a bench has, and every import from inside one. */
const NAMED = new RegExp(`['\`]((?:${names})\\.[a-zA-Z]*)|['\`]([^'\`]*benches/(?:${names})(?:/[^'\`]*)?)['\`]`, 'g')
const COMMENTS = /^ *(\/\*\*|\*|\/\/).*$/gm
const isStep = (name: string) => (STEP_NAMES as readonly string[]).includes(name)

const sources = execFileSync('git', ['ls-files', 'src'], { encoding: 'utf8' })
  .split('\n')
  .filter((file) => /\.tsx?$/.test(file) && !/\.test\.tsx?$/.test(file))

/** A list that is written from the names there are. */
const isWritten = (file: string) => readFileSync(file, 'utf8').includes('Written by `npm run benches`')

function namedIn(file: string): readonly string[] {
  const text = readFileSync(file, 'utf8').replaceAll(COMMENTS, '')
  return [...text.matchAll(NAMED)].flatMap(([, name, path]) => (name && isStep(name) ? [] : [`${file}: ${name ?? path}`]))
}

describe('no file outside a bench names one', () => {
  it('of all there are', () => {
    const outside = sources.filter((file) => !OWN.test(file) && !FOR_ALL.test(file) && !HISTORY.has(file) && !isWritten(file))
    expect(outside.length).toBeGreaterThan(500)
    expect(outside.flatMap(namedIn)).toEqual([])
  })

  it('and the search finds what it looks for', () => {
    expect(namedIn('src/core/benches/rings/definition.ts')).toContain('src/core/benches/rings/definition.ts: rings.topGap')
    expect(namedIn('src/features/cam/CamBench.tsx').some((one) => one.includes('benches/cam'))).toBe(true)
  })
})
