import { stationId } from './place'
import { PART_STATES, partStateOf } from './partState'
import { dependencyOrder, pointsAt } from './pointsAt'
import type { Check, Entry, Move, Note, Reading, Skip, Strike } from './types'

/** Everything entered at the bench, arranged by station: what counts now, and all that ever happened there. */
export interface ReadingsIndex {
  /** The reading that counts at a station. */
  readonly current: ReadonlyMap<string, Reading>
  /** Readings of one place that do not know of each other, in order of arrival: the last one counts until a person settles it. */
  readonly conflicts: ReadonlyMap<string, readonly Reading[]>
  /** Everything at a station, in order of arrival. */
  readonly history: ReadonlyMap<string, readonly HistoryLine[]>
  readonly skips: ReadonlyMap<string, Skip>
  /** The last word on each check, by station name. */
  readonly checks: ReadonlyMap<string, Check>
  readonly byId: ReadonlyMap<string, Reading>
  /** The place of each entry in the order of arrival. */
  readonly arrival: ReadonlyMap<string, number>
  /** Entries taken back by an undo that stands. */
  readonly takenBack: ReadonlySet<string>
  /** Readings that a standing reading supersedes, directly or through others. */
  readonly superseded: ReadonlySet<string>
  /** Whether any reading says what its part was when it was read. */
  readonly saysStates: boolean
  /** What a strike, a move or an undo is about. */
  readonly targets: ReadonlySet<string>
}

export interface HistoryLine {
  readonly entry: Reading | Note | Skip | Check
  /** `earlier`: of the part before it was worked on or put together. */
  readonly state: 'current' | 'conflicting' | 'superseded' | 'earlier' | 'struck' | 'takenBack' | 'movedAway'
  readonly strike?: Strike
  /** How a reading came here, or where it went: it was entered at another place. */
  readonly move?: Move
}

/**
 * Arranges entries by station. What counts follows from what an entry says of others, never from the clock of a device:
 * a reading that supersedes another counts before it, an undo makes its target as if it had not been. Only where two readings
 * of a place do not know of each other does the order of arrival (the order of `entries`) decide, and both are shown.
 */
export function indexEntries(entries: readonly Entry[]): ReadingsIndex {
  const takenBack = takenBackIds(entries)
  const strikes = new Map<string, Strike>()
  const moves = new Map<string, Move>()
  const targets = new Set<string>()
  for (const entry of entries) {
    if ('target' in entry) targets.add(entry.target)
    if (takenBack.has(entry.id)) continue
    if (entry.kind === 'strike') strikes.set(entry.target, entry)
    else if (entry.kind === 'move') moves.set(entry.target, entry)
  }
  const index = { ...emptyIndex(), takenBack, targets, superseded: supersededIds(entries, (id) => !takenBack.has(id) && !strikes.has(id)) }
  const lines = new Map<string, HistoryLine[]>()
  const awayLines = new Map<string, HistoryLine[]>()
  for (const given of entries) {
    index.arrival.set(given.id, index.arrival.size)
    // A pull of a wrench belongs to a joint, a step to the walk: both are put together apart.
    if ('target' in given || !('characteristic' in given)) continue
    const move = moves.get(given.id)
    const entry = (move ? { ...given, place: move.place } : given) as HistoryLine['entry']
    const strike = strikes.get(entry.id)
    const station = stationId(entry.characteristic, entry.place)
    append(lines, station, lineOf(index, entry, strike, move))
    if (move) append(awayLines, stationId(given.characteristic, given.place), { entry: given as Reading, state: 'movedAway', move })
    note(index, station, entry, !takenBack.has(entry.id) && !strike)
  }
  for (const [station, away] of awayLines) for (const line of away) append(lines, station, line)
  for (const [station, atStation] of lines) arrange(index, station, atStation)
  return index
}

/**
 * The index of `entries`, the last of which are `added` to those of `before`. Entries that say nothing of others but what they
 * supersede are added where they belong; anything else has all of them arranged again.
 */
export function indexAdded(before: ReadingsIndex, entries: readonly Entry[], added: readonly Entry[]): ReadingsIndex {
  const isPlain = (entry: Entry) => !('target' in entry) && !before.targets.has(entry.id) && !before.arrival.has(entry.id)
  if (!added.every(isPlain) || new Set(added.map(({ id }) => id)).size < added.length) return indexEntries(entries)
  const index = copyOf(before)
  const touched = new Map<string, HistoryLine[]>()
  const linesAt = (station: string) => {
    const lines = touched.get(station) ?? [...(index.history.get(station) ?? [])]
    touched.set(station, lines)
    return lines
  }
  for (const given of added) {
    index.arrival.set(given.id, index.arrival.size)
    if (!('characteristic' in given)) continue
    const entry = given as HistoryLine['entry']
    const station = stationId(entry.characteristic, entry.place)
    const lines = linesAt(station)
    const away = lines.findIndex(({ state }) => state === 'movedAway')
    lines.splice(away < 0 ? lines.length : away, 0, lineOf(index, entry))
    note(index, station, entry, true)
  }
  for (const entry of added) {
    for (const id of entry.kind === 'reading' ? pointsAtInTurn(entry as Reading, index.byId) : []) {
      if (index.superseded.has(id)) continue
      index.superseded.add(id)
      const earlier = index.byId.get(id)
      if (earlier) linesAt(stationId(earlier.characteristic, earlier.place))
    }
  }
  for (const [station, lines] of touched) arrange(index, station, lines)
  return index
}

/** The index while it is put together. */
type Arranging = { -readonly [Part in keyof ReadingsIndex]: Mutable<ReadingsIndex[Part]> }
type Mutable<Part> =
  Part extends ReadonlyMap<infer Key, infer Value> ? Map<Key, Value> : Part extends ReadonlySet<infer Id> ? Set<Id> : Part

function emptyIndex(): Arranging {
  return {
    current: new Map(),
    conflicts: new Map(),
    history: new Map(),
    skips: new Map(),
    checks: new Map(),
    byId: new Map(),
    arrival: new Map(),
    takenBack: new Set(),
    superseded: new Set(),
    targets: new Set(),
    saysStates: false,
  }
}

function copyOf(index: ReadingsIndex): Arranging {
  return {
    current: new Map(index.current),
    conflicts: new Map(index.conflicts),
    history: new Map(index.history),
    skips: new Map(index.skips),
    checks: new Map(index.checks),
    byId: new Map(index.byId),
    arrival: new Map(index.arrival),
    takenBack: new Set(index.takenBack),
    superseded: new Set(index.superseded),
    targets: new Set(index.targets),
    saysStates: index.saysStates,
  }
}

/** What an entry changes beside the readings of its station. */
function note(index: Arranging, station: string, entry: HistoryLine['entry'], stands: boolean): void {
  if (entry.kind === 'reading') {
    index.byId.set(entry.id, entry)
    if (entry.partState) index.saysStates = true
  }
  if (!stands) return
  if (entry.kind === 'reading') index.skips.delete(station)
  else if (entry.kind === 'skip') index.skips.set(station, entry)
  else if (entry.kind === 'check') index.checks.set(station, entry)
}

/** A line as it is before it is known which reading of its station counts. */
function lineOf({ takenBack }: Arranging, entry: HistoryLine['entry'], strike?: Strike, move?: Move): HistoryLine {
  const state = strike ? 'struck' : 'current'
  return { entry, state: takenBack.has(entry.id) ? 'takenBack' : state, ...(strike && { strike }), ...(move && { move }) }
}

/** Which of the readings that stand at a station counts, and what that makes of every line there. */
function arrange(index: Arranging, station: string, lines: readonly HistoryLine[]): void {
  const [only] = lines
  // Most places are read once, and it counts.
  if (lines.length === 1 && only?.state === 'current' && only.entry.kind === 'reading') {
    index.current.set(station, only.entry)
    index.conflicts.delete(station)
    index.history.set(station, lines)
    return
  }
  const all = lines.flatMap(({ entry, state }) => (entry.kind === 'reading' && !FALLEN.has(state) ? [entry] : []))
  const latest = PART_STATES.findLast((state) => all.some((reading) => partStateOf(reading) === state))
  const standing = all.filter((reading) => partStateOf(reading) === latest)
  const heads = standing.filter(({ id }) => !index.superseded.has(id))
  const counts = heads.at(-1) ?? standing.at(-1)
  if (counts) index.current.set(station, counts)
  if (heads.length > 1) index.conflicts.set(station, heads)
  else index.conflicts.delete(station)
  index.history.set(
    station,
    lines.map((line) => {
      const { entry, state } = line
      if (entry.kind !== 'reading' || FALLEN.has(state)) return line
      if (partStateOf(entry) !== latest) return { ...line, state: 'earlier' }
      if (entry.id === counts!.id) return state === 'current' ? line : { ...line, state: 'current' }
      return { ...line, state: index.superseded.has(entry.id) ? 'superseded' : 'conflicting' }
    }),
  )
}

const FALLEN: ReadonlySet<HistoryLine['state']> = new Set(['takenBack', 'struck', 'movedAway'])

function append<Value>(into: Map<string, Value[]>, key: string, value: Value): void {
  const known = into.get(key)
  if (known) known.push(value)
  else into.set(key, [value])
}

/** Ids taken back: targets of undos that were not themselves undone. A circle cannot come in by the door; its members stand. */
function takenBackIds(entries: readonly Entry[]): Set<string> {
  const undosOf = new Map<string, string[]>()
  for (const entry of entries) if (entry.kind === 'undo') append(undosOf, entry.target, entry.id)
  for (const undos of undosOf.values()) for (const id of undos) if (!undosOf.has(id)) undosOf.set(id, [])
  const takenBack = new Set<string>()
  for (const id of dependencyOrder(undosOf).ordered) {
    if (undosOf.get(id)!.some((undo) => !takenBack.has(undo))) takenBack.add(id)
  }
  return takenBack
}

/** Ids of readings that a standing reading supersedes. */
function supersededIds(entries: readonly Entry[], stands: (id: string) => boolean): Set<string> {
  const readings = new Map<string, Reading>()
  for (const entry of entries) if (entry.kind === 'reading') readings.set(entry.id, entry as Reading)
  const superseded = new Set<string>()
  for (const reading of readings.values())
    if ((reading.supersedes !== undefined || reading.settles !== undefined) && stands(reading.id))
      for (const id of pointsAtInTurn(reading, readings, superseded)) superseded.add(id)
  return superseded
}

/**
 * What a reading supersedes, also through one that no longer stands: struck out, a correction still knew of what it corrected, so
 * that of three in a row the last decides over the first. What is `known` already has been followed.
 */
function* pointsAtInTurn(reading: Reading, readings: ReadonlyMap<string, Reading>, known?: ReadonlySet<string>): Generator<string> {
  const seen = new Set<string>()
  const open = [...pointsAt(reading)]
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    if (seen.has(id) || known?.has(id)) continue
    seen.add(id)
    yield id
    const earlier = readings.get(id)
    if (earlier) open.push(...pointsAt(earlier))
  }
}

/** The last standing entry of one person at one bench, as `belongs` knows the bench: what that person's undo takes back. */
export function lastOf(
  entries: readonly Entry[],
  index: ReadingsIndex,
  by: string,
  belongs: (characteristic: string) => boolean,
): Entry | undefined {
  const characteristicOf = (entry: Entry): string | undefined => {
    if ('characteristic' in entry) return entry.characteristic
    return 'target' in entry ? index.byId.get(entry.target)?.characteristic : undefined
  }
  return entries.findLast(
    (entry) => entry.kind !== 'undo' && entry.by === by && !index.takenBack.has(entry.id) && belongs(characteristicOf(entry) ?? ''),
  )
}
