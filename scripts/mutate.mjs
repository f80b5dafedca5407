// Changes the core's formulas one spot at a time and asks whether a test notices. Takes hours over everything: name files to
// look at those alone, `npm run mutate -- src/core/benches/rings/filing.ts`; `--named` tries the sixteen named slips alone, and
// `--sample 150 2` as many mutants drawn from the whole core with that seed, which says its score within a few in a hundred.
import path from 'node:path'
import { survivors } from './namedMutants.mjs'
import { install, ROOT, run } from './setup.mjs'

install()
const [how, count, seed] = process.argv.slice(2)
if (how === '--sample') {
  const { sampleMutants } = await import('./mutationSample.mjs')
  const share = await sampleMutants(Number(count ?? 150), Number(seed ?? 1))
  process.exit(share < 0.85 ? 1 : 0)
}
const living = survivors()
if (living.length > 0) process.exitCode = 1
const files = process.argv.slice(2)
if (!files.includes('--named'))
  run(path.join(ROOT, 'node_modules/.bin/stryker'), ['run', ...(files.length > 0 ? ['--mutate', files.join(',')] : [])])
