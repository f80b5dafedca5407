import { randomUUID } from 'node:crypto'
import { existsSync, renameSync, statSync } from 'node:fs'
import path from 'node:path'
import { buildSync } from 'esbuild'
import { newest, ROOT, SERVED_WITH } from './setup.mjs'

/**
 * A source as one file, made again whenever a source has changed: a command starts in a fraction of the time it takes from its sources,
 * and what is measured is measured as the program is served, where no function is given its name once more each time it is made.
 * @returns what Node is to be called with
 */
export function bundled(file) {
  // Two folders down, as what is bundled finds the root from.
  const outfile = path.join(ROOT, 'node_modules/.kalibros', `${path.basename(file, '.ts')}.mjs`)
  const from = ['src', 'tests', path.dirname(file), 'playwright.config.ts', 'scripts/bundled.mjs', 'package-lock.json', 'tsconfig.json']
  if (!existsSync(outfile) || statSync(outfile).mtimeMs < newest(from)) {
    // Put there whole: another command may be starting from it.
    const made = `${outfile}.${randomUUID()}`
    buildSync({
      entryPoints: [path.join(ROOT, file)],
      outfile: made,
      bundle: true,
      platform: 'node',
      format: 'esm',
      packages: 'external',
      conditions: ['react-server'],
      logLevel: 'error',
    })
    renameSync(made, outfile)
  }
  return [...SERVED_WITH, '--conditions=react-server', outfile]
}
