// Sixteen slips that once went unseen, each put into a copy of the source: a test must notice every one.
import { spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { ROOT } from './setup.mjs'

const BENCHES = 'src/core/benches'
const MUTANTS = [
  ['a taller piston sinks', `${BENCHES}/deckClearance.ts`, '-deckCutMm - (piston?.tallerMm ?? 0)', '-deckCutMm + (piston?.tallerMm ?? 0)'],
  [
    'a head cut enlarges the chamber',
    `${BENCHES}/compression/cylinder.ts`,
    '?? 0) - ((build.spec.paper.chamberOpenArea',
    '?? 0) + ((build.spec.paper.chamberOpenArea',
  ],
  ['deck places are weighed alike no more', `${BENCHES}/deckClearance.ts`, 'weight: 1 / spots.length', 'weight: spot === spots[0] ? 1 : 0'],
  [
    'the odd one out ignores its uncertainty',
    `${BENCHES}/compression/derive.ts`,
    'compared && isApart(compared.apart, least)',
    'compared && Math.abs(compared.apart.value.value) > least',
  ],
  ['a near miss is not weighed by its limit', `${BENCHES}/compression/planner.ts`, 'by / weight(limit)', 'by'],
  ['narrow beside ignores its uncertainty', `${BENCHES}/bearings/derive.ts`, 'narrower.value > expand(narrower).U', 'narrower.value > 0'],
  [
    'cap 2 is dropped from the spin',
    `${BENCHES}/bearings/derive.ts`,
    "figure: readingAt(build, 'spin', { main: before.number })!",
    "figure: readingAt(build, 'spin', { main: before.number })!, weight: before.number === 2 ? 0 : -1",
  ],
  [
    'the uncertainty of a planned pair is halved',
    `${BENCHES}/bearings/shells.ts`,
    'limitsU(WALL_TOLERANCE_MM) * 2',
    'limitsU(WALL_TOLERANCE_MM)',
  ],
  ['halves ten half-thous apart may pair', `${BENCHES}/bearings/shells.ts`, '0.5 * UNITS.thou.factor', '5 * UNITS.thou.factor'],
  [
    'the tolerance of a leaf is 0',
    `${BENCHES}/finding.ts`,
    'leafTolerance: gauge?.checkedOn === undefined ? 0 : 2 * gauge.biasU',
    'leafTolerance: 0',
  ],
  [
    'safe strokes come from the last pass alone',
    `${BENCHES}/rings/filing.ts`,
    'const from = log.findLastIndex(({ perStrokeMm }, index) => index === 0 || perStrokeMm === undefined)',
    'const from = log.length - 2',
  ],
  ['a bobweight on any V', `${BENCHES}/rods/derive.ts`, "layout.kind !== 'v' || layout.bankAngleDeg !== 90", "layout.kind !== 'v'"],
  [
    'the measured rod is ignored in the stack',
    `${BENCHES}/rods/derive.ts`,
    "isKnown(rod) ? rod : paper('rodLength')",
    "paper('rodLength')",
  ],
  ['more grams come off than need to', `${BENCHES}/rods/advise.ts`, 'mass - allowed] as const', 'mass - Math.min(...massesG)] as const'],
  ['bores are honed to the limit', `${BENCHES}/bores/advise.ts`, 'match.targetMm - mm', 'lower - mm'],
  ['a skirt is never corrected for temperature', 'src/core/build/parts.ts', "skirt: 'piston',", ''],
]

/** @returns the mutants that no test noticed. */
export function survivors() {
  const folder = path.join(ROOT, 'reports/named')
  rmSync(folder, { recursive: true, force: true })
  mkdirSync(folder, { recursive: true })
  for (const part of ['src', 'tests', 'vitest.config.ts', 'vitest.mutation.config.ts', 'package.json', 'tsconfig.json'])
    cpSync(path.join(ROOT, part), path.join(folder, part), { recursive: true })
  symlinkSync(path.join(ROOT, 'node_modules'), path.join(folder, 'node_modules'))
  return MUTANTS.filter(([name, file, was, becomes]) => {
    const target = path.join(folder, file)
    const source = readFileSync(target, 'utf8')
    if (source.split(was).length !== 2) throw new Error(`“${name}”: its place in ${file} is not found once`)
    writeFileSync(
      target,
      source.replace(was, () => becomes),
    )
    const { status } = spawnSync(
      path.join(folder, 'node_modules/.bin/vitest'),
      ['run', '--config', 'vitest.mutation.config.ts', '--bail', '1', '--reporter=dot', 'src/core/benches'],
      { cwd: folder, stdio: 'ignore' },
    )
    writeFileSync(target, source)
    console.log(`${status === 0 ? 'LIVES' : 'dies '} ${name}`)
    return status === 0
  }).map(([name]) => name)
}
