import { describe, expect, it } from 'vitest'
import { entrySchema } from '../entrySchema'
import { withNewEntryIds } from '../copy'
import { asPointedAt, mayPointAt, pointersOf } from '../pointsAt'
import type { BuildDocument, Entry } from '../types'
import { entryWords, kindOf } from './all'
import { ENTRY_SCHEMAS } from './schemas'

const id = (n: number) => `01934000-0000-7000-8000-${String(n).padStart(12, '0')}`
const stamp = (n: number) => ({ id: id(n), at: '2026-03-01T10:00:00.000Z', by: 'KV' })
const station = { characteristic: 'bores.bore' as const, place: { cylinder: 2 } }

/** One of each kind, with everything it can say of others. */
const ONE_OF_EACH: { readonly [Kind in Entry['kind']]: Extract<Entry, { kind: Kind }> } = {
  reading: {
    kind: 'reading',
    ...stamp(1),
    ...station,
    value: 83.01,
    unit: 'mm',
    asTyped: '83.01',
    gauge: 'bore-metric',
    supersedes: id(20),
    settles: [id(21), id(22)],
  },
  strike: { kind: 'strike', ...stamp(2), target: id(20), reason: 'slip' },
  skip: { kind: 'skip', ...stamp(3), ...station, reason: 'no way in' },
  note: { kind: 'note', ...stamp(4), ...station, text: 'a nick' },
  check: { kind: 'check', ...stamp(5), ...station, passed: false, text: 'burr' },
  move: { kind: 'move', ...stamp(6), target: id(20), place: { cylinder: 3 }, reason: 'slip' },
  undo: { kind: 'undo', ...stamp(7), target: id(2) },
  pull: {
    kind: 'pull',
    ...stamp(8),
    joint: 'head',
    run: id(23),
    did: 'pulled',
    device: 'd',
    follows: id(23),
    instead: [id(24)],
    fastener: 4,
  },
  step: { kind: 'step', ...stamp(9), step: 'job.agreed', did: 'done' },
  change: { kind: 'change', ...stamp(10), what: 'gasket', text: 'another gasket' },
  part: { kind: 'part', ...stamp(11), part: id(25), did: 'ordered' },
  damage: { kind: 'damage', ...stamp(12), damage: id(26), did: 'answered', option: 0 },
}
const ALL = Object.values(ONE_OF_EACH)
const others = Array.from({ length: 7 }, (_, n): Entry => ({ ...ONE_OF_EACH.note, id: id(20 + n) }))

/** Every id of another entry that an entry holds, wherever it stands. */
function idsIn(entry: Entry, known: readonly string[]): string[] {
  return Object.entries(entry).flatMap(([field, value]) => (field === 'id' ? [] : [value].flat().filter((one) => known.includes(one))))
}

describe('kinds of entries', () => {
  it('are all here, and each entry is of the shape its kind gives it', () => {
    expect(ALL).toHaveLength(ENTRY_SCHEMAS.length)
    for (const entry of ALL) expect(entrySchema.parse(entry)).toEqual(entry)
  })

  it('say what they point at', () => {
    const pointed = (entry: Entry) => pointersOf(entry).map(({ name, id: at }) => `${name} ${Number(at.slice(-2))}`)
    expect(Object.fromEntries(ALL.map((entry) => [entry.kind, pointed(entry)]))).toEqual({
      reading: ['supersedes 20', 'settles 21', 'settles 22'],
      strike: ['target 20'],
      skip: [],
      note: [],
      check: [],
      move: ['target 20'],
      undo: ['target 2'],
      pull: ['follows 23', 'instead 24'],
      step: [],
      change: [],
      part: ['follows 25'],
      damage: ['follows 26'],
    })
    // What began a part or a damage points at nothing.
    expect(pointersOf({ ...ONE_OF_EACH.part, part: id(11) })).toEqual([])
    expect(pointersOf({ ...ONE_OF_EACH.damage, damage: id(12) })).toEqual([])
  })

  it('may point at these and at nothing else', () => {
    const subjects = { pull: id(23), part: id(25), damage: id(26) }
    const targets = ALL.map((entry): Entry => {
      if (entry.kind === 'pull') return { ...entry, run: subjects.pull }
      if (entry.kind === 'part') return { ...entry, part: subjects.part }
      return entry.kind === 'damage' ? { ...entry, damage: subjects.damage } : entry
    })
    const may = (entry: Entry) => targets.flatMap((at) => (mayPointAt(entry, asPointedAt(at)) ? [at.kind] : []))
    const allButPulls = ALL.map(({ kind }) => kind).filter((kind) => kind !== 'pull')
    expect(Object.fromEntries(ALL.map((entry) => [entry.kind, may(entry)]))).toEqual({
      reading: ['reading'],
      strike: ['reading'],
      skip: [],
      note: [],
      check: [],
      move: ['reading'],
      undo: allButPulls,
      pull: ['pull'],
      step: [],
      change: [],
      part: ['part'],
      damage: ['damage'],
    })
    for (const entry of [ONE_OF_EACH.pull, ONE_OF_EACH.part, ONE_OF_EACH.damage])
      expect(mayPointAt(entry, { ...asPointedAt(entry), subject: id(99) })).toBe(false)
  })

  it('name every field that holds an id, so that a copy points at copies', () => {
    const document = { entries: [...others, ...ALL], spec: { choice: {} } } as unknown as BuildDocument
    const known = document.entries.map((entry) => entry.id)
    const copy = withNewEntryIds(document).entries
    const copyOf = new Map(known.map((one, at) => [one, copy[at]!.id]))
    for (const [at, entry] of document.entries.entries()) {
      expect(idsIn(copy[at]!, known)).toEqual([])
      expect(idsIn(copy[at]!, [...copyOf.values()])).toEqual(idsIn(entry, known).map((one) => copyOf.get(one)))
    }
    expect(new Set(copyOf.values()).size).toBe(known.length)
  })

  it('say in a line what an entry says', () => {
    expect(ALL.map(entryWords)).toEqual([
      '83.01',
      'Strike: slip',
      'Skipped: no way in',
      'Note: a nick',
      'Not right: burr',
      'Move: slip',
      'Undo',
      'Pull of fastener 4',
      'Step job.agreed',
      'Change: another gasket',
      'Part: ordered',
      'Damage: answered',
    ])
    expect(entryWords({ ...ONE_OF_EACH.check, passed: true, text: undefined })).toBe('Right')
  })

  it('are asked in a file, but for names an older door took', () => {
    expect(ALL.filter((entry) => !kindOf(entry).isAskedInFiles).map(({ kind }) => kind)).toEqual(['change', 'damage'])
  })
})
