// Changes the core's formulas one spot at a time and asks whether a test notices. Takes hours over everything: name files to
// look at those alone, `npm run mutate -- src/core/benches/rings/filing.ts`.
import path from 'node:path'
import { install, ROOT, run } from './setup.mjs'

install()
const files = process.argv.slice(2)
run(path.join(ROOT, 'node_modules/.bin/stryker'), ['run', ...(files.length > 0 ? ['--mutate', files.join(',')] : [])])
