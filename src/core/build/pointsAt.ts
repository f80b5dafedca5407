import { group } from 'd3-array'
import type { Entry } from './types'

/** The entries that an entry says something of: what a reading corrects or settles, what anything else is about. */
export function pointsAt(entry: Entry): readonly string[] {
  if (entry.kind === 'pull') return [...(entry.follows ? [entry.follows] : []), ...(entry.instead ?? [])]
  // What wanted a part, or saw a damage, points at nothing.
  if (entry.kind === 'part' || entry.kind === 'damage') {
    const begun = entry.kind === 'part' ? entry.part : entry.damage
    return begun === entry.id ? [] : [begun]
  }
  if (entry.kind !== 'reading') return 'target' in entry ? [entry.target] : []
  return [...(entry.supersedes ? [entry.supersedes] : []), ...(entry.settles ?? [])]
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
