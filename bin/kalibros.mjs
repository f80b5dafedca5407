#!/usr/bin/env node
// Runs the command line from its TypeScript source, wherever it is called from.
import { spawn } from 'node:child_process'
import { fileURLToPath } from 'node:url'

const root = fileURLToPath(new URL('..', import.meta.url))
const child = spawn(
  process.execPath,
  ['--conditions=react-server', '--import', import.meta.resolve('tsx'), `${root}src/cli/main.ts`, ...process.argv.slice(2)],
  { stdio: 'inherit', env: { ...process.env, TSX_TSCONFIG_PATH: `${root}tsconfig.json`, KALIBROS_ROOT: root } },
)
child.on('exit', (code, signal) => {
  process.exitCode = code ?? (signal ? 1 : 0)
})
