// Load, kill and bad company, in full: what `npm test` does a few times is done many.
import path from 'node:path'
import { browser, build, install, QUIET_ENV, ROOT, run } from './setup.mjs'

const LONG = { ...QUIET_ENV, KALIBROS_FAULTS: 'long' }

install()
build()
browser()
run(path.join(ROOT, 'node_modules/.bin/vitest'), ['run', 'tests/reference/mutatedFiles.test.ts'], LONG)
run(path.join(ROOT, 'node_modules/.bin/playwright'), ['test', 'tests/faults', '--reporter=list'], LONG)
