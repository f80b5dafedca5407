import { copyFileSync, mkdirSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { createServer } from 'node:http'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { createClient } from '@libsql/client'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { openDatabase } from './database'
import { MIGRATIONS_FOLDER } from './opening'
import { walDamage } from './walDamage'

let folder: string
let file: string
let url: string

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'kalibros-open-'))
  file = path.join(folder, 'shop.db')
  url = `file:${file}`
})
afterEach(() => rmSync(folder, { recursive: true }))

async function raw(...statements: readonly string[]): Promise<void> {
  const client = createClient({ url })
  for (const statement of statements) await client.execute(statement)
  client.close()
}

const failure = (address: string, mayCreate?: boolean) =>
  openDatabase(address, { mayCreate }).then(
    (db) => db.close(),
    (error: Error & { code?: string }) => [error.code, error.message],
  )

describe('a database that is not opened says why in one sentence', () => {
  it.each([
    ['shop.db', 'badAddress', /which is no database/],
    ['', 'badAddress', /which is no database/],
    ['ftp://127.0.0.1/x', 'badAddress', /which is no database/],
    ['file:/dev/null/deep/shop.db', 'cannotWrite', /cannot be written/],
  ])('%s', async (address, code, words) => expect(await failure(address)).toEqual([code, expect.stringMatching(words)]))

  it('a folder, one that is not there, another kind of file', async () => {
    mkdirSync(file)
    expect(await failure(url)).toEqual(['folder', `${file} is a folder: a file is wanted for the database.`])
    rmSync(file, { recursive: true })
    expect(await failure(url, false)).toEqual(['noDatabase', expect.stringContaining(`There is no database at ${file}`)])
    writeFileSync(file, 'a letter to the owner, four thousand bytes of it\n'.repeat(100))
    const before = readFileSync(file)
    expect(await failure(url)).toEqual(['corrupt', expect.stringContaining('is damaged')])
    expect(readFileSync(file).equals(before)).toBe(true)
  })

  it('a page of it overwritten', async () => {
    ;(await openDatabase(url)).close()
    await raw('PRAGMA wal_checkpoint(TRUNCATE)')
    const bytes = readFileSync(file)
    // The first page holds the schema, behind the header of a hundred bytes.
    bytes.fill(0xaa, 100, 2000)
    writeFileSync(file, bytes)
    expect(await failure(url)).toEqual(['corrupt', expect.stringContaining('is damaged')])
  })

  it('one of another program is left to the byte', async () => {
    await raw('CREATE TABLE invoice (id integer)', 'INSERT INTO invoice VALUES (7)')
    const before = readFileSync(file)
    expect(await failure(url)).toEqual(['foreign', expect.stringContaining('belongs to another program')])
    expect(readFileSync(file).equals(before)).toBe(true)
  })

  it('one whose header names another program, whatever its tables', async () => {
    ;(await openDatabase(url)).close()
    await raw('PRAGMA application_id = 42')
    expect(await failure(url)).toEqual(['foreign', expect.any(String)])
  })

  it('one of a newer program is not written to', async () => {
    ;(await openDatabase(url)).close()
    await raw(
      `INSERT INTO __drizzle_migrations (hash, created_at) VALUES ('later', ${Date.now() + 1e12})`,
      'PRAGMA wal_checkpoint(TRUNCATE)',
    )
    const before = readFileSync(file)
    expect(await failure(url)).toEqual(['newerProgram', expect.stringContaining('a newer Kalibros')])
    expect(readFileSync(file).equals(before)).toBe(true)
  })

  it('one that another program holds, once and for as long as it is waited for', async () => {
    ;(await openDatabase(url)).close()
    const holder = createClient({ url })
    const held = await holder.transaction('write')
    const waited: string[] = []
    const opening = openDatabase(url, { onWaiting: ({ message }) => waited.push(message) })
    await expect.poll(() => waited.length).toBeGreaterThanOrEqual(1)
    await held.rollback()
    holder.close()
    ;(await opening).close()
    expect(waited[0]).toBe(`The database at ${file} is held by another program.`)
  })

  it('a server that does not answer, and one that is none', async () => {
    expect(await failure('http://127.0.0.1:1')).toEqual(['unreachable', expect.stringContaining('does not answer')])
    const other = createServer((_, response) => response.writeHead(404).end('no'))
    await new Promise<void>((resolve) => other.listen(0, '127.0.0.1', resolve))
    const { port } = other.address() as { port: number }
    expect(await failure(`http://127.0.0.1:${port}`)).toEqual(['unreachable', expect.any(String)])
    other.close()
  })
})

describe('a database that is opened', () => {
  it('is marked as this program’s, also one from before there was a mark', async () => {
    ;(await openDatabase(url)).close()
    await raw('PRAGMA application_id = 0')
    ;(await openDatabase(url)).close()
    const client = createClient({ url })
    expect((await client.execute('PRAGMA application_id')).rows[0]).toMatchObject({ application_id: 0x4b414c42 })
    client.close()
  })

  it('by several at once is migrated once', async () => {
    const all = await Promise.all(Array.from({ length: 4 }, () => openDatabase(url)))
    for (const db of all) expect((await db.gauges.list()).length).toBeGreaterThan(5)
    for (const db of all) db.close()
    const client = createClient({ url })
    const { rows } = await client.execute('SELECT created_at, count(*) AS times FROM __drizzle_migrations GROUP BY created_at')
    expect(rows.map(({ times }) => times)).toEqual(Array(readMigrationFiles({ migrationsFolder: MIGRATIONS_FOLDER }).length).fill(1))
    client.close()
  })

  it('keeps a build of a newer program as it is, and says so', async () => {
    const document = demoDocument(DEMO_BUILDS[2]!, new Date('2026-03-01T12:00:00Z'))
    const db = await openDatabase(url)
    await db.builds.create(document, 'KV')
    await raw(`INSERT INTO build_revision (build_id, number, spec, version, at, by, reason)
      SELECT build_id, 2, spec, 99, at, by, 'newer' FROM build_revision`)
    await expect(db.builds.load(document.id)).rejects.toMatchObject({ code: 'newerBuild' })
    await expect(db.builds.head(document.id)).rejects.toMatchObject({ code: 'newerBuild' })
    db.close()
  })
})

describe('a log that is damaged', () => {
  /** A database with some builds that are in its log alone, copied as a crash would leave it. */
  async function crashed(): Promise<{ readonly copy: string; readonly wal: Buffer }> {
    const db = await openDatabase(url)
    await raw('PRAGMA wal_checkpoint(TRUNCATE)')
    const document = demoDocument(DEMO_BUILDS[2]!, new Date('2026-03-01T12:00:00Z'))
    for (const name of ['one', 'two', 'three', 'four']) {
      const id = `${document.id.slice(0, -1)}${name.length}${name}`
      await db.builds.create({ ...document, id, spec: { ...document.spec, name } }, 'KV')
    }
    const copy = path.join(folder, 'copy.db')
    copyFileSync(file, copy)
    copyFileSync(`${file}-wal`, `${copy}-wal`)
    db.close()
    return { copy, wal: readFileSync(`${copy}-wal`) }
  }
  const FRAME = 24 + 4096

  it('is nothing where it is whole, where its last write is torn, and where there is none', async () => {
    const { copy, wal } = await crashed()
    expect(walDamage(`${copy}-wal`)).toBeUndefined()
    writeFileSync(`${copy}-wal`, wal.subarray(0, wal.length - 100))
    expect(walDamage(`${copy}-wal`)).toBeUndefined()
    writeFileSync(`${copy}-wal`, Buffer.concat([wal.subarray(0, wal.length - 10), Buffer.alloc(10, 1)]))
    expect(walDamage(`${copy}-wal`)).toBeUndefined()
    expect(walDamage(`${copy}-none`)).toBeUndefined()
  })

  it('in its middle is said, with what cannot be read, and set aside before anything is lost', async () => {
    const { copy, wal } = await crashed()
    wal[32 + FRAME + 300]! ^= 0xff
    writeFileSync(`${copy}-wal`, wal)
    expect(walDamage(`${copy}-wal`)).toMatchObject({ frame: 2 })
    expect(walDamage(`${copy}-wal`)!.commitsLost).toBeGreaterThanOrEqual(4)
    const db = await openDatabase(`file:${copy}`)
    const aside = /kept at (\S+)\./.exec(db.notice!)![1]!
    expect(readFileSync(aside).equals(wal)).toBe(true)
    db.close()
  })
})
