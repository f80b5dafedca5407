/** When an entry was done, as far as the server that takes it in can believe the device that says so. */
import { pointsAt, type Entry } from '@/core/document'

export interface Arrived {
  readonly entry: Entry
  /** What the device said, where it cannot be. */
  readonly deviceAt?: string
}

/**
 * Entries in the order they arrive, each with a time no later than its arrival and no earlier than anything it points at: the clock
 * of a device may be days off, and clocks of the walk and of joints start from these times. What came offline keeps its own time,
 * as far as its chain bears it.
 * @param knownAt times of entries that are stored already, by id
 */
export function arrived(entries: readonly Entry[], receivedAt: string, knownAt: ReadonlyMap<string, string>): readonly Arrived[] {
  const times = new Map(knownAt)
  return entries.map((entry) => {
    const after = pointsAt(entry).flatMap((id) => times.get(id) ?? [])
    const at = earliest(receivedAt, latest(entry.at, ...after))
    times.set(entry.id, at)
    return at === entry.at ? { entry } : { entry: { ...entry, at }, deviceAt: entry.at }
  })
}

/** By what they mean: an instant may be written with an offset, and with or without its thousandths. */
function latest(...instants: readonly string[]): string {
  return instants.reduce((best, one) => (Date.parse(one) > Date.parse(best) ? one : best))
}

function earliest(...instants: readonly string[]): string {
  return instants.reduce((best, one) => (Date.parse(one) < Date.parse(best) ? one : best))
}
