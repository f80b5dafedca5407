import { DEFAULT_GAUGES } from '@/core/benches/gauges'
import 'server-only'
import { copyFileSync } from 'node:fs'
import type { Client } from '@libsql/client'
import { drizzle } from 'drizzle-orm/libsql'
import pRetry from 'p-retry'
import { copyBeforeMigration } from './backup'
import { buildStore, type BuildStore } from './builds'
import type { Connection } from './connection'
import { NotMoved } from './flatEntries'
import { gaugeStore, type GaugeStore } from './gauges'
import { migrateTables } from './migrating'
import { CannotOpen, cannotOpen, connect, fileOf, isCannotOpen, isUpToDate, markAsOurs } from './opening'
import { photoStore, type PhotoStore } from './photos'
import { planStore, type PlanStore } from './plans'
import { pressStore, type PressStore } from './presses'
import * as schema from './schema'
import { walDamage } from './walDamage'

export interface Database {
  readonly builds: BuildStore
  readonly gauges: GaugeStore
  readonly presses: PressStore
  readonly photos: PhotoStore
  readonly plans: PlanStore
  /** What was found wrong as it was opened, for the person in charge. */
  readonly notice?: string
  /** The copy that was made before its tables were changed as it was opened. */
  readonly copy?: string
  close(): void
}

export const DEFAULT_URL = 'file:./data/kalibros.db'

export interface OpenOptions {
  /** Where there is none, one is made. */
  readonly mayCreate?: boolean
  /** Told of each try that failed for what may pass; without it the first failure is the last. */
  readonly onWaiting?: (failure: Error) => void
}

/**
 * Opens the database at a libSQL URL, makes its folder if it is missing, migrates it and puts the usual gauges into the drawer.
 * @throws CannotOpen in one sentence, where it may not or cannot be used
 */
export async function openDatabase(url = process.env.KALIBROS_DB_URL ?? DEFAULT_URL, options: OpenOptions = {}): Promise<Database> {
  const { onWaiting } = options
  return pRetry(() => openOnce(url, options), {
    retries: onWaiting ? Number.POSITIVE_INFINITY : 0,
    minTimeout: 500,
    maxTimeout: 10_000,
    onFailedAttempt: ({ error }) => {
      if (isCannotOpen(error) && error.mayPass) onWaiting?.(error)
    },
    shouldRetry: ({ error }) => isCannotOpen(error) && error.mayPass,
  })
}

async function openOnce(url: string, { mayCreate }: OpenOptions): Promise<Database> {
  const file = fileOf(url)
  const notice = file && setDamagedLogAside(file)
  let client: Client | undefined
  try {
    client = await connect(url, { mayCreate })
    const copy = file && (await copyBeforeMigration(client, file))
    if (!(await isUpToDate(client))) await migrated(url)
    await markAsOurs(client, url)
    return { ...(await storesOf(client, drizzle(client, { schema }))), ...(notice && { notice }), ...(copy && { copy }) }
  } catch (error) {
    client?.close()
    throw cannotOpen(error, file ?? url)
  }
}

/** Waits without holding up the event loop: in tests, and where a server and a worker share a process, the other is in this one. */
const WAITS = { retries: 60, minTimeout: 50, maxTimeout: 500, factor: 1.5 }

/** Of two programs that start at once one changes the tables; the other waits for it, and finds it done. */
async function migrated(url: string): Promise<void> {
  const isBusy = (error: unknown) => isCannotOpen(error) && error.code === 'busy'
  await pRetry(() => migrateOnce(url), { ...WAITS, shouldRetry: ({ error }) => isBusy(error) })
}

async function migrateOnce(url: string): Promise<void> {
  const where = fileOf(url) ?? url
  const client = await connect(url)
  try {
    await client.execute('PRAGMA busy_timeout = 0')
    if (!(await isUpToDate(client))) await migrateTables(client)
  } catch (error) {
    throw error instanceof NotMoved ? new CannotOpen('cannotMigrate', `${where} (${error.message})`, error) : cannotOpen(error, where)
  } finally {
    client.close()
  }
}

/** A copy of a log that is damaged in its middle, before SQLite leaves out what stands behind the damage; what to say of it. */
function setDamagedLogAside(file: string): string | undefined {
  const damage = walDamage(`${file}-wal`)
  if (!damage) return undefined
  const aside = `${file}-wal.damaged-${Date.now()}`
  copyFileSync(`${file}-wal`, aside)
  return [
    `${file}-wal was damaged at its frame ${damage.frame}: ${damage.commitsLost} of the last writes cannot be read.`,
    `The log is kept at ${aside}. Devices that entered them send them again; look whether a backup has more.`,
  ].join(' ')
}

async function storesOf(client: Client, connection: Connection): Promise<Database> {
  const gauges = gaugeStore(connection)
  // Those already there stay as they are; a newer program may bring a gauge for something it has learnt to measure.
  await gauges.add(DEFAULT_GAUGES)
  return {
    builds: buildStore(connection, gauges),
    gauges,
    presses: pressStore(connection),
    photos: photoStore(connection),
    plans: planStore(connection),
    close: () => client.close(),
  }
}

/** For whoever started the program that changed the tables. */
export function copyWords(copy: string): string {
  return `The tables of the database were changed for this program. A copy from before is kept at ${copy}: “kalibros restore” puts it back.`
}

const shared = globalThis as { kalibrosDatabase?: Promise<Database> }

/** The one database of this server. Kept on the global object: the development server reloads modules, not connections. */
export function database(): Promise<Database> {
  shared.kalibrosDatabase ??= openDatabase()
  return shared.kalibrosDatabase
}

/**
 * Opens it as the server starts. What may pass is waited for, and said once; anything else ends the program with one sentence:
 * nothing runs half alive.
 */
export async function openAtStart(): Promise<void> {
  let said = ''
  const onWaiting = ({ message }: Error) => {
    if (message !== said) console.error(`${message} Trying again.`)
    said = message
  }
  shared.kalibrosDatabase = openDatabase(undefined, { onWaiting })
  try {
    const { notice, copy } = await shared.kalibrosDatabase
    if (notice) console.error(notice)
    if (copy) console.error(copyWords(copy))
  } catch (error) {
    console.error(isCannotOpen(error) ? `Kalibros does not start: ${error.message}` : error)
    process.exit(1)
  }
}
