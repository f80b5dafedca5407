/** What becomes of a bolt, over every build it was in: how often it was tightened, how much longer it is, whether it is done with. */
import type { Build } from '../document/build'
import type { Joint, Pull } from '../document/types'
import type { BoltLife } from '../bench/manifest'
import { BENCHES } from '../benches'
import { jointsOf, runsOf, type Retirement, type Run } from '../joints'

/** One fastener in one build. */
export interface BoltRecord {
  /** What it is known by: the mark on it, or its place in this build. */
  readonly mark: string
  /** Known by its place only: it has no history beyond this build. */
  readonly byPlace?: true
  readonly joint: string
  readonly fastener: number
  readonly thread?: string
  /** Times it was tightened. */
  readonly cycles: number
  readonly growthMm?: number
  readonly retired: readonly Retirement[]
}

/** Every fastener of a build that is told apart from its like. */
export function boltRecords(build: Build): readonly BoltRecord[] {
  const pulls = build.entries.filter((entry): entry is Pull => entry.kind === 'pull')
  const lives = BENCHES.flatMap(({ boltLives }) => (boltLives ? [boltLives(build)] : []))
  return jointsOf(build.spec).flatMap((joint) => {
    if (!joint.toldApartBy) return []
    const runs = runsOf(joint, pulls)
    return joint.fasteners.flatMap((_, index) => {
      const fastener = index + 1
      const read = lives.map((lifeOf) => lifeOf(joint, fastener, runs.length > 0)).find((life) => life !== undefined)
      return recordOf(joint, fastener, runs, read) ?? []
    })
  })
}

/** `read`: what readings say of it, beside its runs. */
function recordOf(joint: Joint, fastener: number, runs: readonly Run[], read: BoltLife | undefined): BoltRecord | undefined {
  const { type, mark } = joint.fasteners[fastener - 1]!
  const byPlace = joint.toldApartBy === 'position'
  if (!byPlace && mark === undefined) return undefined
  const ofType = joint.types.find(({ letter }) => letter === type)
  const cycles = runs.filter((run) => isTightIn(run, fastener)).length + (read?.cycles ?? 0)
  // Where a bolt is known by its place only, another one stands there now.
  const broke = !byPlace && runs.some(({ path }) => path.some((pull) => pull.did === 'broke' && pull.fastener === fastener))
  const isSpent = cycles > 0 && (ofType?.onceOnly === true || isToYield(joint, fastener))
  return {
    mark: mark ?? `${joint.id} ${fastener}`,
    ...(byPlace && { byPlace }),
    joint: joint.name,
    fastener,
    ...(ofType?.thread !== undefined && { thread: ofType.thread }),
    cycles,
    ...(read?.growthMm !== undefined && { growthMm: read.growthMm }),
    retired: [...(read?.retired ?? []), ...(broke ? (['broke'] as const) : []), ...(isSpent ? (['spent'] as const) : [])],
  }
}

function isToYield({ groups }: Joint, fastener: number): boolean {
  return groups.some(({ method, order }) => method === 'toYield' && order.includes(fastener))
}

/** Whether a run torqued a fastener at its last stage. */
function isTightIn({ way, steps, done }: Run, fastener: number): boolean {
  if (way !== 'tighten' && way !== 'retorque') return false
  const last = steps.findLast((step) => step.fastener === fastener)
  return last !== undefined && done.get(last)?.did === 'pulled'
}
