import { group } from 'd3-array'
import type { BuildDocument, Joint, Pull, UnitSystem } from '@/core/document'
import { fastenersLeftOut, jointsOf, leftOut, runsOf, tightRun, type Run } from '@/core/joints'
import { dressWords, leftOutWords, METHOD_CHOICES, runCountWords, stagesWords, stageWords, WAY_WORDS } from '@/wording'
import { turnsOf } from '@/core/joints/turns'

/** A joint as the book proves it: what was planned, from where, and every run of it, stage by stage. */
export interface JointSheet {
  readonly title: string
  readonly lines: readonly string[]
}

/** Joints that were run, and the names of those that have a figure and were not. */
export function jointSheets({ spec, entries }: BuildDocument, system: UnitSystem) {
  const pulls = entries.filter((entry): entry is Pull => entry.kind === 'pull')
  const joints = jointsOf(spec).map((joint) => ({ joint, runs: runsOf(joint, pulls) }))
  return {
    run: joints.filter(({ runs }) => runs.length > 0).map(({ joint, runs }): JointSheet => sheetOf(joint, runs, system)),
    notRun: joints
      .filter(({ joint, runs }) => joint.groups.some(({ targetNm }) => targetNm !== undefined) && !tightRun(runs))
      .map(({ joint }) => joint.name),
  }
}

function sheetOf(joint: Joint, runs: readonly Run[], system: UnitSystem): JointSheet {
  const plan = joint.groups.map((one) => {
    const figures =
      one.method === 'none' ? METHOD_CHOICES.none.toLowerCase() : `${stagesWords(one.stages, system)} (${one.stagesFrom.source})`
    const dress = one.dress ? `; ${dressWords(one)} (${one.dress.from.source})` : ''
    const makers = one.makersStages ? `; its maker: ${stagesWords(one.makersStages, system)}` : ''
    const otherwise = one.deviates ? `; otherwise than its maker says: ${one.deviates}` : ''
    return `${joint.groups.length > 1 ? `${one.name}: ` : ''}${figures}${dress}${makers}${otherwise}`
  })
  const tight = tightRun(runs)
  const out = tight ? leftOutWords(fastenersLeftOut(tight), turnsOf(joint)) : ''
  const stands = tight ? `Tight${out && `, ${out}`}.` : 'Not tight.'
  const title = `${joint.name}, ${joint.fasteners.length} fasteners${joint.state === 'trial' ? ', trial' : ''}`
  return { title, lines: [...plan, stands, ...againLines(joint), ...runs.toReversed().flatMap((run) => runLines(joint, run, system))] }
}

/** Bolts that the ledger says are done with, and why they were used all the same. */
function againLines(joint: Joint): string[] {
  const turns = turnsOf(joint)
  return joint.fasteners.flatMap(({ mark, usedAgain }, index) =>
    usedAgain === undefined ? [] : [`Fastener ${turns[index]}${mark ? ` (${mark})` : ''} used again: ${usedAgain}.`],
  )
}

function runLines(joint: Joint, run: Run, system: UnitSystem): string[] {
  const head = `${WAY_WORDS[run.way]}, begun ${timeWords(run.begun.at)} by ${run.begun.by}: ${runCountWords(run)}`
  const end = run.isEnded ? ` ${timeWords(run.last.at)}.` : '.'
  const turns = turnsOf(joint)
  const out = leftOut(run).map(
    ([{ fastener, stage }, { reason, by }]) => `Fastener ${turns[fastener - 1]}, stage ${stage}, left out: ${reason} (${by}).`,
  )
  const broke = run.path.flatMap((pull) =>
    pull.did === 'broke' ? [`Fastener ${turns[(pull.fastener ?? 0) - 1]} broke at stage ${pull.stage}: ${pull.reason} (${pull.by}).`] : [],
  )
  const short = run.path.flatMap((pull) =>
    pull.did === 'short' ? [`Fastener ${turns[(pull.fastener ?? 0) - 1]}, stage ${pull.stage}, stopped short once (${pull.by}).`] : [],
  )
  const backedOff = run.path.flatMap((pull) =>
    pull.did === 'backedOff' ? [`All backed off, every stage again ${timeWords(pull.at)} (${pull.by}).`] : [],
  )
  const again = run.path.flatMap((pull) =>
    pull.did === 'resealed' ? [`Stripped, cleaned and sealed again ${timeWords(pull.at)} (${pull.by}).`] : [],
  )
  return [head + end, ...stageLines(run, system), ...short, ...broke, ...backedOff, ...again, ...out]
}

/** What was torqued at each stage, by whom and in which order it came to be. */
function stageLines({ done }: Run, system: UnitSystem): string[] {
  const pulled = [...done].filter(([, pull]) => pull.did !== 'leftOut')
  return [...group(pulled, ([{ stage }]) => stage)].map(([stage, steps]) => {
    const times = steps.map(([, { at }]) => at).toSorted()
    const people = [...new Set(steps.map(([, { by }]) => by))].join(', ')
    const when = `${timeWords(times[0]!)} to ${timeWords(times.at(-1)!)}`
    return `Stage ${stage}, ${stageWords(steps[0]![0].pull, system)}: ${steps.length} by ${people}, ${when}`
  })
}

function timeWords(at: string): string {
  return at.slice(0, 16).replace('T', ' ')
}
