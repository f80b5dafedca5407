// Load, kill and bad company, in full: what `npm test` does a few times is done many.
import path from 'node:path'
import { browser, build, install, ROOT, run } from './setup.mjs'

install()
build()
browser()
process.env.KALIBROS_FAULTS = 'long'
run(path.join(ROOT, 'node_modules/.bin/vitest'), ['run', 'tests/reference/mutatedFiles.test.ts'])
run(path.join(ROOT, 'node_modules/.bin/playwright'), ['test', 'tests/faults', '--reporter=list'])
