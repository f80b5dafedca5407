/** The walk of a build from a terminal: every step in order, and what is not true any more. */
import type { Command } from 'commander'
import { actsSchema, bareEngine, engineOf, missingName, partsOf, replay, usualOrder, type Act } from '@/core/assembly'
import { openBuild } from '@/core/benches'
import { shapeIssue } from '@/core/files'
import { clocksOfBuild, walkOf, type WalkStep } from '@/core/walk'
import { fileIssueWords } from '@/wording'
import { dueWords } from '@/wording/clocks'
import { staleWords, stepTitle, waitsWords } from '@/wording/walk'
import { readDocument } from './documents'
import { BadInput, readJson, type Terminal } from './terminal'

export function addWalkCommands(program: Command, terminal: Terminal): void {
  program
    .command('walk')
    .argument('<file>')
    .option('--json', 'steps, how each stands, what holds it')
    .option('--acts', 'the usual order from a bare block to first fire: each step with its acts, as JSON lines')
    .description('every step of a build in order: what is done, what is held and by what')
    .action((file: string, options: { json?: boolean; acts?: boolean }) => {
      if (options.acts) return printActs(terminal, file)
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
    .command('may')
    .argument('<file>')
    .argument('<acts>', 'acts as JSON, or - for standard input')
    .description('acts one after another on the engine: what each lacks, as JSON lines; nothing missing: it may be done')
    .action((file: string, acts: string) => {
      const { spec } = readDocument(terminal, file)
      const { missing } = replay(partsOf(engineOf(spec)), bareEngine(), readActs(terminal, acts))
      for (const [i, lacks] of missing.entries()) terminal.out(JSON.stringify({ i, missing: lacks.map(missingName) }))
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
}

function printActs(terminal: Terminal, file: string): void {
  const { steps } = usualOrder(partsOf(engineOf(readDocument(terminal, file).spec)))
  for (const [i, { stage, acts }] of steps.entries()) terminal.out(JSON.stringify({ i, stage, acts }))
}

/** @throws BadInput naming the act that is none, and where. */
function readActs(terminal: Terminal, file: string): readonly Act[] {
  const read = actsSchema.safeParse(readJson(terminal, file))
  if (read.success) return read.data
  throw new BadInput(read.error.issues.map((issue) => `${file}: ${fileIssueWords(shapeIssue(issue))}`).join('\n'))
}

function stepJson({ id, stage, standing, count, signOff, waits, stale, fastenersLeftOut, minutes }: WalkStep) {
  const said = { ...(count && { count }), ...(signOff && { signOff }), ...(fastenersLeftOut && { fastenersLeftOut }) }
  return { id, stage, state: standing, ...said, waits, stale, minutes }
}
