import {
  BUILD_FORMAT,
  BUILD_VERSION,
  currentCards,
  type Build,
  type BuildDocument,
  type CharacteristicId,
  type Entry,
  type Gauge,
  type Place,
  type Reading,
  type Spec,
} from '@/core/document'
import { effectiveEntries } from '@/core/document/effective'

/**
 * A build as a bench page is sent it: the entries that decide something, one row each, and of all others only the end of their ids.
 * A build measured over and over again is sent no more than one measured once.
 */
export interface ServedBuild extends ServerCopy {
  readonly id: string
  readonly spec: Spec
  /** Cards in the drawer now, and those that took a reading that is sent. */
  readonly gauges: readonly Gauge[]
  /** Texts that come again and again, named in the rows by their number. */
  readonly words: readonly string[]
  readonly rows: readonly EntryRow[]
}

/** What the server has beside the entries it sends. */
export interface ServerCopy {
  /** What else is stored, to tell what a server has lost: ends of ids, one behind the other. */
  readonly alsoStored: string
  /** The last entry there was, in the order of arrival over all builds. */
  readonly lastSeq: number
}

/** A reading by its parts, texts by their number; last what few readings say besides. Anything else that was entered is sent as it is. */
export type EntryRow = ReadingRow | Exclude<Entry, { kind: 'reading' }>
type ReadingRow = readonly [
  id: string,
  /** In ms after the moment its id was made, or as it was written where that is another way of writing it. */
  at: number | string,
  by: number,
  characteristic: number,
  place: number,
  value: number,
  unit: number,
  asTyped: string,
  gauge: number,
  rest?: Readonly<Partial<Reading>>,
]

/** Letters of base 64 that 48 bits come to. */
const END = 8

/** As much of an id as tells it from any other: the 48 bits of chance at its end, in base 64. */
export function endOfId(id: string): string {
  const hex = id.slice(-12)
  const bytes = Array.from({ length: 6 }, (_, index) => Number.parseInt(hex.slice(2 * index, 2 * index + 2), 16))
  return btoa(String.fromCharCode(...bytes))
}

/** The ends of ids, one by one. */
export function endsOf(alsoStored: string): ReadonlySet<string> {
  return new Set(Array.from({ length: alsoStored.length / END }, (_, index) => alsoStored.slice(index * END, (index + 1) * END)))
}

export function serveBuild(build: Build, lastSeq: number): ServedBuild {
  const entries = effectiveEntries(build)
  const sent = new Set(entries.map(({ id }) => id))
  const cards = [...build.gauges.values()]
  const used = new Set(entries.flatMap((entry) => (entry.kind === 'reading' ? [entry.gauge] : [])))
  const inDrawer = new Set(currentCards(cards).map(({ id }) => id))
  const words = new Map<string, number>()
  const wordOf = (text: string) => {
    const known = words.get(text) ?? words.size
    words.set(text, known)
    return known
  }
  const rows = entries.map((entry) => rowOf(entry, wordOf))
  return {
    id: build.id,
    spec: build.spec,
    gauges: cards.filter(({ id }) => used.has(id) || inDrawer.has(id)),
    words: [...words.keys()],
    rows,
    alsoStored: build.entries.flatMap(({ id }) => (sent.has(id) ? [] : [endOfId(id)])).join(''),
    lastSeq,
  }
}

/** The moment in the first 48 bits of an id: UUID version 7, RFC 9562, 5.7; of one that is none, some number all the same. */
function madeMs(id: string): number {
  return Number.parseInt(id.slice(0, 13).replace('-', ''), 16)
}

function rowOf(entry: Entry, wordOf: (text: string) => number): EntryRow {
  if (entry.kind !== 'reading') return entry
  const { kind: _, id, at, by, characteristic, place, value, unit, asTyped, gauge, ...rest } = entry as Reading
  const atMs = Date.parse(at)
  const row = [
    id,
    new Date(atMs).toISOString() === at ? atMs - madeMs(id) : at,
    wordOf(by),
    wordOf(characteristic),
    wordOf(JSON.stringify(place)),
    value,
    wordOf(unit),
    asTyped,
    wordOf(gauge),
  ] as const
  return Object.keys(rest).length > 0 ? [...row, rest] : row
}

/** The document as the page works with it: every entry that decides something, as it was stored. */
export function documentServed({ id, spec, gauges, words, rows }: ServedBuild): BuildDocument {
  const word = (index: number) => words[index]!
  const entries = rows.map((row): Entry => {
    if ('kind' in row) return row
    const [entryId, at, by, characteristic, place, value, unit, asTyped, gauge, rest] = row
    return {
      kind: 'reading',
      id: entryId,
      at: typeof at === 'number' ? new Date(madeMs(entryId) + at).toISOString() : at,
      by: word(by),
      characteristic: word(characteristic) as CharacteristicId,
      place: JSON.parse(word(place)) as Place,
      value,
      unit: word(unit),
      asTyped,
      gauge: word(gauge),
      ...rest,
    }
  })
  return { format: BUILD_FORMAT, version: BUILD_VERSION, id, createdAt: '', spec, gauges: [...gauges], entries }
}
