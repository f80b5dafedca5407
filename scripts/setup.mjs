// What every command needs first: packages installed, the program built, a browser for the tests. Each step is skipped when it is done.
import { execFileSync, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = fileURLToPath(new URL('..', import.meta.url))
/**
 * How Node serves the program: room for young objects as large as several evaluations of an engine, which are all alive until the next one.
 * With the usual room each of them is copied several times over.
 */
export const SERVED_WITH = ['--max-semi-space-size=32']
export const QUIET_ENV = { ...process.env, NEXT_TELEMETRY_DISABLED: '1' }

const INSTALLED_MARK = path.join(ROOT, 'node_modules/.kalibros-installed')
const BUILD_MARK = path.join(ROOT, '.next/kalibros-built')

/** Runs a command with its output shown; throws when it fails. */
export function run(command, args, env = QUIET_ENV) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env })
  if (error) throw error
  if (status !== 0) throw new Error(`${command} ${args.join(' ')} ended with ${status}`)
}

/** Installs the packages of the lock file, once for each lock file. */
export function install() {
  const lock = createHash('sha256')
    .update(readFileSync(path.join(ROOT, 'package-lock.json')))
    .digest('hex')
  if (existsSync(INSTALLED_MARK) && readFileSync(INSTALLED_MARK, 'utf8') === lock) return
  console.log('Installing packages…')
  // Not `npm ci`: it refuses a lock file made where some other platform's optional package could not be seen. The versions are
  // the lock's all the same.
  run('npm', ['install', '--no-audit', '--no-fund', '--loglevel=error'])
  writeFileSync(INSTALLED_MARK, lock)
}

/** Builds the program when a source file is newer than the last build; not where a test that runs beside others says that it is built. */
export function build() {
  if (process.env.KALIBROS_IS_BUILT) return
  const built = existsSync(BUILD_MARK) ? statSync(BUILD_MARK).mtimeMs : 0
  if (built > newest(['src', 'public', 'next.config.ts', 'package-lock.json', 'tsconfig.json'])) return
  console.log('Building…')
  run(process.execPath, [path.join(ROOT, 'node_modules/next/dist/bin/next'), 'build'])
  mkdirSync(path.dirname(BUILD_MARK), { recursive: true })
  writeFileSync(BUILD_MARK, '')
}

export function newest(places) {
  return Math.max(
    ...places.map((place) => {
      const at = path.join(ROOT, place)
      const stat = statSync(at)
      if (!stat.isDirectory()) return stat.mtimeMs
      return Math.max(
        stat.mtimeMs,
        ...readdirSync(at, { recursive: true, withFileTypes: true }).map(
          (entry) => statSync(path.join(entry.parentPath, entry.name)).mtimeMs,
        ),
      )
    }),
  )
}

/** Debian's Chromium, the one without a window first: it is the same engine, and opens a page in half the time. */
const HEADLESS_CHROMIUM = '/usr/bin/chromium-headless-shell'
export const CHROMIUM = [HEADLESS_CHROMIUM, '/usr/bin/chromium'].find((file) => existsSync(file)) ?? HEADLESS_CHROMIUM

/** A browser for the tests: installed when missing and allowed, else says what to do. */
export function browser() {
  if (existsSync(CHROMIUM)) return
  const mayInstall = process.getuid?.() === 0 && existsSync('/usr/bin/apt-get')
  if (!mayInstall)
    throw new Error(
      `The browser tests need Chromium at ${CHROMIUM}. Install it (on Debian: sudo apt-get install chromium-headless-shell) and run again.`,
    )
  console.log('Installing Chromium…')
  execFileSync('apt-get', ['update', '-qq'], { stdio: 'inherit' })
  execFileSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium-headless-shell'], {
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
  })
}

/** Arguments that run a TypeScript file of the server's side under Node. */
export function typescript(file) {
  return ['--conditions=react-server', '--import', 'tsx', path.join(ROOT, file)]
}
