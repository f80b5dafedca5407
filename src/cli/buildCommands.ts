/** Commands that look at a build file: what it comes to, whether it is sound, its walk, what is stale, when it is ready. */
import type { Command } from 'commander'
import { BENCHES, openBuild, type Finding } from '@/core/benches'
import type { Build } from '@/core/build'
import { buildFileSchema, nowhereIn } from '@/core/files'
import { standardUncertainty } from '@/core/metrology'
import { clocksOfBuild, walkOf, type WalkStep } from '@/core/walk'
import { findingWords, limitWords, standingOf, STANDING_WORDS, subjectWords, verdictWords } from '@/wording'
import { dueWords } from '@/wording/clocks'
import { nowhereWords, setAsideWords, staleWords, stepTitle, waitsWords } from '@/wording/walk'
import { readDocument } from './documents'
import { OUT_OF_LIMITS, type Terminal } from './terminal'
import { unitName } from './units'

export function addBuildCommands(program: Command, terminal: Terminal): void {
  program
    .command('derive')
    .argument('<file>', 'build file, or - for standard input')
    .option('--table', 'as a table instead of JSON')
    .option('--check', 'exit 1 when anything is out of its limits')
    .description('every finding of a build file')
    .action((file: string, options: { table?: boolean; check?: boolean }) => {
      const build = openBuild(readDocument(terminal, file))
      const findings = findingsOf(build)
      terminal.out(options.table ? tableOf(build, findings) : JSON.stringify(findings.map(findingJson), null, 2))
      if (options.check && findings.some(({ finding }) => isOut(finding))) terminal.exitCode = OUT_OF_LIMITS
    })

  program
    .command('validate')
    .argument('<file>')
    .description('say whether a build file is sound, and if not, where')
    .action((file: string) => {
      const document = readDocument(terminal, file)
      terminal.out(`${file}: sound. ${document.spec.name}, ${document.entries.length} entries.`)
      const build = openBuild(document)
      for (const entry of build.setAside) terminal.out(setAsideWords(entry))
      const nowhere = nowhereIn(build)
      if (nowhere.length > 0) terminal.out(nowhereWords(nowhere.length))
    })

  program
    .command('walk')
    .argument('<file>')
    .option('--json', 'steps, how each stands, what holds it')
    .description('every step of a build in order: what is done, what is held and by what')
    .action((file: string, options: { json?: boolean }) => {
      const nowMs = Date.now()
      const build = openBuild(readDocument(terminal, file))
      const { steps, next, temporary, clocks: ofSteps } = walkOf(build, nowMs)
      const clocks = clocksOfBuild(build, ofSteps)
      if (options.json) return terminal.out(JSON.stringify({ next, temporary, clocks, steps: steps.map(stepJson) }, null, 2))
      const titles = new Map(steps.map((step) => [step.id, stepTitle(step)]))
      for (const [index, step] of steps.entries()) {
        const says = step.standing === 'held' ? waitsWords(step.waits, (id) => titles.get(id) ?? id) : staleWords(step.stale)
        terminal.out(
          [String(index + 1).padStart(3), step.standing.padEnd(7), titles.get(step.id), ...(says ? [`(${says})`] : [])].join(' '),
        )
      }
      for (const clock of clocks) {
        const dueMs = Date.parse(clock.dueAt)
        terminal.out(`${dueMs <= nowMs ? 'Run out' : `Runs until ${clock.dueAt}`}: ${dueWords(clock, Math.max(dueMs, nowMs))}`)
      }
    })

  program
    .command('stale')
    .argument('<file>')
    .description('what is not true any more on a build, and why')
    .action((file: string) => {
      const stale = walkOf(openBuild(readDocument(terminal, file)), Date.now()).steps.filter(({ standing }) => standing === 'stale')
      for (const step of stale) terminal.out(`${step.id}: ${stepTitle(step)}: ${staleWords(step.stale)}`)
      if (stale.length === 0) terminal.out('Nothing is stale.')
    })

  program
    .command('schema')
    .description('the JSON Schema of a build file')
    .action(() => terminal.out(JSON.stringify(buildFileSchema(), null, 2)))
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

function stepJson({ id, stage, standing, count, signOff, waits, stale, fastenersLeftOut, minutes }: WalkStep) {
  const said = { ...(count && { count }), ...(signOff && { signOff }), ...(fastenersLeftOut && { fastenersLeftOut }) }
  return { id, stage, state: standing, ...said, waits, stale, minutes }
}
