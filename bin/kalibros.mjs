#!/usr/bin/env node
// Runs the command line, wherever it is called from.
import { spawn } from 'node:child_process'
import { bundled } from '../scripts/bundled.mjs'
import { ROOT } from '../scripts/setup.mjs'

const child = spawn(process.execPath, [...bundled('src/cli/main.ts'), ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, KALIBROS_ROOT: ROOT },
})
child.on('exit', (code, signal) => {
  process.exitCode = code ?? (signal ? 1 : 0)
})
