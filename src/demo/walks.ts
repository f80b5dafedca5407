import { v7 as uuidV7 } from 'uuid'
import type { BuildDocument, Entry } from '@/core/build'
import type { ChangeId, StepName } from '@/core/walk'
import { randomStream } from '@/core/numerics/random'
import { DEMO_BUILDS } from './scenario'

/** How far the walk of each demo build has come: the five is half way with a gasket changed on it, the single has begun. */
const WALKS: readonly {
  readonly done: readonly StepName[]
  readonly changed?: { readonly what: ChangeId; readonly text: string }
  readonly confirmed?: readonly string[]
  /** Done not long ago: its clock still runs. */
  readonly justDone?: { readonly step: StepName; readonly minutesAgo: number; readonly text: string }
}[] = [
  {
    done: [
      'job.agreed',
      'job.paper',
      'clean.apart',
      'clean.washed',
      'clean.oiled',
      'mockUp.crank',
      'mockUp.pistons',
      'cam.pointer',
      'cam.park',
      'cam.in',
      'clear.lightSprings',
      'clear.headOn',
    ],
    changed: { what: 'gasket', text: '1.10 in place of 1.00' },
    confirmed: ['read.clearance.travel', 'read.clearance.headSize', 'read.clearance.pocketSize'],
    justDone: { step: 'clean.washed', minutesAgo: 23, text: 'Block once more, after the deck was looked at.' },
  },
  { done: ['job.agreed', 'job.paper', 'clean.apart', 'clean.washed', 'clean.oiled', 'mockUp.crank'] },
  { done: ['job.agreed'] },
]

const MINUTE_MS = 60_000

/** A demo build with its walk as far as it has come, after all that was read; ids the same every time. */
export function withDemoWalk(document: BuildDocument, now: Date): BuildDocument {
  const index = DEMO_BUILDS.findIndex(({ id }) => id === document.id)
  const { done, changed, confirmed = [], justDone } = WALKS[index] ?? { done: [] }
  const bytes = randomStream((DEMO_BUILDS[index]?.seed ?? 0) + 7)
  let msecs = Date.parse(document.entries.at(-1)?.at ?? document.createdAt)
  const stamp = () => {
    msecs += MINUTE_MS
    return stampAt(msecs)
  }
  const stampAt = (ms: number) => {
    const random = Uint8Array.from({ length: 16 }, () => Math.floor(bytes.uniform() * 256))
    return { id: uuidV7({ msecs: ms, random }), at: new Date(ms).toISOString(), by: 'KV' }
  }
  const entries: Entry[] = [
    ...done.map((step): Entry => ({ kind: 'step', ...stamp(), step, did: 'done' })),
    ...(changed ? [{ kind: 'change', ...stamp(), ...changed } as const] : []),
    ...confirmed.map((step): Entry => ({ kind: 'step', ...stamp(), step, did: 'confirmed', reason: 'the gasket is in the sum of it' })),
  ]
  if (justDone) {
    const { step, minutesAgo, text } = justDone
    entries.push({ kind: 'step', ...stampAt(now.getTime() - minutesAgo * MINUTE_MS), step, did: 'done', text })
  }
  return { ...document, entries: [...document.entries, ...entries] }
}
