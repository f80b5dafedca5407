/**
 * How long steps really took, off what was entered: nobody stops a watch. A reading's step took from its first reading to its
 * last, a joint from its first pull to its last, and what is signed off from the step the same person signed off just before it.
 */
import { millisecondsInMinute } from 'date-fns/constants'
import type { Build } from '../document/build'
import type { Entry } from '../document/types'
import { benchOf } from '../document/ids'
import { jointsOf } from '../joints'
import type { Step } from './step'
import { stepsOf } from './walk'

/** Somebody who enters nothing for longer did something else meanwhile. */
const LONGEST_GAP_MIN = 240

/** What steps of different engines have in common: `heads.gasket`, `read.bores.bore`, `pull.head`. Steps of one's own have nothing. */
export function stepKind({ spec }: Pick<Build, 'spec'>, { id, source }: Step): string | undefined {
  switch (source.from) {
    case 'handbook':
      return source.name
    case 'joint':
      return `pull.${jointsOf(spec).find((joint) => joint.id === source.joint)?.kind}`
    case 'own':
      return undefined
    default:
      return id
  }
}

/**
 * Minutes each step took, by its id; those nothing is known of are not there.
 * @param from entries before it came with a file, in one moment: nobody here saw how long they took
 */
export function tookMinutes(build: Build, from = 0): ReadonlyMap<string, number> {
  const { takenBack } = build.readings
  const entries = build.entries.slice(from).filter(({ id }) => !takenBack.has(id))
  return new Map(
    stepsOf(build).flatMap((step) => {
      const took = minutesOf(step, entries)
      return took === undefined ? [] : [[step.id, took] as const]
    }),
  )
}

function minutesOf({ id, source }: Step, entries: readonly Entry[]): number | undefined {
  switch (source.from) {
    case 'readings':
      return worked(entries.filter((entry) => entry.kind === 'reading' && entry.characteristic === source.characteristic))
    case 'checks':
      return worked(entries.filter((entry) => entry.kind === 'check' && benchOf(entry.characteristic) === source.bench))
    case 'joint':
      return worked(entries.filter((entry) => entry.kind === 'pull' && entry.joint === source.joint))
    default:
      return sinceBefore(entries, id)
  }
}

/**
 * Between entries that belong together, without the gaps in which somebody was elsewhere; the first took as long as the others on
 * average.
 */
function worked(entries: readonly Entry[]): number | undefined {
  const times = entries.map(({ at }) => Date.parse(at)).sort((a, b) => a - b)
  const gaps = times.slice(1).flatMap((at, index) => {
    const minutes = (at - times[index]!) / millisecondsInMinute
    return minutes <= LONGEST_GAP_MIN ? [minutes] : []
  })
  if (gaps.length === 0) return undefined
  const total = gaps.reduce((sum, gap) => sum + gap, 0)
  return total > 0 ? (total * (gaps.length + 1)) / gaps.length : undefined
}

/** Steps ticked one after another by one person: whatever else they entered between was something else to do. */
function sinceBefore(entries: readonly Entry[], step: string): number | undefined {
  const done = entries.findLast((entry) => entry.kind === 'step' && entry.step === step && entry.did === 'done')
  if (!done) return undefined
  const own = entries.filter(({ by }) => by === done.by)
  const before = own[own.indexOf(done) - 1]
  if (before?.kind !== 'step' || before.did !== 'done') return undefined
  const minutes = (Date.parse(done.at) - Date.parse(before.at)) / millisecondsInMinute
  return minutes > 0 && minutes <= LONGEST_GAP_MIN ? minutes : undefined
}
