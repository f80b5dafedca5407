/** Commands on the database at KALIBROS_DB_URL: builds out of it and into it, a copy of it and back. */
import { writeFileSync } from 'node:fs'
import type { Command } from 'commander'
import { writeBuildFile } from '@/core/files'
import type { Database } from '@/data/database'
import { readDocument } from './documents'
import { BadInput, type Terminal } from './terminal'

export function addDatabaseCommands(program: Command, terminal: Terminal): void {
  program
    .command('export')
    .argument('<id>', 'build id, or "list"')
    .option('-o, --out <file>', 'write to a file instead of standard output')
    .description('a build of the database at KALIBROS_DB_URL as a build file')
    .action(async (id: string, options: { out?: string }) =>
      withDatabase(terminal, async (db) => {
        if (id === 'list') {
          const names = await db.builds.names()
          return terminal.out(names.map(({ id: one, name }) => `${one}  ${name}`).join('\n'))
        }
        const build = await db.builds.load(id)
        if (!build) throw new BadInput(`${id}: there is no such build in the database`)
        if (options.out) writeFileSync(options.out, writeBuildFile(build.document))
        else terminal.out(writeBuildFile(build.document))
      }),
    )

  program
    .command('import')
    .argument('<file>')
    .option('--by <initials>', 'who brings it in', '—')
    .description('a build file into the database at KALIBROS_DB_URL')
    .action(async (file: string, options: { by: string }) =>
      withDatabase(
        terminal,
        async (db) => {
          const document = readDocument(terminal, file)
          if (await db.builds.load(document.id))
            throw new BadInput(`${file}: build ${document.id} is already in the database; nothing was stored`)
          await db.builds.create(document, options.by)
          terminal.out(`Stored ${document.spec.name}, ${document.entries.length} entries.`)
        },
        { mayCreate: true },
      ),
    )

  program
    .command('backup')
    .argument('<file>', 'where the copy goes')
    .description('a whole copy of the database at KALIBROS_DB_URL, also while it is in use')
    .action(async (file: string) => {
      const { backUp } = await import('@/data/backup')
      await backUp(await shopUrl(terminal), file)
      terminal.out(`Copied to ${file}, and checked.`)
    })

  program
    .command('restore')
    .argument('<file>', 'a copy made by backup')
    .description('puts a copy in the place of the database at KALIBROS_DB_URL, which is kept beside it; the server is stopped first')
    .action(async (file: string) => {
      const { restore } = await import('@/data/backup')
      const aside = await restore(await shopUrl(terminal), file)
      terminal.out(`${file} is in its place.${aside ? ` What was there is kept as ${aside}.` : ''}`)
      terminal.out('Start the server. Devices send again what they entered in the last thirty days and it lacks.')
    })
}

/** @param options `mayCreate`: a database that is not there is made; left out, it is said where it was looked for */
async function withDatabase(terminal: Terminal, work: (db: Database) => Promise<void>, { mayCreate = false } = {}): Promise<void> {
  const { copyWords, openDatabase } = await import('@/data/database')
  const db = await openDatabase(terminal.databaseUrl, { mayCreate })
  try {
    if (db.notice) terminal.err(db.notice)
    if (db.copy) terminal.err(copyWords(db.copy))
    await work(db)
  } finally {
    db.close()
  }
}

/** Where the shop's database is: as it is set, else where `npm start` makes it. */
async function shopUrl({ databaseUrl }: Terminal): Promise<string> {
  const { DEFAULT_URL } = await import('@/data/database')
  return databaseUrl ?? DEFAULT_URL
}
