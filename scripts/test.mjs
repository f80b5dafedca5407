// Every check there is, one after the other; the last line counts what passed and what failed over all of them.
import { spawn, spawnSync } from 'node:child_process'
import { mkdirSync, readFileSync, rmSync } from 'node:fs'
import path from 'node:path'
import { browser, build, install, QUIET_ENV, ROOT } from './setup.mjs'

const REPORTS = path.join(ROOT, 'reports')
let passed = 0
let failed = 0

/** A check that passes or fails as a whole. */
function check(name, work, started = Date.now()) {
  let words = ''
  try {
    work()
  } catch (error) {
    words = error.message
  }
  if (words === '') passed++
  else failed++
  console.log(`${words === '' ? 'ok  ' : 'FAIL'} ${name} (${((Date.now() - started) / 1000).toFixed(1)} s)${words && `: ${words}`}`)
  return words === ''
}

/** Checks that read sources and change nothing, two at a time; what each printed is shown once it has ended. */
async function checkSources(checks) {
  const waiting = [...checks]
  const next = async () => {
    for (let one = waiting.shift(); one; one = waiting.shift()) {
      const [name, command, ...args] = one
      const started = Date.now()
      const { status, printed } = await ran(command, args)
      const work = () => {
        process.stdout.write(printed)
        if (status !== 0) throw new Error(`${command} ended with ${status}`)
      }
      check(name, work, started)
    }
  }
  await Promise.all([next(), next()])
}

function ran(name, args) {
  return new Promise((resolve, reject) => {
    const child = spawn(path.join(ROOT, 'node_modules/.bin', name), args, { cwd: ROOT, env: QUIET_ENV })
    let printed = ''
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (printed += data))
    child.once('error', reject)
    child.once('close', (status) => resolve({ status, printed }))
  })
}

function tool(name, ...args) {
  const { status, error } = spawnSync(path.join(ROOT, 'node_modules/.bin', name), args, { cwd: ROOT, stdio: 'inherit', env: QUIET_ENV })
  if (error) throw error
  if (status !== 0) throw new Error(`${name} ended with ${status}`)
}

/** A test runner that counts for itself: its report is added up, and a run without a report is a failure. */
function runner(name, work, count) {
  let trouble = ''
  try {
    work()
  } catch (error) {
    trouble = error.message
  }
  try {
    const counted = count()
    passed += counted.passed
    failed += counted.failed
    if (trouble && counted.failed === 0) failed++
    console.log(`${counted.failed === 0 && !trouble ? 'ok  ' : 'FAIL'} ${name}: ${counted.passed} passed, ${counted.failed} failed`)
  } catch {
    failed++
    console.log(`FAIL ${name}: no report. ${trouble}`)
  }
}

const report = (name) => JSON.parse(readFileSync(path.join(REPORTS, name), 'utf8'))

rmSync(REPORTS, { recursive: true, force: true })
mkdirSync(REPORTS, { recursive: true })
if (check('packages installed', install)) {
  await checkSources([
    ['formatting', 'oxfmt', '--check', '.'],
    ['lint', 'oxlint', '--deny-warnings'],
    ['types of the core, with no DOM and no Node', 'tsc', '-p', 'src/core/tsconfig.json', '--noEmit'],
    ['types', 'tsc', '-p', 'tsconfig.json', '--noEmit'],
    ['imports point downwards', 'depcruise', 'src', '--config', '.dependency-cruiser.mjs', '--output-type', 'err'],
    ['nothing unused', 'knip', '--no-progress'],
  ])
  runner(
    'unit and reference tests',
    () => tool('vitest', 'run', '--reporter=dot', '--reporter=json', `--outputFile.json=${path.join(REPORTS, 'vitest.json')}`),
    () => {
      const { numPassedTests, numFailedTests } = report('vitest.json')
      return { passed: numPassedTests, failed: numFailedTests }
    },
  )
  const built = check('build', build)
  const hasBrowser = check('a browser', browser)
  if (built && hasBrowser) {
    runner(
      'browser tests',
      () => tool('playwright', 'test'),
      () => {
        const { stats } = report('playwright.json')
        if (stats.flaky > 0) console.log(`${stats.flaky} of the browser tests passed only when tried once more`)
        return { passed: stats.expected + stats.flaky, failed: stats.unexpected }
      },
    )
  }
}
console.log(`${passed} passed, ${failed} failed`)
process.exitCode = failed === 0 ? 0 : 1
