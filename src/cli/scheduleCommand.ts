/** When a build is ready, from a terminal. */
import type { Command } from 'commander'
import { formatISO } from 'date-fns'
import { openBuild } from '@/core/benches'
import { planShop, plannedSteps, USUAL_HOURS, type EnginePlan } from '@/core/schedule'
import { walkOf } from '@/core/walk'
import { stepTitle } from '@/wording/walk'
import { readDocument } from './documents'
import { BadInput, type Terminal } from './terminal'

export function addScheduleCommand(program: Command, terminal: Terminal): void {
  program
    .command('schedule')
    .argument('<file>')
    .option('--people <count>', 'how many there are to do it', wholeNumber, 1)
    .option('--stands <count>', 'how many engines can be stood up', wholeNumber, 1)
    .option('--json', 'every step: earliest start and finish in working hours from now, slack, whether it is critical')
    .description('when a build is ready, by what is left of its walk and what parts are promised for')
    .action((file: string, options: { people: number; stands: number; json?: boolean }) => {
      const nowMs = Date.now()
      const build = openBuild(readDocument(terminal, file))
      const walk = walkOf(build, nowMs)
      const { priority, date } = build.spec.job ?? {}
      const engine = { id: build.id, steps: plannedSteps(build, walk), ...(priority && { priority }), ...(date && { date }) }
      const { people, stands } = options
      const plan = planShop([engine], { people, stands, hours: USUAL_HOURS }, nowMs).engines[0]!
      if (options.json) return terminal.out(JSON.stringify(planJson(plan, { people, stands }), null, 2))
      const titles = new Map(walk.steps.map((step) => [step.id, stepTitle(step)]))
      const room = ({ isCritical, slack }: (typeof plan.tasks)[number]) => (isCritical ? 'critical' : `slack ${hours(slack)} h`)
      for (const task of plan.tasks.toSorted((a, b) => a.start - b.start))
        terminal.out(`${hours(task.start).padStart(7)} ${hours(task.finish).padStart(7)} h ${room(task)}  ${titles.get(task.id)}`)
      terminal.out(`Ready after ${hours(plan.finish)} working hours, on ${formatISO(plan.readyAt, { representation: 'date' })}.`)
      if (plan.daysInHand !== undefined) terminal.out(`Days in hand: ${plan.daysInHand}.`)
      for (const name of plan.unpromised) terminal.out(`Nobody has promised ${name}: taken for here tomorrow.`)
    })
}

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
