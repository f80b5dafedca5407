import type { Client, Transaction } from '@libsql/client'
import { readMigrationFiles, type MigrationMeta } from 'drizzle-orm/migrator'
import { moveFlatEntries } from './flatEntries'
import { MIGRATIONS_FOLDER, MIGRATIONS_TABLE } from './opening'

/** What a migration does that SQL cannot, by its place among them, the first is 0. */
const BESIDES_SQL: Readonly<Record<number, (transaction: Transaction) => Promise<void>>> = { 18: moveFlatEntries }

/**
 * Brings the tables of a database to this program's: every migration it lacks in one transaction, or none of them. Of two programs that
 * start at once one does, and the other finds it done. Drizzle's own migrator runs SQL alone, and rows have to be compared before the
 * change commits.
 * @param client used for this alone: libSQL's gives its connection away with a transaction
 * @param known how many migrations of this program's are wanted; a test asks for fewer
 */
export async function migrateTables(client: Client, known = Number.POSITIVE_INFINITY): Promise<void> {
  const transaction = await client.transaction('write')
  try {
    await transaction.execute(
      `CREATE TABLE IF NOT EXISTS ${MIGRATIONS_TABLE} (id SERIAL PRIMARY KEY, hash text NOT NULL, created_at numeric)`,
    )
    const { rows } = await transaction.execute(`SELECT max(created_at) AS latest FROM ${MIGRATIONS_TABLE}`)
    const latest = Number(rows[0]?.latest ?? 0)
    const all = readMigrationFiles({ migrationsFolder: MIGRATIONS_FOLDER }).slice(0, known)
    for (const [at, migration] of all.entries()) if (migration.folderMillis > latest) await migrate(transaction, at, migration)
    await transaction.commit()
  } finally {
    transaction.close()
  }
}

async function migrate(transaction: Transaction, at: number, { sql, hash, folderMillis }: MigrationMeta): Promise<void> {
  for (const statement of sql) await transaction.execute(statement)
  await BESIDES_SQL[at]?.(transaction)
  await transaction.execute({ sql: `INSERT INTO ${MIGRATIONS_TABLE} (hash, created_at) VALUES (?, ?)`, args: [hash, folderMillis] })
}
