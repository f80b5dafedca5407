import path from 'node:path'
import { buildSync } from 'esbuild'
import { ROOT, SERVED_WITH } from './setup.mjs'

/**
 * How a figure is measured: as one file, as the program is served. Run from its sources, every function that is made would be given
 * its name once more each time, which a derivation makes thousands of.
 */
export function bundled(file) {
  // Two folders down, as what it measures finds the root from.
  const outfile = path.join(ROOT, 'reports/measured', `${path.basename(file, '.ts')}.mjs`)
  buildSync({
    entryPoints: [path.join(ROOT, file)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    packages: 'external',
    conditions: ['react-server'],
    logLevel: 'error',
  })
  return [...SERVED_WITH, '--conditions=react-server', outfile]
}
