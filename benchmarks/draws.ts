/** Draws of the ratio beside C on one core: the same components from the same distributions, in one run. */
import { execFileSync, spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { chromium, type Page } from '@playwright/test'
import { build as bundle } from 'esbuild'
import { openBuild } from '@/core/benches'
import { cylinderStates, ratioModel } from '@/core/benches/compression'
import { DRAWS_PER_SLICE, type MonteCarloModel } from '@/core/metrology'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import config from '../playwright.config'
import type { Report } from './report'

/** Every command runs at the root, bundled or not. */
const FOLDER = path.resolve('benchmarks')
const DRAWS = 1_000_000
const RUNS = 8
const MOST_TIMES_C = 2

/** The plan of the draws as the C program reads it: what only one input has is one shock, what several share is another. */
function planOf({ inputs }: MonteCarloModel, slots: Int32Array, cylinders: number): string {
  const users = new Map<string, number>()
  for (const { components } of inputs) for (const { source } of components) users.set(source.id, (users.get(source.id) ?? 0) + 1)
  const shared = [...users].flatMap(([id, count]) => (count > 1 ? [id] : []))
  const uncertain = inputs.flatMap(({ components }, position) => (components.length > 0 ? [position] : []))
  const own = uncertain.map((position) =>
    Math.hypot(...inputs[position]!.components.filter(({ source }) => !shared.includes(source.id)).map(({ u }) => u)),
  )
  const shares = uncertain.flatMap((position) =>
    inputs[position]!.components.flatMap(({ source, u }) =>
      shared.includes(source.id) ? [`${position} ${uncertain.length + shared.indexOf(source.id)} ${u}`] : [],
    ),
  )
  return [
    `${DRAWS} ${inputs.length} ${uncertain.length} ${shared.length} ${shares.length} ${cylinders}`,
    inputs.map(({ value }) => value).join(' '),
    uncertain.map((position, index) => `${position} ${own[index]}`).join('\n'),
    shares.join('\n'),
    slots.join(' '),
    '',
  ].join('\n')
}

/** Milliseconds of a run's quickest slice, and the first cylinder's deviation. */
type Timed = readonly [number, number]

/** The C program where there is a compiler: a run each time it is called. */
function compiled(folder: string): ((plan: string) => Timed) | undefined {
  const program = path.join(folder, 'draws')
  const built = spawnSync('cc', ['-O2', '-o', program, path.join(FOLDER, 'draws.c'), '-lm'])
  if (built.status !== 0) return undefined
  return (plan) => {
    const [quickestMs, , deviation] = execFileSync(program, { input: plan, encoding: 'utf8' }).trim().split(' ').map(Number)
    return [quickestMs!, deviation!]
  }
}

/** A worker of a page in the browser, bundled as the program is: where the draws are made. */
async function inWorker(page: Page): Promise<(seed: number) => Promise<Timed>> {
  const { outputFiles } = await bundle({
    entryPoints: [path.join(FOLDER, 'drawsWorker.ts')],
    tsconfig: path.join(FOLDER, '../tsconfig.json'),
    bundle: true,
    minify: true,
    write: false,
  })
  const worker = await page.evaluateHandle(
    (source) => new Worker(URL.createObjectURL(new Blob([source], { type: 'text/javascript' }))),
    outputFiles[0]!.text,
  )
  const run = (seed: number) =>
    worker.evaluate(
      (its, work) =>
        new Promise<Timed>((resolve) => {
          its.addEventListener('message', ({ data }) => resolve(data as Timed), { once: true })
          // Between a worker and its page there is no origin to name.
          // oxlint-disable-next-line unicorn/require-post-message-target-origin
          its.postMessage(work)
        }),
      { seed, draws: DRAWS },
    )
  await run(0)
  return run
}

/** A million draws as quick as the quickest slice: what else runs on the machine only ever adds. */
function millionMs(runs: readonly Timed[]): number {
  return Math.min(...runs.map(([ms]) => ms)) * (DRAWS / DRAWS_PER_SLICE)
}

/** Prints both, and how many times as long this program takes. */
export async function drawFigures(report: Report): Promise<void> {
  const build = openBuild(demoDocument({ ...DEMO_BUILDS[0]!, read: () => true }, new Date()))
  const model = ratioModel(cylinderStates(build), undefined)
  const plan = planOf(model, Int32Array.from(model.rowsOf.flatMap((rows) => Object.values(rows))), model.results)
  const folder = mkdtempSync(path.join(tmpdir(), 'kalibros-draws-'))
  const browser = await chromium.launch(config.use!.launchOptions)
  const inC = compiled(folder)
  const [own, beside]: [Timed[], Timed[]] = [[], []]
  try {
    const here = await inWorker(await browser.newPage())
    // In turn, so that a spell in which the machine is slow meets both.
    for (let run = 1; run <= RUNS; run++) {
      own.push(await here(run))
      if (inC) beside.push(inC(plan))
    }
  } finally {
    await browser.close()
    rmSync(folder, { recursive: true })
  }
  console.log(`     a million draws of ${model.results} ratios in one worker: ${millionMs(own).toFixed(0)} ms, u ${own[0]![1].toFixed(5)}`)
  if (!inC) return console.log('     no C compiler here: nothing to hold the draws to')
  console.log(`     the same in C (cc -O2): ${millionMs(beside).toFixed(0)} ms, u ${beside[0]![1].toFixed(5)}`)
  report.figure('draws of the ratio, as many times as long as in C', millionMs(own) / millionMs(beside), '', MOST_TIMES_C)
}
