// Whether the numbers are true, in one command: every test with five times the cases, slips that a test must notice, then sums,
// advice and coverage. The full mutation score takes hours and has a command of its own: `npm run mutate`.
import path from 'node:path'
import { survivors } from './namedMutants.mjs'
import { install, QUIET_ENV, ROOT, run, typescript } from './setup.mjs'

install()
run(path.join(ROOT, 'node_modules/.bin/vitest'), ['run', '--reporter=dot'], { ...QUIET_ENV, KALIBROS_AUDIT: 'long' })
const living = survivors()
console.log(living.length === 0 ? 'ok    every named slip is noticed by a test' : `SHORT ${living.length} named slips live`)
run(process.execPath, typescript('benchmarks/audit.ts'))
if (living.length > 0) process.exitCode = 1
