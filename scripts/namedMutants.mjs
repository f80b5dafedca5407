// Slips that once went unseen, or well might, each put into a copy of the source: a test must notice every one.
import { spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { ROOT } from './setup.mjs'

/** What each slip is, where, what stands there before and after, and the tests that are to notice. A test holds each in place. */
const MUTANTS = JSON.parse(readFileSync(path.join(ROOT, 'scripts/namedMutants.json'), 'utf8'))

const USUAL_TESTS = ['src/core/benches', 'src/core/document/effective.test.ts']

/** A copy of the source with its tests, to be changed one spot at a time. */
export function copyOfSource(name) {
  const folder = path.join(ROOT, 'reports', name)
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  for (const part of ['src', 'tests', 'vitest.config.ts', 'vitest.mutation.config.ts', 'package.json', 'tsconfig.json'])
    cpSync(path.join(ROOT, part), path.join(folder, part), { recursive: true })
  symlinkSync(path.join(ROOT, 'node_modules'), path.join(folder, 'node_modules'))
  return folder
}

/** Whether all of some tests pass in a copy of the source; one that does not end has not passed. */
export function passes(folder, tests, patienceMs) {
  const args = [...tests, '--config', 'vitest.mutation.config.ts', '--bail', '1', '--reporter=dot']
  // A mutant that turns in circles does so in a process of the runner's: all of them are ended, not the runner alone.
  const patience = ['--signal=KILL', String((patienceMs ?? 0) / 1000)]
  const { status } = spawnSync('timeout', [...patience, path.join(folder, 'node_modules/.bin/vitest'), ...args], {
    cwd: folder,
    stdio: 'ignore',
  })
  return status === 0
}

/** @returns the mutants that no test noticed. */
export function survivors() {
  const folder = copyOfSource('named')
  return MUTANTS.filter(({ slip, file, was, becomes, tests = USUAL_TESTS }) => {
    const target = path.join(folder, file)
    const source = readFileSync(target, 'utf8')
    if (source.split(was).length !== 2) throw new Error(`“${slip}”: its place in ${file} is not found once`)
    writeFileSync(
      target,
      source.replace(was, () => becomes),
    )
    const lives = passes(folder, ['run', ...tests])
    writeFileSync(target, source)
    console.log(`${lives ? 'LIVES' : 'dies '} ${slip}`)
    return lives
  }).map(({ slip }) => slip)
}
