/** A copy of a shop's database, and a copy put back in its place. */
import 'server-only'
import { randomUUID } from 'node:crypto'
import { copyFileSync, existsSync, mkdirSync, renameSync } from 'node:fs'
import path from 'node:path'
import type { Client } from '@libsql/client'
import { awaitsMigration, CannotOpen, cannotOpen, connect, fileOf } from './opening'

/** Told by its name, in a sentence. */
class BackupRefused extends Error {
  override readonly name = 'BackupRefused'
}

/** Writes a whole, checked copy beside a database in use. @throws CannotOpen; BackupRefused where the copy is there already */
export async function backUp(url: string, copy: string): Promise<void> {
  const file = localFile(url)
  if (existsSync(copy)) throw new BackupRefused(`${copy} is there already: nothing was written over it`)
  try {
    const client = await connect(url, { mayCreate: false })
    try {
      await copied(client, copy)
    } finally {
      client.close()
    }
  } catch (error) {
    throw cannotOpen(error, file)
  }
  await checked(copy)
}

/**
 * Copies a database that a newer program is about to change the tables of into the folder `backups` beside it, or into the one that
 * KALIBROS_BACKUPS names. Nothing of it is changed where the copy cannot be made. A libSQL server has backups of its own.
 * @returns where the copy is; undefined where nothing is about to be changed
 * @throws CannotOpen
 */
export async function copyBeforeMigration(client: Client, file: string): Promise<string | undefined> {
  if (!(await awaitsMigration(client))) return undefined
  const folder = process.env.KALIBROS_BACKUPS ?? `${path.dirname(file)}/backups`
  // Two programs may start in the same millisecond, each in a container of its own where all have one number.
  const name = `${path.basename(file, '.db')}.before-migration-${timestamp()}-${randomUUID().slice(0, 8)}.db`
  const copy = `${folder}/${name}`
  try {
    mkdirSync(folder, { recursive: true })
    await copied(client, copy)
    await checked(copy)
  } catch (cause) {
    const failure = cannotOpen(cause, file)
    // One that is damaged, or held by another program, cannot be copied for that reason and says so.
    if (failure instanceof CannotOpen && (failure.code === 'corrupt' || failure.code === 'busy')) throw failure
    throw new CannotOpen('cannotCopy', copy, cause)
  }
  return copy
}

/** Whole, of one moment, also while others write (SQLite, VACUUM INTO). */
async function copied(client: Client, copy: string): Promise<void> {
  await client.execute({ sql: 'VACUUM INTO ?', args: [copy] })
}

/** A moment as a file name may have it. */
function timestamp(): string {
  return new Date().toISOString().replaceAll(/[:.]/g, '-')
}

/** The parts of a database in use. */
const PARTS = ['', '-wal', '-shm']

/**
 * Puts a copy in the place of the database, which is kept beside it under another name. Nothing is moved before the copy is known to
 * be whole and this program's, and the database to be in nobody's use.
 * @returns what the database was set aside as; undefined where there was none
 */
export async function restore(url: string, copy: string): Promise<string | undefined> {
  const file = localFile(url)
  await checked(copy)
  if (!existsSync(file)) {
    copyFileSync(copy, file)
    return undefined
  }
  await refuseInUse(url, file)
  const aside = `${file}.before-${timestamp()}`
  for (const part of PARTS) if (existsSync(file + part)) renameSync(file + part, aside + part)
  copyFileSync(copy, file)
  return aside
}

function localFile(url: string): string {
  const file = fileOf(url)
  if (!file) throw new BackupRefused(`${url} is no file: a libSQL server has backups of its own`)
  return file
}

/** @throws CannotOpen where a copy is not there, not this program's, of a newer one, or damaged */
async function checked(copy: string): Promise<void> {
  const where = path.resolve(copy)
  try {
    const client = await connect(`file:${where}`, { mayCreate: false })
    try {
      const { rows } = await client.execute('PRAGMA integrity_check')
      if (rows[0]?.integrity_check !== 'ok') throw new CannotOpen('corrupt', where)
      // Back to one file: what stands in a log beside it would not be copied.
      await client.execute('PRAGMA journal_mode = DELETE')
    } finally {
      client.close()
    }
  } catch (error) {
    throw cannotOpen(error, where)
  }
}

/** While a server has it open, files moved under it would go on being written to. */
async function refuseInUse(url: string, file: string): Promise<void> {
  try {
    const client = await connect(url, { mayCreate: false })
    try {
      await client.executeMultiple('PRAGMA busy_timeout = 500; PRAGMA locking_mode = EXCLUSIVE; BEGIN EXCLUSIVE; COMMIT')
    } finally {
      client.close()
    }
  } catch (error) {
    const failure = cannotOpen(error, file)
    // A damaged one is what a backup is put back for.
    if (failure instanceof CannotOpen && failure.code === 'corrupt') return
    throw failure
  }
}
