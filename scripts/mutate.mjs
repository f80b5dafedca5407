// Changes the core's formulas one spot at a time and asks whether a test notices. Takes hours over everything: name files to
// look at those alone, `npm run mutate -- src/core/benches/rings/filing.ts`; `--named` tries the sixteen named slips alone.
import path from 'node:path'
import { survivors } from './namedMutants.mjs'
import { install, ROOT, run } from './setup.mjs'

install()
const living = survivors()
if (living.length > 0) process.exitCode = 1
const files = process.argv.slice(2)
if (!files.includes('--named'))
  run(path.join(ROOT, 'node_modules/.bin/stryker'), ['run', ...(files.length > 0 ? ['--mutate', files.join(',')] : [])])
