import { group } from 'd3-array'
import type { Entry } from './types'

/** By which of its fields an entry points at another. */
export type PointerName = 'target' | 'supersedes' | 'settles' | 'follows' | 'instead'

export interface Pointer {
  readonly name: PointerName
  readonly id: string
}

/** What of an entry decides whether another may point at it. */
export interface PointedAt {
  readonly kind: Entry['kind']
  /** The run, part or damage it belongs to; undefined for every other kind. */
  readonly subject: string | undefined
}

/** What an entry says something of: what a reading corrects or settles, what anything else is about. */
export function pointersOf(entry: Entry): readonly Pointer[] {
  switch (entry.kind) {
    case 'reading': {
      const settles = (entry.settles ?? []).map((id): Pointer => ({ name: 'settles', id }))
      return entry.supersedes ? [{ name: 'supersedes', id: entry.supersedes }, ...settles] : settles
    }
    case 'strike':
    case 'move':
    case 'undo':
      return [{ name: 'target', id: entry.target }]
    case 'pull': {
      const instead = (entry.instead ?? []).map((id): Pointer => ({ name: 'instead', id }))
      return entry.follows ? [{ name: 'follows', id: entry.follows }, ...instead] : instead
    }
    case 'part':
    case 'damage': {
      // What wanted a part, or saw a damage, points at nothing.
      const subject = subjectOf(entry)!
      return subject === entry.id ? [] : [{ name: 'follows', id: subject }]
    }
    default:
      return []
  }
}

/** The ids of `pointersOf`. */
export function pointsAt(entry: Entry): readonly string[] {
  return pointersOf(entry).map(({ id }) => id)
}

function subjectOf(entry: Entry): string | undefined {
  if (entry.kind === 'pull') return entry.run
  if (entry.kind === 'part') return entry.part
  return entry.kind === 'damage' ? entry.damage : undefined
}

export function asPointedAt(entry: Entry): PointedAt {
  return { kind: entry.kind, subject: subjectOf(entry) }
}

/**
 * What may point at what, by one rule at every door. Readings are corrected, struck and moved; anything but a pull can be undone (a
 * run is taken back step by step, by the run itself); a pull follows one of its own run, and what becomes of a part or a damage
 * belongs to the entry that began it.
 */
export function mayPointAt(entry: Entry, { name }: Pointer, at: PointedAt): boolean {
  if (name === 'follows' || name === 'instead') return at.kind === entry.kind && at.subject === subjectOf(entry)
  if (entry.kind === 'undo') return at.kind !== 'pull'
  return at.kind === 'reading'
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
      return at !== undefined && !mayPointAt(entry, pointer, asPointedAt(at))
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
