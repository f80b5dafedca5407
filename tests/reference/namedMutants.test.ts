import { readFileSync } from 'node:fs'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import mutants from '../../scripts/namedMutants.json'

/** The audit puts each slip into the source; a place that has moved would stop it, hours into a night. */
describe('every named slip', () => {
  it.each(mutants)('has its place in the source: $slip', ({ file, was, becomes }) => {
    const source = readFileSync(path.join(import.meta.dirname, '../..', file), 'utf8')
    expect(source.split(was)).toHaveLength(2)
    expect(becomes).not.toBe(was)
  })
})
