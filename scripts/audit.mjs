// Whether the numbers are true, in one command: everything typed as people type it, then sums, advice and coverage.
import path from 'node:path'
import { install, ROOT, run, typescript } from './setup.mjs'

install()
run(path.join(ROOT, 'node_modules/.bin/vitest'), ['run', 'tests/reference', '--reporter=dot'])
run(process.execPath, typescript('benchmarks/audit.ts'))
