import { execFileSync, spawnSync } from 'node:child_process'
import { cpSync, mkdtempSync, readFileSync, renameSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'

/**
 * A bench is its folders and one line: one is made from the template in a copy of the whole source, compiled there, and looked for in
 * every part of the program.
 */
const ROOT = path.join(import.meta.dirname, '../..')
const copy = mkdtempSync(path.join(tmpdir(), 'kalibros-bench-'))
const NAME = 'oilPump'

function run(...args: readonly string[]) {
  const { status, stdout, stderr } = spawnSync(process.execPath, args, {
    cwd: copy,
    encoding: 'utf8',
    env: { PATH: process.env.PATH, NODE_ENV: 'test' },
  })
  return { status, said: `${stdout}${stderr}` }
}

const benches = (...more: readonly string[]) => run('scripts/benches.mjs', ...more)

beforeAll(() => {
  const files = execFileSync('git', ['ls-files', '-z', '--cached', '--others', '--exclude-standard'], { cwd: ROOT, encoding: 'utf8' })
  for (const file of files.split('\0').filter((one) => one !== '' && !one.startsWith('docs/')))
    cpSync(path.join(ROOT, file), path.join(copy, file))
  symlinkSync(path.join(ROOT, 'node_modules'), path.join(copy, 'node_modules'))
})
afterAll(() => rmSync(copy, { recursive: true, force: true }))

describe('benches', () => {
  it('are listed as `npm run benches` lists them', () => {
    expect(benches('--check')).toEqual({ status: 0, said: '' })
  })

  it('have names like each other, each its own', () => {
    expect(benches('--new', 'Oil pump')).toEqual({ status: 1, said: 'A bench has a name as oilPump is one, not “Oil pump”.\n' })
    expect(benches('--new', 'rings')).toEqual({ status: 1, said: 'There is a bench rings.\n' })
    expect(benches('--check')).toEqual({ status: 0, said: '' })
  })
})

describe('a bench made from the template', () => {
  it('compiles, with its folders and one line', () => {
    expect(benches('--new', NAME)).toEqual({ status: 0, said: '' })
    expect(benches('--check')).toEqual({ status: 0, said: '' })
    expect(run('node_modules/typescript/bin/tsc', '-p', 'tsconfig.json', '--noEmit')).toEqual({ status: 0, said: '' })
  })

  it('is known to every part of the program', () => {
    const words = { $Title: 'Oil pump', $file: 'oil-pump', $name: NAME }
    const trial = Object.entries(words).reduce(
      (text, [from, to]) => text.replaceAll(from, to),
      readFileSync(path.join(copy, 'scripts/newBench/trial.test.ts.txt'), 'utf8'),
    )
    writeFileSync(path.join(copy, 'tests/reference/trial.test.ts'), trial)
    const { status, said } = run('node_modules/vitest/vitest.mjs', 'run', 'tests/reference/trial.test.ts', '--reporter=json')
    expect(said).toMatch(/"numPassedTests":13,/)
    expect(status).toBe(0)
  })

  it.each([
    `src/core/benches/${NAME}/manifest.ts`,
    `src/core/benches/${NAME}/definition.ts`,
    `src/core/benches/${NAME}/presets.ts`,
    `src/core/benches/${NAME}/twin.ts`,
    `src/wording/benches/${NAME}.ts`,
    'src/features/oilPump/OilPumpBench.tsx',
  ])('without %s is not listed, and what is left out is named', (part) => {
    const [at, aside] = [path.join(copy, part), path.join(copy, 'aside')]
    renameSync(at, aside)
    expect(benches()).toEqual({ status: 1, said: `The bench ${NAME} has no ${part}.\n` })
    renameSync(aside, at)
  })

  it('with a list that was left as it was, is named by the check', () => {
    const at = path.join(copy, 'src/core/benches/lists/truths.ts')
    writeFileSync(at, readFileSync(at, 'utf8').replaceAll(/.*oilPump.*\n/g, ''))
    const { status, said } = benches('--check')
    expect([status, said]).toEqual([1, 'Not as `npm run benches` writes them: src/core/benches/lists/truths.ts\n'])
  })
})
