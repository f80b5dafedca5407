import 'server-only'
import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { createClient } from '@libsql/client'
import { drizzle } from 'drizzle-orm/libsql'
import { migrate } from 'drizzle-orm/libsql/migrator'
import { DEFAULT_GAUGES } from '@/core/build'
import { buildStore, type BuildStore } from './builds'
import { gaugeStore, type GaugeStore } from './gauges'
import { photoStore, type PhotoStore } from './photos'
import { planStore, type PlanStore } from './plans'
import { pressStore, type PressStore } from './presses'
import * as schema from './schema'

export interface Database {
  readonly builds: BuildStore
  readonly gauges: GaugeStore
  readonly presses: PressStore
  readonly photos: PhotoStore
  readonly plans: PlanStore
  close(): void
}

const DEFAULT_URL = 'file:./data/kalibros.db'
/** The server runs in the project's folder; the command line runs anywhere and says where that is. */
const MIGRATIONS = path.join(process.env.KALIBROS_ROOT ?? process.cwd(), 'src/data/migrations')
const BUSY_TIMEOUT_MS = 5000

/** Opens the database at a libSQL URL, makes its folder if it is missing, migrates it and puts the usual gauges into the drawer. */
export async function openDatabase(url = process.env.KALIBROS_DB_URL ?? DEFAULT_URL): Promise<Database> {
  const file = /^file:(?!:memory:)(.+?)(?:\?|$)/.exec(url)?.[1]
  if (file) mkdirSync(path.dirname(path.resolve(file)), { recursive: true })
  const client = createClient({ url, authToken: process.env.KALIBROS_DB_TOKEN })
  if (file) {
    await client.execute('PRAGMA journal_mode = WAL')
    await client.execute(`PRAGMA busy_timeout = ${BUSY_TIMEOUT_MS}`)
    // An acknowledged reading must survive the plug being pulled, not only the program being killed.
    await client.execute('PRAGMA synchronous = FULL')
  }
  await client.execute('PRAGMA foreign_keys = ON')
  const connection = drizzle(client, { schema })
  await migrate(connection, { migrationsFolder: MIGRATIONS })
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

const shared = globalThis as { kalibrosDatabase?: Promise<Database> }

/** The one database of this server. Kept on the global object: the development server reloads modules, not connections. */
export function database(): Promise<Database> {
  shared.kalibrosDatabase ??= openDatabase()
  return shared.kalibrosDatabase
}
