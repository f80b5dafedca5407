import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { createClient } from '@libsql/client'
import { drizzle } from 'drizzle-orm/libsql'
import { migrate } from 'drizzle-orm/libsql/migrator'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { restore } from './backup'
import { copyWords, openDatabase } from './database'
import { MIGRATIONS_FOLDER } from './opening'

let folder: string
let file: string
let url: string

beforeEach(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'kalibros-migrating-'))
  file = path.join(folder, 'shop.db')
  url = `file:${file}`
})
afterEach(() => rmSync(folder, { recursive: true }))

interface Journal {
  readonly entries: readonly { readonly tag: string }[]
}

/** The migrations up to the n-th, as the program of that day had them. */
function firstMigrations(n: number): string {
  const those = path.join(folder, `migrations-${n}`)
  cpSync(MIGRATIONS_FOLDER, those, { recursive: true })
  const journal = path.join(those, 'meta/_journal.json')
  const all = JSON.parse(readFileSync(journal, 'utf8')) as Journal
  writeFileSync(journal, JSON.stringify({ ...all, entries: all.entries.slice(0, n) }))
  return those
}

/** A database of a program that knew so many migrations, with a build in it. */
async function olderDatabase(migrations: number): Promise<void> {
  const client = createClient({ url })
  await migrate(drizzle(client), { migrationsFolder: firstMigrations(migrations) })
  await client.execute("INSERT INTO build (id, created_at, touched_at) VALUES ('b1', '2026-03-01', '2026-03-02')")
  client.close()
}

async function ask(database: string, sql: string): Promise<Record<string, unknown>[]> {
  const client = createClient({ url: `file:${database}` })
  const { rows } = await client.execute(sql)
  client.close()
  return rows.map((row) => ({ ...row }))
}

const COUNT = 'SELECT count(*) AS migrations FROM __drizzle_migrations'
const copies = () => {
  try {
    return readdirSync(path.join(folder, 'backups'))
  } catch {
    return []
  }
}
const known = () => (JSON.parse(readFileSync(path.join(MIGRATIONS_FOLDER, 'meta/_journal.json'), 'utf8')) as Journal).entries.length

describe('a database of an older program', () => {
  it.each([1, 9, 17])('of %i migrations is copied whole before its tables are changed, once, and told where', async (migrations) => {
    await olderDatabase(migrations)
    const db = await openDatabase(url)
    db.close()
    expect(copies()).toEqual([expect.stringMatching(/^shop\.before-migration-\d{4}-\d\d-\d\dT[\d-]+Z-[\da-f]{8}\.db$/)])
    expect(db.copy).toBe(path.join(folder, 'backups', copies()[0]!))
    expect(copyWords(db.copy!)).toContain(`kept at ${db.copy}`)
    expect(await ask(db.copy!, COUNT)).toEqual([{ migrations }])
    expect(await ask(db.copy!, 'SELECT id, created_at FROM build')).toEqual([{ id: 'b1', created_at: '2026-03-01' }])
    expect(await ask(file, COUNT)).toEqual([{ migrations: known() }])
    expect(await ask(file, 'SELECT id FROM build')).toEqual([{ id: 'b1' }])

    const again = await openDatabase(url)
    again.close()
    expect(again.copy).toBeUndefined()
    expect(copies()).toHaveLength(1)
  })

  it('is put back from that copy, and migrated once more when it is opened', async () => {
    await olderDatabase(12)
    const db = await openDatabase(url)
    db.close()
    const other = path.join(folder, 'other', 'shop.db')
    mkdirSync(path.dirname(other))
    expect(await restore(`file:${other}`, db.copy!)).toBeUndefined()
    expect(await ask(other, COUNT)).toEqual([{ migrations: 12 }])
    const again = await openDatabase(`file:${other}`)
    again.close()
    expect(await ask(other, 'SELECT id FROM build')).toEqual([{ id: 'b1' }])
    expect(await ask(other, COUNT)).toEqual([{ migrations: known() }])
    expect(path.dirname(again.copy!)).toBe(path.join(folder, 'other', 'backups'))
  })

  it('is not changed where no copy can be made, and that is said', async () => {
    await olderDatabase(16)
    writeFileSync(path.join(folder, 'backups'), 'a file where the folder would be')
    await expect(openDatabase(url)).rejects.toMatchObject({ code: 'cannotCopy', message: expect.stringContaining('Nothing was changed.') })
    expect(await ask(file, COUNT)).toEqual([{ migrations: 16 }])
    rmSync(path.join(folder, 'backups'))
    ;(await openDatabase(url)).close()
    expect(await ask(file, COUNT)).toEqual([{ migrations: known() }])
  })

  it('that is damaged says that, not that its copy could not be made', async () => {
    await olderDatabase(16)
    await ask(file, 'PRAGMA wal_checkpoint(TRUNCATE)')
    const [root] = await ask(file, "SELECT rootpage AS page FROM sqlite_master WHERE name = 'build'")
    const bytes = readFileSync(file)
    bytes.fill(0xaa, (Number(root!.page) - 1) * 4096, Number(root!.page) * 4096)
    writeFileSync(file, bytes)
    await expect(openDatabase(url)).rejects.toMatchObject({ code: 'corrupt', message: expect.stringContaining('is damaged') })
    expect(await ask(file, COUNT)).toEqual([{ migrations: 16 }])
  })

  it('is copied to where the shop keeps its copies', async () => {
    await olderDatabase(17)
    const elsewhere = path.join(folder, 'safe', 'copies')
    process.env.KALIBROS_BACKUPS = elsewhere
    try {
      const db = await openDatabase(url)
      db.close()
      expect(path.dirname(db.copy!)).toBe(elsewhere)
      expect(copies()).toEqual([])
    } finally {
      delete process.env.KALIBROS_BACKUPS
    }
  })

  it('opened by several programs at once is migrated once, and each copy is whole', async () => {
    await olderDatabase(15)
    const all = await Promise.all(Array.from({ length: 4 }, () => openDatabase(url)))
    for (const db of all) db.close()
    expect(await ask(file, COUNT)).toEqual([{ migrations: known() }])
    for (const { copy } of all) if (copy) expect(await ask(copy, 'SELECT id FROM build')).toEqual([{ id: 'b1' }])
    expect(copies().length).toBeGreaterThan(0)
  })
})

it('a new database, and one that is up to date, are not copied', async () => {
  mkdirSync(path.join(folder, 'backups'))
  const fresh = await openDatabase(url)
  fresh.close()
  const again = await openDatabase(url)
  again.close()
  expect([fresh.copy, again.copy, copies()]).toEqual([undefined, undefined, []])
})
