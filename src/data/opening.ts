/** Whether a database may be opened, and if not, why, in one sentence for whoever starts the program. */
import 'server-only'
import { mkdirSync, statSync } from 'node:fs'
import path from 'node:path'
import { createClient, type Client } from '@libsql/client'
import { readMigrationFiles } from 'drizzle-orm/migrator'
import { causesOf } from './failure'

export type OpenFailure =
  | 'badAddress'
  | 'noDatabase'
  | 'folder'
  | 'cannotWrite'
  | 'busy'
  | 'corrupt'
  | 'unreachable'
  | 'foreign'
  | 'newerProgram'
  | 'cannotCopy'
  | 'cannotMigrate'

const SENTENCES: Readonly<Record<OpenFailure, (where: string) => string>> = {
  badAddress: (where) => `KALIBROS_DB_URL is “${where}”, which is no database: file:PATH is wanted, or the address of a libSQL server.`,
  noDatabase: (where) => `There is no database at ${where}. KALIBROS_DB_URL says where one is.`,
  folder: (where) => `${where} is a folder: a file is wanted for the database.`,
  cannotWrite: (where) => `The database at ${where} cannot be written: look at who owns it, and whether its disk is full or read-only.`,
  busy: (where) => `The database at ${where} is held by another program.`,
  corrupt: (where) => `The database at ${where} is damaged. It was left as it is: put back a backup with “kalibros restore”.`,
  unreachable: (where) => `The libSQL server at ${where} does not answer, or does not let this program in.`,
  foreign: (where) => `The database at ${where} belongs to another program. Nothing was written to it.`,
  newerProgram: (where) => `The database at ${where} was written by a newer Kalibros. Nothing was written to it: start that one.`,
  cannotMigrate: (where) =>
    `The entries of the database at ${where} cannot be moved to the tables of this program. Nothing was changed: start the one before.`,
  cannotCopy: (where) =>
    [
      `The database is copied to ${where} before this program changes its tables, and cannot be.`,
      'Nothing was changed: look whether the disk is full or the folder may be written.',
    ].join(' '),
}

/** Told by its name, as `Refused` is. */
export function isCannotOpen(error: unknown): error is CannotOpen {
  return error instanceof Error && error.name === 'CannotOpen'
}

export class CannotOpen extends Error {
  constructor(
    readonly code: OpenFailure,
    where: string,
    cause?: unknown,
  ) {
    super(SENTENCES[code](where), { cause })
    this.name = 'CannotOpen'
  }

  /** Another try may find it otherwise: a lock is given back, a server comes up. */
  get mayPass(): boolean {
    return this.code === 'busy' || this.code === 'unreachable'
  }
}

/** By what SQLite and the client call it; the rest is a fault of the program and not worded here. */
const CAUSES: readonly (readonly [OpenFailure, RegExp])[] = [
  ['busy', /SQLITE_(?:BUSY|LOCKED)|database is locked/i],
  ['corrupt', /SQLITE_(?:CORRUPT|NOTADB)|malformed|not a database/i],
  ['cannotWrite', /SQLITE_(?:READONLY|CANTOPEN|FULL|IOERR|PERM)|readonly database|unable to open|EACCES|EROFS|ENOSPC|EPERM|ENOTDIR/i],
  ['unreachable', /ECONNREFUSED|ECONNRESET|ENOTFOUND|ETIMEDOUT|EAI_AGAIN|fetch failed|SERVER_ERROR|HTTP status|WEBSOCKET|HRANA/i],
]

/** A fault of opening as a `CannotOpen`, where it is one of those. */
export function cannotOpen(error: unknown, where: string): unknown {
  if (isCannotOpen(error)) return error
  const words = `${(error as { code?: string }).code ?? ''} ${causesOf(error)}`
  const found = CAUSES.find(([, pattern]) => pattern.test(words))
  return found ? new CannotOpen(found[0], where, error) : error
}

/** The file of a `file:` address; undefined for a server and for a database in memory. */
export function fileOf(url: string): string | undefined {
  const file = /^file:(?!:memory:)(.+?)(?:\?|$)/.exec(url)?.[1]
  return file && path.resolve(file.replace(/^\/\/(?=\/)/, ''))
}

/** As long as another writer of a shop takes with its largest import. */
const BUSY_TIMEOUT_MS = 5000

/** A client at a libSQL address, with its file's folder made. @throws CannotOpen where the address is none, or names a folder. */
export async function connect(url: string, { mayCreate = true } = {}): Promise<Client> {
  if (!/^(?:file|libsql|https?|wss?):./.test(url)) throw new CannotOpen('badAddress', url)
  const file = fileOf(url)
  if (file) prepareFile(file, mayCreate)
  let client: Client
  try {
    client = createClient({ url, authToken: process.env.KALIBROS_DB_TOKEN })
  } catch (cause) {
    throw /URL_(?:INVALID|SCHEME|PARAM)/.test((cause as { code?: string }).code ?? '') ? new CannotOpen('badAddress', url, cause) : cause
  }
  if (file) {
    await client.execute(`PRAGMA busy_timeout = ${BUSY_TIMEOUT_MS}`)
    // Nothing is written to it before it is known to be ours: not even the journal mode.
    await refuseStrangers(client, file, await applicationId(client))
    await client.execute('PRAGMA journal_mode = WAL')
    // An acknowledged reading must survive the plug being pulled, not only the program being killed.
    await client.execute('PRAGMA synchronous = FULL')
    // A disk that only lets itself be read says so here and not at the first reading.
    await client.executeMultiple('BEGIN IMMEDIATE; ROLLBACK')
  } else await refuseStrangers(client, url, 0)
  await client.execute('PRAGMA foreign_keys = ON')
  return client
}

function prepareFile(file: string, mayCreate: boolean): void {
  const stat = statSync(file, { throwIfNoEntry: false })
  if (stat?.isDirectory()) throw new CannotOpen('folder', file)
  if (!stat && !mayCreate) throw new CannotOpen('noDatabase', file)
  mkdirSync(path.dirname(file), { recursive: true })
}

/** “KALB”: what the header of a database of this program says it belongs to (SQLite, file format, 1.3, offset 68). */
const APPLICATION_ID = 0x4b414c42

export const MIGRATIONS_TABLE = '__drizzle_migrations'

/** @param id of the header; 0 where nobody has written one there, as on a server */
async function refuseStrangers(client: Client, where: string, id: number): Promise<void> {
  const { rows } = await client.execute("SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'")
  const tables = rows.map(({ name }) => String(name))
  // One from before there was an id has this program's tables; an empty one is nobody's.
  const isOurs = id === APPLICATION_ID || tables.length === 0 || (tables.includes('build_revision') && tables.includes(MIGRATIONS_TABLE))
  if (!isOurs || (id !== 0 && id !== APPLICATION_ID)) throw new CannotOpen('foreign', where)
  if ((await lastMigration(client)) > lastKnownMigration()) throw new CannotOpen('newerProgram', where)
}

async function applicationId(client: Client): Promise<number> {
  const { rows } = await client.execute('PRAGMA application_id')
  return Number(rows[0]?.application_id ?? 0)
}

/** Whether tables that hold something wait for a migration: a database that is new, or up to date, has none to wait for. */
export async function awaitsMigration(client: Client): Promise<boolean> {
  return (await lastMigration(client)) > 0 && !(await isUpToDate(client))
}

export async function isUpToDate(client: Client): Promise<boolean> {
  return (await lastMigration(client)) >= lastKnownMigration()
}

/** 0 where there was none yet. */
async function lastMigration(client: Client): Promise<number> {
  const found = await client.execute({ sql: 'SELECT 1 FROM sqlite_master WHERE name = ?', args: [MIGRATIONS_TABLE] })
  if (found.rows.length === 0) return 0
  const { rows } = await client.execute(`SELECT max(created_at) AS latest FROM ${MIGRATIONS_TABLE}`)
  return Number(rows[0]?.latest ?? 0)
}

/** The server runs in the project's folder; the command line runs anywhere and says where that is. */
export const MIGRATIONS_FOLDER = path.join(process.env.KALIBROS_ROOT ?? process.cwd(), 'src/data/migrations')

function lastKnownMigration(): number {
  return Math.max(...readMigrationFiles({ migrationsFolder: MIGRATIONS_FOLDER }).map(({ folderMillis }) => folderMillis))
}

/** Marks a database as this program's, once its tables are in it. A server's databases have no header to write to. */
export async function markAsOurs(client: Client, url: string): Promise<void> {
  if (fileOf(url) && (await applicationId(client)) !== APPLICATION_ID) await client.execute(`PRAGMA application_id = ${APPLICATION_ID}`)
}
