import { mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { createClient } from '@libsql/client'
import { v7 as uuidV7 } from 'uuid'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { presentName, type Entry } from '@/core/document'
import { readBuildFile, writeBuildFile } from '@/core/files'
import type { GaugeLine } from '@/core/liveGauge'
import { randomStream } from '@/core/numerics/random'
import { demoDocument } from '@/demo/readings'
import { DEMO_BUILDS } from '@/demo/scenario'
import { openDatabase, type Database } from './database'
import { currentCards } from '@/core/document'

const tern = demoDocument(DEMO_BUILDS[0]!, new Date('2026-03-01T12:00:00Z'))
let folder: string
let url: string
let db: Database

beforeEach(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'kalibros-'))
  url = `file:${path.join(folder, 'deep', 'er', 'test.db')}`
  db = await openDatabase(url)
})
afterEach(() => {
  db.close()
  rmSync(folder, { recursive: true })
})

const reading = (value = 0.05): Entry => ({
  kind: 'reading',
  id: uuidV7(),
  at: new Date().toISOString(),
  by: 'KV',
  characteristic: 'compression.deck',
  place: { cylinder: 1, spot: 'front' },
  value,
  unit: 'mm',
  asTyped: String(value),
  gauge: 'dial-metric.1',
})
const raw = async (sql: string) => {
  const client = createClient({ url })
  try {
    return await client.execute(sql)
  } finally {
    client.close()
  }
}

describe('builds', () => {
  it('gives back a whole document as it was stored, also after reopening', async () => {
    await db.builds.create(tern, 'KV')
    db.close()
    db = await openDatabase(url)
    const loaded = (await db.builds.load(tern.id))!
    expect(loaded.document.entries).toEqual(tern.entries)
    expect(loaded.document.spec).toEqual(tern.spec)
    expect(loaded.revision).toBe(1)
  })

  it('refuses a second build of the same id and knows nothing of strangers', async () => {
    await db.builds.create(tern, 'KV')
    await expect(db.builds.create(tern, 'KV')).rejects.toMatchObject({ code: 'buildExists' })
    expect(await db.builds.load(uuidV7())).toBeUndefined()
  })
})

describe('entries', () => {
  beforeEach(() => db.builds.create({ ...tern, entries: [] }, 'KV'))

  it('gives back every kind of entry, each number to its last bit, in the order of arrival', async () => {
    const stamp = () => ({ id: uuidV7(), at: '2026-03-01T10:00:00.000Z', by: 'KV' })
    const place = { cylinder: 1, spot: 'front' }
    const odd = [0.1 + 0.2, 3.2677 * 25.4, 1e-7 / 3, 1 / 3, -0.0254 * 7, 5e-324, 1.7976931348623157e308, 0, -0.05, 12]
    const readings = odd.map(
      (value, index): Entry =>
        ({
          ...reading(value),
          upper: index % 2 ? value + 1 / 7 : undefined,
          partTempC: 20 + 1 / 3,
          gaugeTempC: 20,
          strokes: index,
        }) as Entry,
    )
    const first = { ...reading(2 / 3), at: '2026-03-01T10:00:00.000Z' } as Entry
    const begun = { kind: 'pull', ...stamp(), joint: 'head', did: 'begin', way: 'retorque', device: 'bench tablet' } as const
    const run = begun.id
    const pulled = { ...begun, ...stamp(), way: undefined, run, did: 'pulled', follows: run, stage: 1, fastener: 10 } as const
    const pulls: Entry[] = [
      { ...begun, run },
      { ...pulled, value: 55 / 3, unit: 'Nm', angleDeg: 41 + 1 / 3, wrench: '20–100' },
      { ...pulled, ...stamp(), did: 'leftOut', instead: [pulled.id], reason: 'does not reach' },
    ]
    const gone = { kind: 'step', ...stamp(), step: 'final.pistons.1-2', did: 'done', answer: 'To the front', text: 'tight' } as const
    const others: Entry[] = [
      { kind: 'strike', ...stamp(), target: first.id, reason: 'slipped: “10 µm”, a\nnew line' },
      { kind: 'skip', ...stamp(), characteristic: 'compression.deck', place, reason: '' },
      { kind: 'note', ...stamp(), characteristic: 'compression.deck', place: { bank: 'left' }, text: '½ bore ø' },
      { kind: 'check', ...stamp(), characteristic: 'bores.cracks', place: {}, passed: false, text: 'between 2 and 3' },
      { kind: 'check', ...stamp(), characteristic: 'bores.cracks', place: { main: 2 }, passed: true },
      { kind: 'undo', ...stamp(), target: first.id },
      gone,
      { kind: 'step', ...stamp(), step: 'heads.on.left', did: 'waived', reason: 'driven off the cam', second: 'AB' },
      { kind: 'step', ...stamp(), step: 'fire.tempOut', did: 'putIn', part: 'tape' },
      { kind: 'change', ...stamp(), what: 'honed', text: 'two strokes more' },
      { kind: 'undo', ...stamp(), target: gone.id },
      ...pulls,
    ]
    const all = [first, ...readings, ...others]
    await db.builds.append(tern.id, all)
    // As the wire would carry them: what is not there is not written as undefined.
    expect((await db.builds.load(tern.id))!.document.entries).toEqual(JSON.parse(JSON.stringify(all)))
  })

  it('gives back random doubles bit for bit', async () => {
    const random = randomStream(11)
    const all = Array.from({ length: 300 }, () => reading((random.uniform() - 0.5) * 10 ** (random.uniform() * 12 - 6)))
    await db.builds.append(tern.id, all)
    const values = (await db.builds.load(tern.id))!.document.entries.map((entry) => (entry.kind === 'reading' ? entry.value : NaN))
    expect(values).toEqual(all.map((entry) => (entry.kind === 'reading' ? entry.value : NaN)))
  })

  it('stores a repeated send once, alone, within one send and in parallel', async () => {
    const entry = reading()
    expect(await db.builds.append(tern.id, [entry])).toMatchObject({ stored: [entry.id], added: 1, refused: [] })
    const next = reading()
    expect(await db.builds.append(tern.id, [entry, next, entry])).toMatchObject({ stored: [entry.id, next.id], added: 1, refused: [] })
    const twin = reading()
    await Promise.all([db.builds.append(tern.id, [twin]), db.builds.append(tern.id, [twin])])
    expect((await db.builds.load(tern.id))!.document.entries).toHaveLength(3)
  })

  it('stores every sound entry of a send, whatever becomes of the others; a table of readings all or none', async () => {
    const [good, bad, last] = [reading(), { ...reading(), gauge: 'nobody’s' } as Entry, reading(0.06)]
    await expect(db.builds.append(tern.id, [good, bad, last], true)).rejects.toMatchObject({ code: 'noSuchGauge' })
    expect((await db.builds.load(tern.id))!.document.entries).toHaveLength(0)
    expect(await db.builds.append(tern.id, [good, bad, last])).toMatchObject({
      stored: [good.id, last.id],
      refused: [{ id: bad.id, code: 'noSuchGauge', about: 'nobody’s' }],
    })
    expect((await db.builds.load(tern.id))!.document.entries.map(({ id }) => id)).toEqual([good.id, last.id])
  })

  it('refuses a build, a target and an id that are not its own', async () => {
    await expect(db.builds.append(uuidV7(), [reading()])).rejects.toMatchObject({ code: 'noSuchBuild' })
    const [first, second] = [reading(), reading()]
    const strike: Entry = { kind: 'strike', id: uuidV7(), at: new Date().toISOString(), by: 'KV', target: first.id, reason: 'gone' }
    const codes = async (build: string, ...entries: Entry[]) =>
      (await db.builds.append(build, entries)).refused.map(({ id, code, about }) => [id, code, about])
    expect(
      await codes(tern.id, strike, { ...reading(), supersedes: second.id } as Entry, { ...reading(), settles: [second.id] } as Entry),
    ).toEqual([
      [strike.id, 'noSuchTarget', first.id],
      [expect.any(String), 'noSuchTarget', second.id],
      [expect.any(String), 'noSuchTarget', second.id],
    ])
    // What it pointed at came after all: sent again, it is taken.
    expect(await codes(tern.id, first, strike)).toEqual([])
    const other = { ...tern, id: uuidV7(), entries: [] }
    await db.builds.create(other, 'KV')
    expect(await codes(other.id, first, { ...strike, id: uuidV7() })).toEqual([
      [first.id, 'idTaken', first.id],
      [expect.any(String), 'noSuchTarget', first.id],
    ])
  })

  it('keeps every kind of entry to the letter', async () => {
    const first = reading()
    const stamp = () => ({ id: uuidV7(), at: new Date().toISOString(), by: 'AB' })
    const all: Entry[] = [
      first,
      { ...reading(0.4), upper: 0.45, supersedes: first.id } as Entry,
      { kind: 'strike', ...stamp(), target: first.id, reason: 'dial had slipped' },
      { kind: 'skip', ...stamp(), characteristic: 'compression.gasketBore', place: { bank: 'left' }, reason: 'no gasket yet' },
      { kind: 'note', ...stamp(), characteristic: 'compression.chamber', place: { cylinder: 2, repeat: 1 }, text: 'a bubble' },
      { kind: 'move', ...stamp(), target: first.id, place: { cylinder: 4, spot: 'front' }, reason: 'meant for 4' },
      { ...reading(0.5), plusMinus: 0.002, settles: [first.id] } as Entry,
      { ...reading(0.51), partState: 'machined' } as Entry,
      { ...reading(0.52), place: { valve: 'intake3b', spot: 'before' }, turnedBack: true } as Entry,
      { kind: 'undo', ...stamp(), target: first.id },
    ]
    await db.builds.append(tern.id, all)
    expect((await db.builds.load(tern.id))!.document.entries).toEqual(all)
  })

  it('believes a device no time after it arrived, and none before what it points at', async () => {
    const hour = 3_600_000
    const atMs = (ms: number) => new Date(ms).toISOString()
    const before = Date.now()
    const ahead = { ...reading(), at: atMs(before + 24 * hour) } as Entry
    const offline = { ...reading(), at: atMs(before - 9 * hour) } as Entry
    await db.builds.append(tern.id, [ahead, offline])
    const strike: Entry = { kind: 'strike', id: uuidV7(), at: atMs(before - 48 * hour), by: 'KV', target: offline.id, reason: 'slip' }
    const again: Entry = { kind: 'undo', id: uuidV7(), at: atMs(before - 72 * hour), by: 'KV', target: strike.id }
    await db.builds.append(tern.id, [strike, again])
    const [first, second, third, fourth] = (await db.builds.load(tern.id))!.document.entries.map(({ at }) => at)
    expect(Date.parse(first!)).toBeGreaterThanOrEqual(before)
    expect(Date.parse(first!)).toBeLessThanOrEqual(Date.now())
    expect([second, third, fourth]).toEqual([offline.at, offline.at, offline.at])
    // What the device said is kept beside it.
    const { rows } = await raw("SELECT body ->> '$.at' AS device_at FROM entry ORDER BY seq")
    expect(rows.map((row) => row.device_at)).toEqual([ahead.at, null, strike.at, again.at])
  })

  it('refuses what may not point at an entry of that kind, on the wire as in a file', async () => {
    const stamp = () => ({ id: uuidV7(), at: '2026-03-01T10:00:00.000Z', by: 'KV' })
    const step: Entry = { kind: 'step', ...stamp(), step: 'job.agreed', did: 'done' }
    const begins = (id: string) =>
      ({ kind: 'pull', ...stamp(), id, run: id, joint: 'head', did: 'begin', way: 'tighten', device: 'd' }) as Entry
    const [one, other] = [begins(uuidV7()), begins(uuidV7())]
    const wrong: Entry[] = [
      { kind: 'undo', ...stamp(), target: one.id },
      { kind: 'strike', ...stamp(), target: step.id, reason: 'slip' },
      { ...reading(), supersedes: step.id } as Entry,
      { ...reading(), settles: [one.id] } as Entry,
      { kind: 'move', ...stamp(), target: step.id, place: { cylinder: 2 }, reason: 'slip' },
      { ...one, ...stamp(), did: 'pulled', way: undefined, follows: other.id, stage: 1, fastener: 1 } as Entry,
      { kind: 'part', ...stamp(), part: step.id, did: 'ordered' },
    ]
    expect(await db.builds.append(tern.id, [step, one, other])).toMatchObject({ added: 3 })
    const sent = await db.builds.append(tern.id, wrong)
    expect(sent.refused.map(({ id, code }) => [id, code])).toEqual(wrong.map(({ id }) => [id, 'wrongTarget']))
    const sound: Entry[] = [
      { kind: 'undo', ...stamp(), target: step.id },
      { ...one, ...stamp(), did: 'end', way: undefined, follows: one.id } as Entry,
    ]
    expect(await db.builds.append(tern.id, sound)).toMatchObject({ added: 2, refused: [] })
    // What is stored comes back through the file door.
    const { document } = (await db.builds.load(tern.id))!
    expect(readBuildFile(writeBuildFile(document))).toEqual({ ok: true, document })
  })

  it.each(['REPLACE INTO', 'INSERT OR REPLACE INTO'])('the database refuses %s for every row that is there', async (replace) => {
    const entry = reading()
    await db.builds.append(tern.id, [entry])
    await db.photos.add(tern.id, {
      id: uuidV7(),
      step: 'job.agreed',
      at: '2026-03-01T12:00:00.000Z',
      by: 'KV',
      bytes: Uint8Array.from([1]),
    })
    for (const table of ['entry', 'build_revision', 'gauge_card', 'photo', 'build']) {
      const before = (await raw(`SELECT * FROM ${table}`)).rows
      await expect(raw(`${replace} ${table} SELECT * FROM ${table} LIMIT 1`)).rejects.toThrow(/stored already/)
      expect((await raw(`SELECT * FROM ${table}`)).rows).toEqual(before)
    }
  })

  it.each([
    'UPDATE build SET created_at = 0',
    "UPDATE build SET id = 'x'",
    "UPDATE entry SET body = '{}'",
    'DELETE FROM entry',
    "UPDATE build_revision SET spec = '{}'",
    'DELETE FROM build_revision',
    'DELETE FROM gauge_card',
    "UPDATE gauge_card SET card = '{}'",
    'DELETE FROM build',
  ])('the database itself refuses %s', async (sql) => {
    await db.builds.append(tern.id, [reading()])
    await expect(raw(sql)).rejects.toThrow(/append-only|never deleted|keeps its id/)
  })
})

describe('revisions', () => {
  beforeEach(() => db.builds.create(tern, 'KV'))

  it('keeps every spec and refuses one based on an older', async () => {
    const spec = { ...tern.spec, description: 'changed' }
    expect(await db.builds.revise(tern.id, 1, spec, 'AB', 'description')).toBe(2)
    await expect(db.builds.revise(tern.id, 1, spec, 'AB', 'again')).rejects.toMatchObject({ code: 'staleRevision' })
    expect((await db.builds.specAt(tern.id, 1))!.description).toBe(tern.spec.description)
    expect((await db.builds.load(tern.id))!.document.spec.description).toBe('changed')
    expect((await db.builds.revisions(tern.id)).map(({ number, by, reason }) => [number, by, reason])).toEqual([
      [2, 'AB', 'description'],
      [1, 'KV', 'start'],
    ])
  })

  it('lets only one of two people through who save at once', async () => {
    const saves = await Promise.allSettled(
      ['a', 'b'].map((description) => db.builds.revise(tern.id, 1, { ...tern.spec, description }, 'KV', description)),
    )
    expect(saves.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected'])
  })
})

describe('what an older program stored', () => {
  it('opens as this program knows it, every reading as it was', async () => {
    const old = JSON.parse(readFileSync(path.resolve(import.meta.dirname, '../../tests/reference/samples/build.v1.kalibros.json'), 'utf8'))
    const at = '2026-01-01T00:00:00Z'
    const client = createClient({ url })
    await client.execute({ sql: 'INSERT INTO build (id, created_at, touched_at) VALUES (?, ?, ?)', args: [old.id, at, at] })
    await client.execute({
      sql: "INSERT INTO build_revision (build_id, number, spec, at, by, reason) VALUES (?, 1, ?, ?, 'KV', 'start')",
      args: [old.id, JSON.stringify(old.spec), at],
    })
    client.close()
    await db.builds.append(old.id, old.entries)
    const loaded = (await db.builds.load(old.id))!
    const present = (entry: { characteristic: string }) => ({ ...entry, characteristic: presentName(entry.characteristic) })
    expect(loaded.document.entries).toEqual(old.entries.map(present))
    expect(loaded.document.entries.map((entry) => 'characteristic' in entry && entry.characteristic)).toContain('compression.deck')
    expect(loaded.document.spec).toMatchObject({
      name: 'Petrel',
      layout: { mains: 5, pins: expect.arrayContaining([expect.objectContaining({ cylinders: [1, 2] })]), rodBearings: 'plain' },
      stock: { shells: [] },
      methods: { bearings: 'direct' },
    })
    expect(await db.builds.specAt(old.id, 1)).toEqual(loaded.document.spec)
    await db.builds.revise(old.id, 1, loaded.document.spec, 'KV', 'same again')
    expect((await db.builds.load(old.id))!.document.spec).toEqual(loaded.document.spec)
  })
})

describe('presses of live gauges', () => {
  const line = (sequence: number, value = 83): GaugeLine => ({ name: 'bore-metric', value, unit: 'mm', sequence, text: String(value) })
  it('are kept once each, in order, and can be asked for from any one on', async () => {
    const first = await db.presses.add(line(1), 'a', null)
    expect(first.isNew).toBe(true)
    expect((await db.presses.add(line(2), 'b', null)).isNew).toBe(true)
    expect(await db.presses.add(line(1), 'a', null)).toEqual({ press: first.press, isNew: false })
    // Another gauge may say the very same thing.
    expect((await db.presses.add({ ...line(1), name: 'mic-metric' }, 'a', null)).isNew).toBe(true)
    expect((await db.presses.after(first.press.seq, 'bench-1')).map(({ name, sequence }) => [name, sequence])).toEqual([
      ['bore-metric', 2],
      ['mic-metric', 1],
    ])
    expect(await db.presses.lastSeq()).toBe(first.press.seq + 2)
    for (const sql of ['UPDATE gauge_press SET value = 9', 'DELETE FROM gauge_press']) await expect(raw(sql)).rejects.toThrow(/append-only/)
  })

  it('go to the session that has the gauge and to no other; taken over, the next go there', async () => {
    await db.presses.hold('bore-metric', 'bench-1', 'KV at Tern')
    expect(await db.presses.holder('bore-metric')).toEqual({ name: 'bore-metric', session: 'bench-1', words: 'KV at Tern' })
    await db.presses.add(line(1), 'a', 'bench-1')
    await db.presses.hold('bore-metric', 'bench-2', 'AB at Petrel')
    await db.presses.add(line(2), 'b', 'bench-2')
    const sequences = async (session: string) => (await db.presses.after(0, session)).map(({ sequence }) => sequence)
    expect([await sequences('bench-1'), await sequences('bench-2'), await sequences('bench-3')]).toEqual([[1], [2], []])
    expect([await db.presses.heldBy('bench-1'), await db.presses.heldBy('bench-2')]).toEqual([[], ['bore-metric']])
    await db.presses.hold('bore-metric', null, '')
    expect(await db.presses.holder('bore-metric')).toBeUndefined()
    expect(await db.presses.heldBy('bench-2')).toEqual([])
  })
})

describe('gauge drawer', () => {
  it('starts with the usual instruments and keeps old cards when a gauge gets a new one', async () => {
    const cards = await db.gauges.list()
    expect(cards.length).toBeGreaterThan(8)
    const checked = { ...cards[0]!, id: `${cards[0]!.gauge}.2`, bias: 0.004, since: new Date().toISOString() }
    await db.gauges.add([checked])
    const after = await db.gauges.list()
    expect(after).toHaveLength(cards.length + 1)
    expect(currentCards(after).find((card) => card.gauge === checked.gauge)).toEqual(checked)
  })
})

describe('parts and damage', () => {
  it('come back as they were said, each thing of them', async () => {
    await db.builds.create(tern, 'KV')
    const stamp = () => ({ id: uuidV7(), at: '2026-03-01T12:00:00.000Z', by: 'KV' })
    const [wanted, seen] = [stamp(), stamp()]
    const entries: Entry[] = [
      {
        kind: 'part',
        ...wanted,
        part: wanted.id,
        did: 'wanted',
        what: 'cam',
        name: 'Cam',
        material: 'steel',
        rated: { rpm: 8200.5 },
        needs: ['cam.in'],
      },
      { kind: 'part', ...stamp(), part: wanted.id, did: 'arrived', fits: [{ check: 'key', fits: false, note: '3 mm' }], price: 410.25 },
      { kind: 'damage', ...seen, damage: seen.id, did: 'seen', text: 'Scored', options: [{ text: 'Polish', days: 0.5, price: 60 }] },
      { kind: 'damage', ...stamp(), damage: seen.id, did: 'answered', option: 0, reply: 'Yes' },
    ]
    expect(await db.builds.append(tern.id, entries)).toMatchObject({ added: 4, refused: [] })
    expect((await db.builds.load(tern.id))!.document.entries.slice(-4)).toEqual(entries)
    const stray: Entry = { kind: 'part', ...stamp(), part: uuidV7(), did: 'ordered' }
    expect(await db.builds.append(tern.id, [stray])).toMatchObject({ added: 0, refused: [{ code: 'noSuchTarget' }] })
  })
})

describe('pictures of steps', () => {
  const picture = { id: uuidV7(), step: 'heads.gasket', at: '2026-03-01T12:00:00.000Z', by: 'KV', bytes: Uint8Array.from([255, 216, 0, 7]) }

  it('are kept beside the build, once however often they are sent, and are not in its document', async () => {
    await db.builds.create(tern, 'KV')
    await db.photos.add(tern.id, picture)
    await db.photos.add(tern.id, picture)
    const { bytes, ...card } = picture
    expect(await db.photos.cards(tern.id)).toEqual([card])
    expect(await db.photos.bytes(tern.id, picture.id)).toEqual(bytes)
    expect((await db.builds.load(tern.id))!.document.entries).toEqual(tern.entries)
  })

  it('are told where another picture goes by their id, here or in another build', async () => {
    await db.builds.create(tern, 'KV')
    await db.photos.add(tern.id, picture)
    await expect(db.photos.add(tern.id, { ...picture, bytes: Uint8Array.from([1]) })).rejects.toMatchObject({ code: 'photoTaken' })
    const other = { ...tern, id: uuidV7(), entries: [] }
    await db.builds.create(other, 'KV')
    await expect(db.photos.add(other.id, picture)).rejects.toMatchObject({ code: 'photoTaken' })
    expect(await db.photos.bytes(tern.id, picture.id)).toEqual(picture.bytes)
    expect(await db.photos.cards(other.id)).toEqual([])
  })

  it('belong to a build that is there, and to no other', async () => {
    await expect(db.photos.add(tern.id, picture)).rejects.toMatchObject({ code: 'noSuchBuild' })
    await db.builds.create(tern, 'KV')
    await db.photos.add(tern.id, picture)
    expect(await db.photos.bytes(uuidV7(), picture.id)).toBeUndefined()
  })

  it('are never changed or deleted', async () => {
    await db.builds.create(tern, 'KV')
    await db.photos.add(tern.id, picture)
    await expect(raw("update photo set step = 'x'")).rejects.toThrow(/append-only/)
    await expect(raw('delete from photo')).rejects.toThrow(/append-only/)
  })
})

describe('plans of days', () => {
  const plan = (day: string, readyAt: string) => ({ day, readyAt, over: {}, promised: {} })

  it('keep the first of each day, and give back the last of a day before', async () => {
    await db.builds.create(tern, 'KV')
    for (const [day, readyAt] of [
      ['2026-03-01', 'a'],
      ['2026-03-02', 'b'],
      ['2026-03-02', 'c'],
      ['2026-03-04', 'd'],
    ] as const)
      await db.plans.keep([{ buildId: tern.id, plan: plan(day, readyAt) }])
    const before = async (day: string) => (await db.plans.before(day, [tern.id])).get(tern.id)?.readyAt
    expect([await before('2026-03-01'), await before('2026-03-02'), await before('2026-03-04'), await before('2026-03-09')]).toEqual([
      undefined,
      'a',
      'b',
      'd',
    ])
    await expect(raw("update build_plan set day = 'x'")).rejects.toThrow(/append-only/)
  })

  it('are made with what the shop said last that it has', async () => {
    expect(await db.plans.means()).toBeUndefined()
    const means = { people: 2, stands: 3, hours: { days: [1, 2], from: 8, to: 16.5 } }
    await db.plans.setMeans({ ...means, people: 1 }, 'KV')
    await db.plans.setMeans(means, 'AB')
    expect(await db.plans.means()).toEqual(means)
  })
})
