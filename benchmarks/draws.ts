/** Draws of the ratio beside C on one core: the same components from the same distributions, in one run. */
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { openBuild } from '@/core/benches'
import { cylinderStates, ratioModel } from '@/core/benches/compression'
import { DRAWS_PER_SLICE, monteCarlo, type MonteCarloModel } from '@/core/metrology'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import type { Report } from './report'

const DRAWS = 1_000_000
const RUNS = 5
const MOST_TIMES_C = 2

/** The plan of the draws as the C program reads it: what only one input has is one shock, what several share is another. */
function planOf({ inputs }: MonteCarloModel, slots: Int32Array, cylinders: number): string {
  const users = new Map<string, number>()
  for (const { components } of inputs) for (const { source } of components) users.set(source.id, (users.get(source.id) ?? 0) + 1)
  const shared = [...users].flatMap(([id, count]) => (count > 1 ? [id] : []))
  const doubtful = inputs.flatMap(({ components }, position) => (components.length > 0 ? [position] : []))
  const own = doubtful.map((position) =>
    Math.hypot(...inputs[position]!.components.filter(({ source }) => !shared.includes(source.id)).map(({ u }) => u)),
  )
  const shares = doubtful.flatMap((position) =>
    inputs[position]!.components.flatMap(({ source, u }) =>
      shared.includes(source.id) ? [`${position} ${doubtful.length + shared.indexOf(source.id)} ${u}`] : [],
    ),
  )
  return [
    `${DRAWS} ${inputs.length} ${doubtful.length} ${shared.length} ${shares.length} ${cylinders}`,
    inputs.map(({ value }) => value).join(' '),
    doubtful.map((position, index) => `${position} ${own[index]}`).join('\n'),
    shares.join('\n'),
    slots.join(' '),
    '',
  ].join('\n')
}

/** Milliseconds of a run's quickest slice, and the first cylinder's mean and deviation. */
type Timed = readonly [number, number, number]

/** The C program where there is a compiler: a run each time it is called. */
function compiled(folder: string): ((plan: string) => Timed) | undefined {
  const program = path.join(folder, 'draws')
  const built = spawnSync('cc', ['-O2', '-o', program, path.join(import.meta.dirname, 'draws.c'), '-lm'])
  if (built.status !== 0) return undefined
  return (plan) => execFileSync(program, { input: plan, encoding: 'utf8' }).trim().split(' ').map(Number) as unknown as Timed
}

function here(model: MonteCarloModel, seed: number): Timed {
  let first: { readonly mean: number; readonly standardDeviation: number } | undefined
  let quickest = Infinity
  let from = performance.now()
  for (const { results } of monteCarlo(model, DRAWS, seed)) {
    first = results[0]
    quickest = Math.min(quickest, performance.now() - from)
    from = performance.now()
  }
  return [quickest, first!.mean, first!.standardDeviation]
}

/** A million draws as quick as the quickest slice: what else runs on the machine only ever adds. */
function millionMs(runs: readonly Timed[]): number {
  return Math.min(...runs.map(([ms]) => ms)) * (DRAWS / DRAWS_PER_SLICE)
}

/** Prints both, and how many times as long this program takes. */
export function drawFigures(report: Report): void {
  const build = openBuild(demoDocument({ ...DEMO_BUILDS[0]!, read: () => true }, new Date()))
  const model = ratioModel(cylinderStates(build), undefined)
  const folder = mkdtempSync(path.join(tmpdir(), 'kalibros-draws-'))
  const inC = compiled(folder)
  const plan = planOf(model, model.slots, model.results)
  const [own, beside]: [Timed[], Timed[]] = [[], []]
  // In turn, so that a spell in which the machine is slow meets both.
  for (let run = 1; run <= RUNS; run++) {
    own.push(here(model, run))
    if (inC) beside.push(inC(plan))
  }
  rmSync(folder, { recursive: true })
  console.log(`     a million draws of ${model.results} ratios on one core: ${millionMs(own).toFixed(0)} ms, u ${own[0]![2].toFixed(5)}`)
  if (!inC) return console.log('     no C compiler here: nothing to hold the draws to')
  console.log(`     the same in C (cc -O2): ${millionMs(beside).toFixed(0)} ms, u ${beside[0]![2].toFixed(5)}`)
  report.figure('draws of the ratio, as many times as long as in C', millionMs(own) / millionMs(beside), '', MOST_TIMES_C)
}
