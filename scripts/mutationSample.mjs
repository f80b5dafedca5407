// The mutation score of the whole core by a sample: all of its mutants are listed, so many are drawn, and each is tried by itself.
import { createHash } from 'node:crypto'
import { readdirSync, readFileSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { copyOfSource, passes } from './namedMutants.mjs'
import { ROOT } from './setup.mjs'

/** Longer than all tests of the core take: a mutant that turns in circles is noticed. */
const PATIENCE_MS = 300_000

const CONFIG = JSON.parse(readFileSync(path.join(ROOT, 'stryker.config.json'), 'utf8'))

/** The files that the configuration names, but for those it leaves out. */
function mutatedFiles() {
  const asRegExp = (glob) =>
    new RegExp(`^${glob.replaceAll('.', '\\.').replaceAll('**/', '').replaceAll('*', '[^/]*').replaceAll('', '(?:.*/)?')}$`)
  const [out, into] = [true, false].map((isOut) =>
    CONFIG.mutate.filter((glob) => glob.startsWith('!') === isOut).map((glob) => asRegExp(glob.replace('!', ''))),
  )
  const all = readdirSync(path.join(ROOT, 'src/core'), { recursive: true }).map((name) => `src/core/${name}`)
  return all.filter((name) => into.some((one) => one.test(name)) && !out.some((one) => one.test(name))).sort()
}

async function allMutants() {
  const { Instrumenter } = await import(path.join(ROOT, 'node_modules/@stryker-mutator/instrumenter/dist/src/instrumenter.js'))
  const isOff = () => false
  const quiet = Object.fromEntries(['trace', 'debug', 'info', 'warn', 'error', 'fatal'].map((level) => [level, () => {}]))
  const logger = { ...quiet, isDebugEnabled: isOff, isTraceEnabled: isOff, isInfoEnabled: isOff }
  const files = mutatedFiles().map((name) => ({ name, content: readFileSync(path.join(ROOT, name), 'utf8'), mutate: true }))
  const options = { plugins: null, ignorers: [], excludedMutations: CONFIG.mutator.excludedMutations }
  const { mutants } = await new Instrumenter(logger).instrument(files, options)
  return mutants.filter(({ status }) => status !== 'Ignored')
}

/** The same for the same seed and source, whatever order they are listed in. */
function drawn(mutants, count, seed) {
  const rank = ({ fileName, location, replacement }) =>
    createHash('sha1')
      .update(`${seed} ${fileName} ${JSON.stringify(location)} ${replacement}`)
      .digest('hex')
  return mutants
    .map((mutant) => ({ mutant, at: rank(mutant) }))
    .sort((a, b) => (a.at < b.at ? -1 : 1))
    .slice(0, count)
    .map(({ mutant }) => mutant)
}

function mutated(source, { location: { start, end }, replacement }) {
  const lines = source.split('\n')
  const at = ({ line, column }) => lines.slice(0, line).reduce((sum, one) => sum + one.length + 1, 0) + column
  return source.slice(0, at(start)) + replacement + source.slice(at(end))
}

/** Tries so many mutants; prints each that lives, and the share that died. */
export async function sampleMutants(count, seed) {
  const folder = copyOfSource('sampled')
  if (!passes(folder, ['run'])) throw new Error('The tests fail before anything is changed.')
  const all = await allMutants()
  const tried = drawn(all, count, seed)
  let died = 0
  for (const [index, mutant] of tried.entries()) {
    const target = path.join(folder, mutant.fileName)
    const source = readFileSync(target, 'utf8')
    writeFileSync(target, mutated(source, mutant))
    // Tests that stand beside it notice most, and soonest.
    const lives =
      passes(folder, ['run', path.dirname(mutant.fileName)], PATIENCE_MS) &&
      passes(folder, ['related', '--run', mutant.fileName], PATIENCE_MS)
    writeFileSync(target, source)
    if (!lives) died++
    const where = `${mutant.fileName}:${mutant.location.start.line + 1} ${mutant.mutatorName} → ${mutant.replacement.slice(0, 80)}`
    console.log(`${String(index + 1).padStart(4)} ${lives ? 'LIVES' : 'dies '} ${where}`)
  }
  console.log(`${died} of ${tried.length} died, ${((100 * died) / tried.length).toFixed(1)} %; ${all.length} mutants in all.`)
  return died / tried.length
}
