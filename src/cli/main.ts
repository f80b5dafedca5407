import { readFileSync } from 'node:fs'
import { runCommand } from './program'

const withEnd = (text: string) => (text.endsWith('\n') ? text : `${text}\n`)

// Whoever reads the output may stop in the middle of it, as `head` does.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error
  process.exit()
})

process.exitCode = await runCommand(process.argv.slice(2), {
  out: (text) => process.stdout.write(withEnd(text)),
  err: (text) => process.stderr.write(withEnd(text)),
  input: () => readFileSync(0, 'utf8'),
  databaseUrl: process.env.KALIBROS_DB_URL,
  exitCode: 0,
})
