import { stationId } from './place'
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
}

export interface HistoryLine {
  readonly entry: Reading | Note | Skip | Check
  readonly state: 'current' | 'conflicting' | 'superseded' | 'struck' | 'takenBack' | 'movedAway'
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
  const standing = entries.filter(({ id }) => !takenBack.has(id))
  const strikes = new Map(standing.flatMap((entry) => (entry.kind === 'strike' ? [[entry.target, entry] as const] : [])))
  const moves = new Map(standing.flatMap((entry) => (entry.kind === 'move' ? [[entry.target, entry] as const] : [])))
  const superseded = supersededIds(entries, (id) => !takenBack.has(id) && !strikes.has(id))

  const byId = new Map<string, Reading>()
  const standingAt = new Map<string, Reading[]>()
  const skips = new Map<string, Skip>()
  const checks = new Map<string, Check>()
  const lines = new Map<string, Omit<HistoryLine, 'state'>[]>()
  const awayLines = new Map<string, HistoryLine[]>()
  for (const given of entries) {
    if (given.kind === 'strike' || given.kind === 'undo' || given.kind === 'move') continue
    const move = moves.get(given.id)
    const entry = (move ? { ...given, place: move.place } : given) as HistoryLine['entry']
    const station = stationId(entry.characteristic, entry.place)
    const strike = strikes.get(entry.id)
    append(lines, station, { entry, strike, move })
    if (move) append(awayLines, stationId(given.characteristic, given.place), { entry: given as Reading, state: 'movedAway', move })
    if (entry.kind === 'reading') byId.set(entry.id, entry)
    if (takenBack.has(entry.id) || strike) continue
    if (entry.kind === 'reading') {
      append(standingAt, station, entry)
      skips.delete(station)
    } else if (entry.kind === 'skip') skips.set(station, entry)
    else if (entry.kind === 'check') checks.set(station, entry)
  }

  const current = new Map<string, Reading>()
  const conflicts = new Map<string, readonly Reading[]>()
  for (const [station, all] of standingAt) {
    const heads = all.filter(({ id }) => !superseded.has(id))
    current.set(station, heads.at(-1) ?? all.at(-1)!)
    if (heads.length > 1) conflicts.set(station, heads)
  }
  const history = new Map<string, HistoryLine[]>()
  for (const [station, atStation] of lines)
    history.set(
      station,
      atStation.map((line) => ({ ...line, state: stateOf(line, current.get(station)) })),
    )
  for (const [station, away] of awayLines) history.set(station, [...(history.get(station) ?? []), ...away])
  return { current, conflicts, history, skips, checks, byId, takenBack, arrival: new Map(entries.map(({ id }, index) => [id, index])) }

  function stateOf({ entry, strike }: Omit<HistoryLine, 'state'>, counts: Reading | undefined): HistoryLine['state'] {
    if (takenBack.has(entry.id)) return 'takenBack'
    if (strike) return 'struck'
    if (entry.kind !== 'reading' || counts === undefined || counts.id === entry.id) return 'current'
    return superseded.has(entry.id) ? 'superseded' : 'conflicting'
  }
}

function append<Value>(into: Map<string, Value[]>, key: string, value: Value): void {
  const known = into.get(key)
  if (known) known.push(value)
  else into.set(key, [value])
}

/** Ids taken back: targets of undos that were not themselves undone. A circle cannot come in by the door; its members stand. */
function takenBackIds(entries: readonly Entry[]): ReadonlySet<string> {
  const undosOf = new Map<string, string[]>()
  for (const entry of entries) if (entry.kind === 'undo') append(undosOf, entry.target, entry.id)
  for (const undos of undosOf.values()) for (const id of undos) if (!undosOf.has(id)) undosOf.set(id, [])
  const takenBack = new Set<string>()
  for (const id of dependencyOrder(undosOf).ordered) {
    if (undosOf.get(id)!.some((undo) => !takenBack.has(undo))) takenBack.add(id)
  }
  return takenBack
}

/**
 * Ids of readings that a standing reading supersedes, also through one that no longer stands: struck out, a correction still
 * knew of what it corrected, so that of three in a row the last decides over the first.
 */
function supersededIds(entries: readonly Entry[], stands: (id: string) => boolean): ReadonlySet<string> {
  const earlier = new Map(entries.flatMap((entry) => (entry.kind === 'reading' ? [[entry.id, pointsAt(entry)] as const] : [])))
  const superseded = new Set<string>()
  const open = [...earlier.keys()].filter(stands)
  for (let id = open.pop(); id !== undefined; id = open.pop()) {
    for (const before of earlier.get(id) ?? []) {
      if (superseded.has(before)) continue
      superseded.add(before)
      open.push(before)
    }
  }
  return superseded
}

/** The last standing entry of one person at one bench, as `belongs` knows the bench: what that person's undo takes back. */
export function lastOf(
  entries: readonly Entry[],
  index: ReadingsIndex,
  by: string,
  belongs: (characteristic: string) => boolean,
): Entry | undefined {
  const characteristicOf = (entry: Entry): string | undefined =>
    'characteristic' in entry ? entry.characteristic : index.byId.get(entry.target)?.characteristic
  return entries.findLast(
    (entry) => entry.kind !== 'undo' && entry.by === by && !index.takenBack.has(entry.id) && belongs(characteristicOf(entry) ?? ''),
  )
}
