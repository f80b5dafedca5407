// Everything for a first look: installs, builds, loads the demo shop and starts. A second run keeps what was entered.
import { rmSync } from 'node:fs'
import path from 'node:path'
import { build, install, QUIET_ENV, ROOT, run, typescript } from './setup.mjs'
import { serve, untilReady } from './serve.mjs'

const file = path.join(ROOT, 'data/demo.db')
const env = { KALIBROS_DB_URL: process.env.KALIBROS_DB_URL ?? `file:${file}` }

install()
build()
if (process.argv.includes('--reset')) {
  for (const part of ['', '-wal', '-shm']) rmSync(file + part, { force: true })
  console.log('The demo starts over.')
}
run(process.execPath, typescript('src/demo/load.ts'), { ...QUIET_ENV, ...env })
const served = serve(env)
await untilReady(served)
console.log(`\nKalibros with the demo shop is at ${served.address}\n`)
