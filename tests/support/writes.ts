import { isDeepStrictEqual as isSame } from 'node:util'
import { v7 as uuidV7 } from 'uuid'
import type { Entry, Spec } from '@/core/document'
import type { RandomStream } from '@/core/numerics/random'
import type { Shop } from './shop'

/** What somebody writes over and over while the server is killed: what was sent under each name, and the names it said it holds. */
export interface Writer {
  readonly what: string
  readonly acknowledged: ReadonlySet<string>
  readonly write: () => Promise<void>
  /** How much of what the server holds was never sent so, or stands twice, or was acknowledged and is not there: in words. */
  readonly wrong: () => Promise<readonly string[]>
}

type Made = (stamp: { readonly id: string; readonly at: string; readonly by: string }, random: RandomStream) => readonly Entry[]

const SPOTS = ['front', 'left', 'rear', 'right']

const reading: Made = (stamp, random) => {
  const value = random.uniform()
  const spot = SPOTS[Math.floor(random.uniform() * SPOTS.length)]!
  const place = { cylinder: 1, spot }
  return [
    {
      kind: 'reading',
      ...stamp,
      characteristic: 'compression.deck',
      place,
      value,
      unit: 'mm',
      asTyped: String(value),
      gauge: 'dial-metric.1',
    },
  ]
}

/** A run and its first fasteners, each pull pointing at the one before. */
const pulls: Made = (stamp, random) => {
  const of = { kind: 'pull', joint: 'head', run: stamp.id, device: 'bench tablet' } as const
  const [second, third] = [uuidV7(), uuidV7()]
  const pulled = (fastener: number) => ({ did: 'pulled', stage: 1, fastener, value: 20 + random.uniform(), unit: 'Nm' }) as const
  return [
    { ...of, ...stamp, did: 'begin', way: 'tighten' },
    { ...of, ...stamp, id: second, follows: stamp.id, ...pulled(1) },
    { ...of, ...stamp, id: third, follows: second, ...pulled(2) },
  ]
}

const step: Made = (stamp, random) =>
  random.uniform() < 0.2
    ? [{ kind: 'step', ...stamp, step: 'job.agreed', did: 'done' }]
    : [{ kind: 'step', ...stamp, step: 'job.agreed', did: 'putIn', part: `Rag ${random.uniform()}` }]

const part: Made = (stamp, random) => [
  { kind: 'part', ...stamp, part: stamp.id, did: 'wanted', what: 'pan', name: 'Deep pan', count: 1 + Math.floor(random.uniform() * 9) },
]

/** Entries of one kind, a few to a request. */
function ofEntries(what: string, make: Made, { shop, build, random }: Bench): Writer {
  const sent = new Map<string, Entry>()
  const acknowledged = new Set<string>()
  return {
    what,
    acknowledged,
    async write() {
      const stamped = () => ({ id: uuidV7(), at: new Date().toISOString(), by: 'KV' })
      const entries = Array.from({ length: 1 + Math.floor(random.uniform() * 20) }, () => make(stamped(), random)).flat()
      for (const entry of entries) sent.set(entry.id, entry)
      const { json } = await shop.server.post<{ stored: string[] }>(`/api/builds/${build}/entries`, { entries })
      for (const id of json.stored) acknowledged.add(id)
    },
    async wrong() {
      const { kind } = make({ id: uuidV7(), at: '', by: 'KV' }, random)[0]!
      const held = (await shop.document(build)).entries.filter((entry) => entry.kind === kind)
      const byId = new Map(held.map((entry) => [entry.id, entry]))
      return [
        ...(byId.size === held.length ? [] : [`${held.length - byId.size} doubled`]),
        ...[...acknowledged].filter((id) => !byId.has(id)).map((id) => `${id} lost`),
        // The server bounds the time of an entry by what it knows; all else stands as it was sent.
        ...held.filter((entry) => !isSame({ ...entry, at: '' }, { ...sent.get(entry.id), at: '' })).map(({ id }) => `${id} altered`),
      ]
    },
  }
}

/** The smallest picture that is one, drawn with any bytes but a marker's. */
export function jpegOf(drawn: readonly number[]): Uint8Array<ArrayBuffer> {
  return Uint8Array.from([...SEGMENTS, ...drawn, 0xff, 0xd9])
}

const SEGMENTS = [0xff, 0xd8, 0xff, 0xc0, 0, 11, 8, 0, 1, 0, 1, 1, 1, 0x11, 0, 0xff, 0xda, 0, 4, 1, 2]

function pictures({ shop, build, random }: Bench): Writer {
  const sent = new Map<string, Uint8Array>()
  const acknowledged = new Set<string>()
  return {
    what: 'pictures',
    acknowledged,
    async write() {
      const id = uuidV7()
      const bytes = jpegOf(Array.from({ length: 20_000 }, () => Math.floor(random.uniform() * 255)))
      sent.set(id, bytes)
      const query = new URLSearchParams({ id, step: 'job.agreed', at: new Date().toISOString(), by: 'KV' })
      const url = `${shop.server.address}/api/builds/${build}/photos?${query}`
      const answer = await fetch(url, { method: 'POST', headers: { 'content-type': 'image/jpeg' }, body: bytes })
      if (answer.status === 201 && ((await answer.json()) as { id: string }).id === id) acknowledged.add(id)
    },
    async wrong() {
      const words: string[] = []
      for (const [id, bytes] of sent) {
        const answer = await shop.server.get(`/api/builds/${build}/photos/${id}`)
        if (answer.status === 404 && !acknowledged.has(id)) continue
        if (!answer.ok) words.push(`${id} lost`)
        else if (!Buffer.from(await answer.arrayBuffer()).equals(bytes)) words.push(`${id} altered`)
      }
      return words
    },
  }
}

/** Each revision gives the build another name, so that it can be told from every other. */
function revisions({ shop, build }: Bench): Writer {
  const names = new Map<string, string>()
  const acknowledged = new Set<string>()
  const at = async (revision: string) =>
    (await (await shop.server.get(`/api/builds/${build}/spec?revision=${revision}`)).json()) as { spec: Spec; revision: number }
  return {
    what: 'revisions',
    acknowledged,
    async write() {
      const { spec, revision } = await at('latest')
      const name = `Engine ${uuidV7()}`
      const body = { basedOn: revision, by: 'KV', reason: 'another name', spec: { ...spec, name } }
      const { status, json } = await shop.server.post<{ revision: number }>(`/api/builds/${build}/spec`, body)
      if (status !== 200) return
      names.set(String(json.revision), name)
      acknowledged.add(String(json.revision))
    },
    async wrong() {
      const words: string[] = []
      for (const [revision, name] of names) if ((await at(revision)).spec.name !== name) words.push(`revision ${revision} altered`)
      const { revision } = await at('latest')
      for (const one of acknowledged) if (Number(one) > revision) words.push(`revision ${one} lost`)
      return words
    },
  }
}

interface Bench {
  readonly shop: Shop
  readonly build: string
  readonly random: RandomStream
}

/** One of each kind of thing a device sends. */
export function writersOf(bench: Bench): readonly Writer[] {
  return [
    ofEntries('readings', reading, bench),
    ofEntries('pulls', pulls, bench),
    ofEntries('steps', step, bench),
    ofEntries('parts', part, bench),
    pictures(bench),
    revisions(bench),
  ]
}
