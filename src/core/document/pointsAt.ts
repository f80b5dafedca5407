import { group } from 'd3-array'
import { kindOf } from './entries/all'
import type { PointedAt, Pointer } from './entries/kind'
import type { Entry } from './types'

export type { PointedAt } from './entries/kind'

/** What an entry says something of: what a reading corrects or settles, what anything else is about. */
export function pointersOf(entry: Entry): readonly Pointer[] {
  return kindOf(entry).pointers(entry)
}

/** The ids of `pointersOf`. */
export function pointsAt(entry: Entry): readonly string[] {
  return pointersOf(entry).map(({ id }) => id)
}

export function asPointedAt(entry: Entry): PointedAt {
  const { subject, isTakenBackByUndo } = kindOf(entry)
  return { kind: entry.kind, subject: subject?.(entry), isTakenBackByUndo }
}

/** What may point at what, by one rule at every door, as each kind says it. */
export function mayPointAt(entry: Entry, at: PointedAt): boolean {
  return kindOf(entry).mayPointAt(entry, at)
}

/**
 * Entries that count, and those set aside: stored by a door that did not ask what they point at. They are kept and shown, and
 * nothing is worked out from them.
 */
export function setAsideIn(entries: readonly Entry[]): { readonly counted: readonly Entry[]; readonly setAside: readonly Entry[] } {
  const byId = new Map(entries.map((entry) => [entry.id, entry]))
  const pointsAtWrongKind = (entry: Entry) =>
    pointersOf(entry).some((pointer) => {
      const at = byId.get(pointer.id)
      return at !== undefined && !mayPointAt(entry, asPointedAt(at))
    })
  const setAside = entries.filter(pointsAtWrongKind)
  if (setAside.length === 0) return { counted: entries, setAside }
  const isAside = new Set(setAside)
  return { counted: entries.filter((entry) => !isAside.has(entry)), setAside }
}

export interface DependencyOrder {
  /** Every id after all that it depends on. */
  readonly ordered: readonly string[]
  /** Ids that depend on each other in a circle, or on such a circle. */
  readonly inCircle: ReadonlySet<string>
}

/**
 * Ids by what they depend on (A. B. Kahn, Topological sorting of large networks, 1962). Without recursion: twenty thousand
 * corrections of one place, each of the one before, are one long chain. Ids that are no key are taken as being there.
 */
export function dependencyOrder(dependsOn: ReadonlyMap<string, readonly string[]>): DependencyOrder {
  const pairs = [...dependsOn].flatMap(([id, all]) => all.filter((one) => dependsOn.has(one)).map((one) => ({ id, one })))
  const dependents = group(pairs, ({ one }) => one)
  const openCount = new Map([...dependsOn.keys()].map((id) => [id, 0]))
  for (const { id } of pairs) openCount.set(id, openCount.get(id)! + 1)
  const ordered = [...openCount].filter(([, count]) => count === 0).map(([id]) => id)
  // The list grows while it is walked: each id frees those that waited for it alone.
  for (const id of ordered) {
    for (const { id: dependent } of dependents.get(id) ?? []) {
      const left = openCount.get(dependent)! - 1
      openCount.set(dependent, left)
      if (left === 0) ordered.push(dependent)
    }
  }
  const isOrdered = new Set(ordered)
  return { ordered, inCircle: new Set([...dependsOn.keys()].filter((id) => !isOrdered.has(id))) }
}
