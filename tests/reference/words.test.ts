/** The words of `docs/decisions/words.md` are looked for in everything somebody reads: source, tests and docs. */
import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'

const LIST = 'docs/decisions/words.md'
const READ = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard', 'src', 'tests', 'benchmarks', 'docs', '*.md'])
  .toString()
  .trim()
  .split('\n')
  .filter((file) => /\.(tsx?|mjs|md)$/.test(file) && file !== LIST)
  .map((file) => ({ file, lines: readFileSync(file, 'utf8').split('\n') }))

const WORDS = readFileSync(LIST, 'utf8')
  .split('\n')
  .flatMap((line) => {
    const [, not, , pattern] = line.split(/(?<!\\)\|/).map((cell) => cell.trim())
    return pattern?.startsWith('`') ? [{ not: not!, pattern: new RegExp(pattern.slice(1, -1).replaceAll(String.raw`\|`, '|'), 'u') }] : []
  })

describe('words', () => {
  it('are listed, and there is something to look in', () => {
    expect(WORDS.length).toBeGreaterThan(5)
    expect(READ.length).toBeGreaterThan(900)
  })

  it('stand in lines of at most 140 characters, where it is source', () => {
    const long = READ.filter(({ file }) => !file.endsWith('.md')).flatMap(({ file, lines }) =>
      lines.flatMap((line, at) => ([...line].length > 140 ? [`${file}:${at + 1}`] : [])),
    )
    expect(long).toEqual([])
  })

  it.each(WORDS)('“$not” is written nowhere', ({ pattern }) => {
    const written = READ.flatMap(({ file, lines }) =>
      lines.flatMap((line, at) => (pattern.test(line) ? [`${file}:${at + 1} ${line.trim()}`] : [])),
    )
    expect(written).toEqual([])
  })
})
