import type { Check, Entry, Note, Place, Reading, Skip, Strike } from './types'

/** Everything entered at the bench, arranged by station: what counts now, and all that ever happened there. */
export interface ReadingsIndex {
  /** The reading that counts at a station: the latest that is neither struck out nor taken back. */
  readonly current: ReadonlyMap<string, Reading>
  /** Everything at a station, oldest first. */
  readonly history: ReadonlyMap<string, readonly HistoryLine[]>
  readonly skips: ReadonlyMap<string, Skip>
  /** The last word on each check, by station name. */
  readonly checks: ReadonlyMap<string, Check>
  readonly byId: ReadonlyMap<string, Reading>
  /** The last entry still standing: what an undo takes back. */
  readonly last: Entry | undefined
}

export interface HistoryLine {
  readonly entry: Reading | Note | Skip | Check
  readonly state: 'current' | 'superseded' | 'struck' | 'takenBack'
  readonly strike?: Strike
}

/** Name of a place to measure: characteristic, then cylinder, main bearing, bank, spot and repeat where they apply. */
export function stationId(characteristic: string, place: Place): string {
  const { cylinder, main, bank, spot, repeat } = place
  return [characteristic, cylinder && `c${cylinder}`, main && `m${main}`, bank, spot, repeat && `r${repeat}`].filter(Boolean).join('/')
}

/**
 * Arranges entries by station. Entries count in the order of their ids (UUID v7: the order in which they were made),
 * whatever the order in which they arrived. An undo makes its target as if it had not been; undoing an undo brings it back.
 */
export function indexEntries(entries: readonly Entry[]): ReadingsIndex {
  const ordered = [...entries].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0))
  const undone = undoneIds(ordered)
  const strikes = new Map<string, Strike>()
  for (const entry of ordered) if (entry.kind === 'strike' && !undone.has(entry.id)) strikes.set(entry.target, entry)

  const current = new Map<string, Reading>()
  const skips = new Map<string, Skip>()
  const checks = new Map<string, Check>()
  const byId = new Map<string, Reading>()
  const lines = new Map<string, { entry: Reading | Note | Skip | Check; strike?: Strike }[]>()
  let last: Entry | undefined
  for (const entry of ordered) {
    if (entry.kind !== 'undo' && !undone.has(entry.id)) last = entry
    if (entry.kind === 'strike' || entry.kind === 'undo') continue
    const station = stationId(entry.characteristic, entry.place)
    const strike = strikes.get(entry.id)
    const atStation = lines.get(station) ?? []
    atStation.push({ entry: entry as Reading | Note | Skip | Check, strike })
    lines.set(station, atStation)
    const stands = !undone.has(entry.id) && strike === undefined
    if (entry.kind === 'reading') {
      byId.set(entry.id, entry as Reading)
      if (stands) current.set(station, entry as Reading)
      if (stands) skips.delete(station)
    } else if (entry.kind === 'skip' && stands) skips.set(station, entry)
    else if (entry.kind === 'check' && stands) checks.set(station, entry)
  }
  const history = new Map([...lines].map(([station, atStation]) => [
    station, atStation.map(({ entry, strike }): HistoryLine => ({ entry, strike, state: stateOf(entry, strike) })),
  ]))
  return { current, history, skips, checks, byId, last }

  function stateOf(entry: Reading | Note | Skip | Check, strike: Strike | undefined): HistoryLine['state'] {
    if (undone.has(entry.id)) return 'takenBack'
    if (strike) return 'struck'
    const standing = current.get(stationId(entry.characteristic, entry.place))
    return entry.kind === 'reading' && standing !== undefined && standing.id !== entry.id ? 'superseded' : 'current'
  }
}

/** Ids taken back. Later undos are settled first, so that an undo that was itself undone counts for nothing. */
function undoneIds(ordered: readonly Entry[]): Set<string> {
  const undone = new Set<string>()
  for (const entry of ordered.toReversed()) {
    if (entry.kind === 'undo' && !undone.has(entry.id)) undone.add(entry.target)
  }
  return undone
}
