/** Kalibros from a terminal: the same core, worded in English. Exit 0 fine, 1 findings out of limits with --check, 2 bad input. */
import { readFileSync, writeFileSync } from 'node:fs'
import { Command, CommanderError } from 'commander'
import { formatISO } from 'date-fns'
import { BENCHES, openBuild, type Finding } from '@/core/benches'
import type { Database } from '@/data/database'
import type { Refused } from '@/data/failure'
import { refusalWords } from '@/wording/refusals'
import { setAsideIn, type Build, type BuildDocument } from '@/core/build'
import { buildFileSchema, readBuildFile, writeBuildFile } from '@/core/files'
import { expand, standardUncertainty } from '@/core/metrology'
import { CANONICAL_UNIT, UNITS } from '@/core/quantity'
import { computeSum, sumById, SUMS, type SumResult } from '@/core/sums'
import {
  fileIssueWords,
  figureOfKindWords,
  findingWords,
  limitWords,
  standingOf,
  STANDING_WORDS,
  subjectWords,
  verdictWords,
} from '@/wording'
import { planShop, plannedSteps, USUAL_HOURS, type EnginePlan } from '@/core/schedule'
import { clocksOfBuild, walkOf, type WalkStep } from '@/core/walk'
import { dueWords } from '@/wording/clocks'
import { staleWords, stepTitle, waitsWords, setAsideWords } from '@/wording/walk'
import { sumOf } from './derivation'
import { sumIssueWords, sumRemarkWords } from '@/wording/sums'

const OUT_OF_LIMITS = 1
const BAD_INPUT = 2

/** Bad input: told on standard error with the path of the fault, exit 2. */
class BadInput extends Error {}

function readText(file: string): string {
  try {
    return readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (cause) {
    throw new BadInput(`${file}: cannot be read (${(cause as NodeJS.ErrnoException).code ?? 'unknown'})`, { cause })
  }
}

function readDocument(file: string): BuildDocument {
  const read = readBuildFile(readText(file))
  if (!read.ok) throw new BadInput(read.issues.map((issue) => `${file}: ${fileIssueWords(issue)}`).join('\n'))
  return read.document
}

function findingsOf(build: Build): readonly { readonly bench: (typeof BENCHES)[number]; readonly finding: Finding }[] {
  return BENCHES.flatMap((bench) => bench.derive(build).map((finding) => ({ bench, finding })))
}

function isOut(finding: Finding): boolean {
  return finding.conformity?.verdict === 'over' || finding.conformity?.verdict === 'under'
}

/** A finding as data, canonical units. */
function findingJson({ bench, finding }: ReturnType<typeof findingsOf>[number]) {
  const { kind, estimate } = bench.definition.outputs[finding.output]!
  return {
    id: finding.id,
    subject: subjectWords(finding) || 'engine',
    value: finding.figure?.value.value ?? null,
    unit: unitName(kind),
    u: finding.figure ? standardUncertainty(finding.figure.value) : null,
    limit: finding.limit ?? null,
    verdict: standingOf(finding),
    probability: finding.conformity?.probability ?? null,
    ...(estimate && { estimate: true }),
    ...(finding.missing.length > 0 && { missing: finding.missing }),
  }
}

function unitName(kind: SumResult['kind']): string {
  return UNITS[CANONICAL_UNIT[kind]].symbol || '1'
}

function print(text: string): void {
  process.stdout.write(text.endsWith('\n') ? text : `${text}\n`)
}

const program = new Command('kalibros')
  .description('The bench book that does the sums, from a terminal.')
  .exitOverride()
  .configureOutput({ writeErr: (text) => process.stderr.write(text) })

program
  .command('derive')
  .argument('<file>', 'build file, or - for standard input')
  .option('--table', 'as a table instead of JSON')
  .option('--check', 'exit 1 when anything is out of its limits')
  .description('every finding of a build file')
  .action((file: string, options: { table?: boolean; check?: boolean }) => {
    const build = openBuild(readDocument(file))
    const findings = findingsOf(build)
    print(options.table ? tableOf(build, findings) : JSON.stringify(findings.map(findingJson), null, 2))
    if (options.check && findings.some(({ finding }) => isOut(finding))) process.exitCode = OUT_OF_LIMITS
  })

function tableOf(build: Build, findings: ReturnType<typeof findingsOf>): string {
  const system = build.spec.units
  const rows = findings.map(({ bench, finding }) => {
    const output = bench.definition.outputs[finding.output]!
    return [
      `${bench.id}.${finding.id}`,
      finding.figure ? findingWords(finding, finding.figure.value, output, system) : '–',
      finding.limit ? limitWords(finding.limit, output, system) : '',
      finding.figure && finding.conformity ? verdictWords(finding, output, system) : STANDING_WORDS[standingOf(finding)],
    ]
  })
  const widths = [0, 1, 2].map((column) => Math.max(...rows.map((row) => row[column]!.length)))
  return rows.map((row) => row.map((cell, column) => (column < 3 ? cell.padEnd(widths[column]!) : cell)).join('  ')).join('\n')
}

program
  .command('validate')
  .argument('<file>')
  .description('say whether a build file is sound, and if not, where')
  .action((file: string) => {
    const document = readDocument(file)
    print(`${file}: sound. ${document.spec.name}, ${document.entries.length} entries.`)
    for (const entry of setAsideIn(document.entries).setAside) print(setAsideWords(entry))
  })

program
  .command('walk')
  .argument('<file>')
  .option('--json', 'steps, how each stands, what holds it')
  .description('every step of a build in order: what is done, what is held and by what')
  .action((file: string, options: { json?: boolean }) => {
    const nowMs = Date.now()
    const build = openBuild(readDocument(file))
    const { steps, next, temporary, clocks: ofSteps } = walkOf(build, nowMs)
    const clocks = clocksOfBuild(build, ofSteps)
    if (options.json) return print(JSON.stringify({ next, temporary, clocks, steps: steps.map(stepJson) }, null, 2))
    const titles = new Map(steps.map((step) => [step.id, stepTitle(step)]))
    for (const [index, step] of steps.entries()) {
      const says = step.standing === 'held' ? waitsWords(step.waits, (id) => titles.get(id) ?? id) : staleWords(step.stale)
      print([String(index + 1).padStart(3), step.standing.padEnd(7), titles.get(step.id), ...(says ? [`(${says})`] : [])].join(' '))
    }
    for (const clock of clocks) {
      const dueMs = Date.parse(clock.dueAt)
      print(`${dueMs <= nowMs ? 'Run out' : `Runs until ${clock.dueAt}`}: ${dueWords(clock, Math.max(dueMs, nowMs))}`)
    }
  })

program
  .command('stale')
  .argument('<file>')
  .description('what is not true any more on a build, and why')
  .action((file: string) => {
    const stale = walkOf(openBuild(readDocument(file)), Date.now()).steps.filter(({ standing }) => standing === 'stale')
    for (const step of stale) print(`${step.id}: ${stepTitle(step)}: ${staleWords(step.stale)}`)
    if (stale.length === 0) print('Nothing is stale.')
  })

program
  .command('schedule')
  .argument('<file>')
  .option('--people <count>', 'how many there are to do it', wholeNumber, 1)
  .option('--stands <count>', 'how many engines can be stood up', wholeNumber, 1)
  .option('--json', 'every step: earliest start and finish in working hours from now, slack, whether it is critical')
  .description('when a build is ready, by what is left of its walk and what parts are promised for')
  .action((file: string, options: { people: number; stands: number; json?: boolean }) => {
    const nowMs = Date.now()
    const build = openBuild(readDocument(file))
    const walk = walkOf(build, nowMs)
    const { priority, date } = build.spec.job ?? {}
    const engine = { id: build.id, steps: plannedSteps(build, walk), ...(priority && { priority }), ...(date && { date }) }
    const { people, stands } = options
    const plan = planShop([engine], { people, stands, hours: USUAL_HOURS }, nowMs).engines[0]!
    if (options.json) return print(JSON.stringify(planJson(plan, { people, stands }), null, 2))
    const titles = new Map(walk.steps.map((step) => [step.id, stepTitle(step)]))
    const room = ({ isCritical, slack }: (typeof plan.tasks)[number]) => (isCritical ? 'critical' : `slack ${hours(slack)} h`)
    for (const task of plan.tasks.toSorted((a, b) => a.start - b.start))
      print(`${hours(task.start).padStart(7)} ${hours(task.finish).padStart(7)} h ${room(task)}  ${titles.get(task.id)}`)
    print(`Ready after ${hours(plan.finish)} working hours, on ${formatISO(plan.readyAt, { representation: 'date' })}.`)
    if (plan.daysInHand !== undefined) print(`Days in hand: ${plan.daysInHand}.`)
    for (const name of plan.unpromised) print(`Nobody has promised ${name}: taken for here tomorrow.`)
  })

function wholeNumber(text: string): number {
  if (!/^[1-9]\d?$/.test(text)) throw new BadInput(`${text}: a whole number from 1 to 99 is wanted`)
  return Number(text)
}

function hours(minutes: number): string {
  return (minutes / 60).toFixed(2)
}

function planJson({ tasks, finish, readyAt, daysInHand, unpromised, overdue }: EnginePlan, means: { people: number; stands: number }) {
  const inHours = (minutes: number) => Number(hours(minutes))
  return {
    ...means,
    finishHours: inHours(finish),
    readyOn: formatISO(readyAt, { representation: 'date' }),
    ...(daysInHand !== undefined && { daysInHand }),
    unpromised,
    overdue,
    steps: tasks.map(({ id, stage, start, finish: over, slack, isCritical }) => ({
      id,
      stage,
      startHours: inHours(start),
      finishHours: inHours(over),
      slackHours: inHours(slack),
      critical: isCritical,
    })),
  }
}

function stepJson({ id, stage, standing, count, signOff, waits, stale, fastenersLeftOut, minutes }: WalkStep) {
  const said = { ...(count && { count }), ...(signOff && { signOff }), ...(fastenersLeftOut && { fastenersLeftOut }) }
  return { id, stage, state: standing, ...said, waits, stale, minutes }
}

program
  .command('schema')
  .description('the JSON Schema of a build file')
  .action(() => print(JSON.stringify(buildFileSchema(), null, 2)))

program
  .command('export')
  .argument('<id>', 'build id, or "list"')
  .option('-o, --out <file>', 'write to a file instead of standard output')
  .description('a build of the database at KALIBROS_DB_URL as a build file')
  .action(async (id: string, options: { out?: string }) =>
    withDatabase(async (db) => {
      if (id === 'list') {
        const { rows } = await db.builds.board({ offset: 0, size: 10_000 }, 'cli', (build) => build.document.spec.name)
        return print(rows.map((row) => `${row.id}  ${String(row.summary)}`).join('\n'))
      }
      const build = await db.builds.load(id)
      if (!build) throw new BadInput(`${id}: there is no such build in the database`)
      if (options.out) writeFileSync(options.out, writeBuildFile(build.document))
      else print(writeBuildFile(build.document))
    }),
  )

program
  .command('import')
  .argument('<file>')
  .option('--by <initials>', 'who brings it in', '—')
  .description('a build file into the database at KALIBROS_DB_URL')
  .action(async (file: string, options: { by: string }) =>
    withDatabase(
      async (db) => {
        const document = readDocument(file)
        if (await db.builds.load(document.id))
          throw new BadInput(`${file}: build ${document.id} is already in the database; nothing was stored`)
        await db.builds.create(document, options.by)
        print(`Stored ${document.spec.name}, ${document.entries.length} entries.`)
      },
      { mayCreate: true },
    ),
  )

/** @param options `mayCreate`: a database that is not there is made; left out, it is said where it was looked for */
async function withDatabase(work: (db: Database) => Promise<void>, { mayCreate = false } = {}): Promise<void> {
  const { openDatabase } = await import('@/data/database')
  const db = await openDatabase(undefined, { mayCreate })
  try {
    if (db.notice) console.error(db.notice)
    await work(db)
  } finally {
    db.close()
  }
}

/** Where the shop's database is: as it is set, else where `npm start` makes it. */
async function shopUrl(): Promise<string> {
  const { DEFAULT_URL } = await import('@/data/database')
  return process.env.KALIBROS_DB_URL ?? DEFAULT_URL
}

program
  .command('backup')
  .argument('<file>', 'where the copy goes')
  .description('a whole copy of the database at KALIBROS_DB_URL, also while it is in use')
  .action(async (file: string) => {
    const { backUp } = await import('@/data/backup')
    await backUp(await shopUrl(), file)
    print(`Copied to ${file}, and checked.`)
  })

program
  .command('restore')
  .argument('<file>', 'a copy made by backup')
  .description('puts a copy in the place of the database at KALIBROS_DB_URL, which is kept beside it; the server is stopped first')
  .action(async (file: string) => {
    const { restore } = await import('@/data/backup')
    const aside = await restore(await shopUrl(), file)
    print(`${file} is in its place.${aside ? ` What was there is kept as ${aside}.` : ''}`)
    print('Start the server. Devices send again what they entered in the last thirty days and it lacks.')
  })

program
  .command('sum')
  .argument('[name]')
  .argument('[inputs...]', 'key=value, any unit, ± allowed')
  .option('--json', 'results, terms and units as JSON')
  .option('--inch', 'bare numbers are in inch units')
  .description('a quick sum; without a name, the list of them')
  .action((name: string | undefined, inputs: string[], options: { json?: boolean; inch?: boolean }) => {
    if (name === undefined)
      return print(
        SUMS.map(
          (sum) =>
            `${sum.id.padEnd(14)} ${sum.question}\n${' '.repeat(15)}${Object.entries(sum.inputs)
              .map(([key, input]) => (input.required ? key : `[${key}]`))
              .join(' ')}`,
        ).join('\n'),
      )
    const sum = sumById(name)
    if (!sum) throw new BadInput(`${name}: no such sum; known are ${SUMS.map((one) => one.id).join(', ')}`)
    const typed = Object.fromEntries(
      inputs.map((input) => {
        const at = input.indexOf('=')
        if (at < 1) throw new BadInput(`${input}: write key=value`)
        const [key, value] = [input.slice(0, at), input.slice(at + 1)]
        return [key, sum.inputs[key]?.kind === 'table' ? readText(value) : value]
      }),
    )
    const system = options.inch ? 'inch' : 'metric'
    const outcome = computeSum(sum, typed, system)
    if (!outcome.ok)
      throw new BadInput(outcome.issues.map((issue) => `${issue.path.join('.') || name}: ${sumIssueWords(issue, system)}`).join('\n'))
    print(
      options.json
        ? JSON.stringify(
            {
              sum: name,
              results: outcome.results.map(resultJson),
              terms: Object.fromEntries(outcome.results.map((result) => [result.id, sumOf(result.figure)])),
              ...(outcome.remarks?.disagreements && { disagreements: outcome.remarks.disagreements }),
              ...(outcome.remarks?.filed && { filed: outcome.remarks.filed.side }),
              ...(outcome.remarks?.residualsMm && { residuals: outcome.remarks.residualsMm }),
              ...(outcome.remarks?.slips && { slips: outcome.remarks.slips.map(({ row }) => row) }),
            },
            null,
            2,
          )
        : [...outcome.results.map(resultLine), ...sumRemarkWords(outcome.remarks)].join('\n'),
    )

    function resultLine(result: SumResult): string {
      const verdict = result.conformity ? `  ${STANDING_WORDS[result.conformity.verdict]}` : ''
      const estimate = result.estimate ? '  (estimate)' : ''
      return `${result.id.padEnd(18)} ${figureOfKindWords(result.figure, result.kind, system, result.unit)}${estimate}${verdict}`
    }
  })

/** A result in canonical units, whatever it was typed in; a conversion keeps the unit it was asked for. */
function resultJson(result: SumResult) {
  const { value } = result.figure
  const { k, U, dof } = expand(value)
  const unit = result.unit && result.unit !== CANONICAL_UNIT[result.kind] ? result.unit : undefined
  return {
    id: result.id,
    value: value.value,
    unit: unitName(result.kind),
    ...(result.estimate && { estimate: true }),
    u: standardUncertainty(value),
    U,
    k,
    dof: Number.isFinite(dof) ? dof : null,
    ...(unit && { inUnit: { unit: UNITS[unit].symbol, value: (value.value - UNITS[unit].offset) / UNITS[unit].factor } }),
    ...(result.conformity && {
      verdict: result.conformity.verdict,
      probability: result.conformity.probability,
      excess: result.conformity.excess,
      rule: result.conformity.rule,
      gaugeCannotDecide: result.conformity.gaugeCannotDecide,
    }),
  }
}

/** What went wrong in words, where it is no fault of the program: what was given, the database, or what it was asked to store. */
function expectedWords(error: unknown): string | undefined {
  if (error instanceof BadInput) return error.message
  if (!(error instanceof Error)) return undefined
  if (error.name === 'CannotOpen' || error.name === 'BackupRefused') return error.message
  if (error.name !== 'Refused') return undefined
  const { code, about } = error as Refused
  return refusalWords(code, about)
}

// Whoever reads the output may stop in the middle of it, as `head` does.
process.stdout.on('error', (error: NodeJS.ErrnoException) => {
  if (error.code !== 'EPIPE') throw error
  process.exit()
})

try {
  await program.parseAsync()
} catch (error) {
  if (error instanceof CommanderError) process.exitCode = error.exitCode === 0 ? 0 : BAD_INPUT
  else {
    const words = expectedWords(error)
    if (words === undefined) throw error
    process.stderr.write(`${words}\n`)
    process.exitCode = BAD_INPUT
  }
}
