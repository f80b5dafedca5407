import { millisecondsInMinute } from 'date-fns/constants'
import { addDays, formatISO } from 'date-fns'
import { v7 as uuidV7 } from 'uuid'
import type { BuildDocument, Entry, PartEntry } from '@/core/document'
import type { FitCheckId } from '@/core/parts'
import type { ChangeId } from '@/core/document/walkStages'
import type { StepName } from '@/core/walk'
import { randomStream } from '@/core/numerics/random'
import { DEMO_BUILDS } from './scenario'

interface DemoPart {
  readonly said: Partial<PartEntry>
  /** Ordered, and promised for so many days from now. */
  readonly promisedInDays?: number
  /** In, and all of this looked at and found to fit. */
  readonly arrived?: readonly FitCheckId[]
  readonly lies?: { readonly pot: string; readonly fluid: string }
}

/** How far the walk of each demo build has come: the five is half way with a gasket changed on it, the single has begun. */
const WALKS: readonly {
  readonly done: readonly StepName[]
  readonly changed?: { readonly what: ChangeId; readonly text: string }
  readonly confirmed?: readonly string[]
  /** Done not long ago: its clock still runs. */
  readonly justDone?: { readonly step: StepName; readonly minutesAgo: number; readonly text: string }
  readonly parts?: readonly DemoPart[]
  /** What it must be ready for, so many days from now. */
  readonly event?: { readonly words: string; readonly inDays: number }
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
    parts: [
      {
        said: {
          what: 'injectors',
          name: 'Injectors',
          count: 5,
          price: 610,
          rated: { powerKw: 420 },
          replaces: 'the 440 cc ones',
          onWordOf: 'AB, on the flow bench',
        },
        promisedInDays: -2,
      },
      {
        said: { what: 'rodBolts', name: 'Rod bolts', count: 10, price: 240, rated: { rpm: 9000 } },
        arrived: ['threadAndLength'],
        lies: { pot: 'Pot 4', fluid: 'thread oil' },
      },
      { said: { what: 'gasket', name: 'Gasket 1.10', price: 95, owner: 'owner' }, arrived: ['boreOpening', 'dowelHoles'] },
    ],
    event: { words: 'Hill climb', inDays: 9 },
  },
  {
    done: ['job.agreed', 'job.paper', 'clean.apart', 'clean.washed', 'clean.oiled', 'mockUp.crank'],
    parts: [
      { said: { what: 'machining', name: 'Heads at the machine shop' }, promisedInDays: 4 },
      { said: { what: 'cam', name: 'Cam', material: 'steel', price: 480 } },
      { said: { what: 'ignition', name: 'Distributor', material: 'castIron', owner: 'owner' } },
    ],
    event: { words: 'Lake week', inDays: 30 },
  },
  { done: ['job.agreed'] },
]

/** A demo build with its walk as far as it has come, after all that was read; ids the same every time. */
export function withDemoWalk(document: BuildDocument, now: Date): BuildDocument {
  const index = DEMO_BUILDS.findIndex(({ id }) => id === document.id)
  const { done, changed, confirmed = [], justDone, parts = [], event } = WALKS[index] ?? { done: [] }
  const bytes = randomStream((DEMO_BUILDS[index]?.seed ?? 0) + 7)
  let msecs = Date.parse(document.entries.at(-1)?.at ?? document.createdAt)
  const stamp = () => {
    msecs += millisecondsInMinute
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
  for (const part of parts) entries.push(...partEntries(part, stamp, now))
  if (justDone) {
    const { step, minutesAgo, text } = justDone
    entries.push({ kind: 'step', ...stampAt(now.getTime() - minutesAgo * millisecondsInMinute), step, did: 'done', text })
  }
  const job = event && { ...document.spec.job, event: event.words, date: dayFrom(now, event.inDays) }
  return { ...document, spec: { ...document.spec, ...(job && { job }) }, entries: [...document.entries, ...entries] }
}

/** A part as far as it has come: wanted, ordered, in and checked, laid into its pot. */
function partEntries(
  { said, promisedInDays, arrived, lies }: DemoPart,
  stamp: () => { readonly id: string; readonly at: string; readonly by: string },
  now: Date,
): Entry[] {
  const first = stamp()
  const then = (did: PartEntry['did'], more: Partial<PartEntry>): Entry => ({ kind: 'part', ...stamp(), part: first.id, did, ...more })
  return [
    { kind: 'part', ...first, part: first.id, did: 'wanted', ...said },
    ...(promisedInDays === undefined ? [] : [then('ordered', { promised: dayFrom(now, promisedInDays) })]),
    ...(arrived ? [then('arrived', { fits: arrived.map((check) => ({ check, fits: true })) })] : []),
    ...(lies ? [then('laid', lies)] : []),
  ]
}

function dayFrom(now: Date, days: number): string {
  return formatISO(addDays(now, days), { representation: 'date' })
}
