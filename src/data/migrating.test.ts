import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { createClient } from '@libsql/client'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { restore } from './backup'
import { copyWords, openDatabase } from './database'
import { migrateTables } from './migrating'
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

/** A database of a program that knew so many migrations, with a build in it. */
async function olderDatabase(migrations: number): Promise<void> {
  const own = createClient({ url })
  await migrateTables(own, migrations)
  own.close()
  await ask(file, "INSERT INTO build (id, created_at, touched_at) VALUES ('b1', '2026-03-01', '2026-03-02')")
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
const known = () => readdirSync(MIGRATIONS_FOLDER).filter((name) => name.endsWith('.sql')).length

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
    await expect(openDatabase(url)).rejects.toMatchObject({
      code: 'cannotCopy',
      message: expect.stringContaining('cannot be. Nothing was changed: '),
    })
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

describe('entries of the table with a column for everything', () => {
  const AT = '2026-03-01T10:00:00.000Z'
  const literal = (value: string | number) => JSON.stringify(value).replaceAll('"', "'")
  const insert = (row: Readonly<Record<string, string | number>>) =>
    ask(file, `INSERT INTO entry (${Object.keys(row).join()}) VALUES (${Object.values(row).map(literal).join()})`)
  const note = (id: string, more: Readonly<Record<string, string | number>> = {}) => ({
    id,
    build_id: 'b1',
    kind: 'note',
    characteristic: 'deck',
    cylinder: 2,
    words: 'a nick',
    at: AT,
    by: 'KV',
    received_at: AT,
    ...more,
  })

  it('are documents after it, the old ones kept and closed to every write', async () => {
    await olderDatabase(18)
    await insert(note('n1'))
    await insert(note('n2', { device_at: '2027-01-01T00:00:00.000Z', seq: 40 }))
    await insert({ ...note('n3', { kind: 'check', passed: 0 }), characteristic: 'cracks' })
    const before = await ask(file, 'SELECT * FROM entry')
    ;(await openDatabase(url)).close()
    expect(await ask(file, 'SELECT seq, id, build_id, kind, body, at, by, received_at FROM entry ORDER BY seq')).toEqual([
      { ...stored(1, 'n1', 'note'), body: '{"characteristic":"compression.deck","text":"a nick","place":{"cylinder":2}}' },
      {
        ...stored(40, 'n2', 'note'),
        body: '{"at":"2027-01-01T00:00:00.000Z","characteristic":"compression.deck","text":"a nick","place":{"cylinder":2}}',
      },
      { ...stored(41, 'n3', 'check'), body: '{"characteristic":"bores.cracks","passed":false,"text":"a nick","place":{"cylinder":2}}' },
    ])
    expect(await ask(file, 'SELECT * FROM entry_flat')).toEqual(before)
    for (const sql of ['DELETE FROM entry_flat', "UPDATE entry_flat SET words = ''", 'REPLACE INTO entry_flat SELECT * FROM entry_flat'])
      await expect(ask(file, sql)).rejects.toThrow('entry_flat is kept as it was')
  })

  const stored = (seq: number, id: string, kind: string) => ({ seq, id, build_id: 'b1', kind, at: AT, by: 'KV', received_at: AT })

  it('stay where they are, all of them, where one holds what its kind has no field for', async () => {
    await olderDatabase(18)
    await insert(note('n1'))
    await insert(note('n2', { value: 0.5 }))
    const before = await ask(file, 'SELECT * FROM entry')
    await expect(openDatabase(url)).rejects.toMatchObject({
      code: 'cannotMigrate',
      message: expect.stringContaining('(Entry n2: a note with value) cannot be moved'),
    })
    expect(await ask(file, COUNT)).toEqual([{ migrations: 18 }])
    expect(await ask(file, 'SELECT * FROM entry')).toEqual(before)
  })

  it('are all moved where there are more than are moved at once', async () => {
    await olderDatabase(18)
    await ask(
      file,
      `WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 4321)
      INSERT INTO entry (id, build_id, kind, characteristic, words, at, by, received_at)
      SELECT 'n' || i, 'b1', 'note', 'compression.deck', 'note ' || i, '${AT}', 'KV', '${AT}' FROM n`,
    )
    ;(await openDatabase(url)).close()
    expect(
      await ask(file, "SELECT count(*) AS all_of_them, sum(body ->> '$.text' = 'note ' || seq AND id = 'n' || seq) AS right FROM entry"),
    ).toEqual([{ all_of_them: 4321, right: 4321 }])
  })
})
