/** Steps that bring an older build file to the next version, by the version they start from. Never edited once released. */
export type MigrationSteps = Readonly<Record<number, (document: Record<string, unknown>) => Record<string, unknown>>>

/** Version 1 is the first that was ever written. */
const MIGRATIONS: MigrationSteps = {}

/** Applies every step from the document's version on. The input is not changed. */
export function migrateDocument(document: object, steps: MigrationSteps = MIGRATIONS): object {
  let migrated = { ...document } as Record<string, unknown>
  for (let step = steps[migrated.version as number]; step; step = steps[migrated.version as number]) {
    const from = migrated.version as number
    migrated = { ...step(migrated), version: from + 1 }
  }
  return migrated
}
