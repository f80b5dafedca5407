/**
 * Databases and build files as older programs wrote them: each was made by the program of its day (its demo, and one entry of every
 * kind it took), and is never made again. `standings.json` says what they stood for before entries were moved to one table of documents;
 * a figure of it changes only with a formula, and then with its reason.
 */
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { brotliDecompressSync } from 'node:zlib'
import { createClient } from '@libsql/client'
import { afterAll, describe, expect, it } from 'vitest'
import { readBuildFile } from '@/core/files'
import { openDatabase } from '@/data/database'
import { standingOf, type Standing } from '../support/frozen'

const SAMPLES = path.resolve(import.meta.dirname, 'samples')
const read = (...name: string[]) => readFileSync(path.join(SAMPLES, ...name))
const standings = JSON.parse(read('standings.json').toString()) as Readonly<Record<string, Readonly<Record<string, Standing>>>>

const folder = mkdtempSync(path.join(tmpdir(), 'kalibros-frozen-'))
afterAll(() => rmSync(folder, { recursive: true }))

describe('a database of each program there was', () => {
  const samples = readdirSync(path.join(SAMPLES, 'databases'))

  it('is there for every set of migrations a program was ever started with', () => {
    expect(samples.map((name) => Number.parseInt(name))).toEqual([2, 3, 5, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19])
  })

  it.each(samples)('%s opens with every entry it had, in its order, and the findings they had', async (name) => {
    const file = path.join(folder, name.replace(/\.br$/, ''))
    writeFileSync(file, brotliDecompressSync(read('databases', name)))
    const before = createClient({ url: `file:${file}` })
    const { rows: migrations } = await before.execute('SELECT count(*) AS count FROM __drizzle_migrations')
    const { rows: stored } = await before.execute('SELECT build_id AS build, id FROM entry ORDER BY seq')
    const { rows: builds } = await before.execute('SELECT id FROM build ORDER BY id')
    before.close()
    expect(migrations[0]!.count).toBe(Number.parseInt(name))

    const db = await openDatabase(`file:${file}`)
    const opened: Record<string, Standing> = {}
    for (const { id } of builds) {
      const { document } = (await db.builds.load(String(id)))!
      expect(document.entries.map((entry) => entry.id)).toEqual(stored.filter(({ build }) => build === id).map((row) => row.id))
      opened[document.id] = standingOf(document)
    }
    db.close()
    expect(opened).toEqual(standings[name])
  })
})

describe('a build file of each version', () => {
  it.each(readdirSync(SAMPLES).filter((name) => name.endsWith('.kalibros.json')))('%s opens to the findings it had', (name) => {
    const result = readBuildFile(read(name).toString())
    if (!result.ok) throw new Error(JSON.stringify(result.issues))
    expect({ [result.document.id]: standingOf(result.document) }).toEqual(standings[name])
  })
})
