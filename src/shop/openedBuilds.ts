import 'server-only'
import { LRUCache } from 'lru-cache'
import { openBuild } from '@/core/benches'
import { withEntries, withSpec, type Build } from '@/core/document'
import { setAsideIn } from '@/core/document/pointsAt'
import type { StoredBuild } from '@/data/load'

interface Opened extends StoredBuild {
  readonly build: Build
}

/** As many as a shop works on at one time: each holds what was derived of it. */
const MOST_KEPT = 12
const kept = new LRUCache<string, Opened>({ max: MOST_KEPT })

/**
 * A stored build opened for work. What was derived of it for an earlier request is still there, as far as nothing it rests on has changed:
 * a whole V8 is worked out once, not for every page. Entries and cards of gauges are only ever added, so that what is stored is what
 * was opened and more of it.
 */
export function openStored(stored: StoredBuild): Build {
  const before = kept.get(stored.document.id)
  // Read before what came since was stored: a slow request does not take from the others what they have.
  if (before && isOlder(stored, before)) return openBuild(stored.document)
  const build = (before && grown(before, stored)) ?? openBuild(stored.document)
  kept.set(stored.document.id, { ...stored, build })
  return build
}

function isOlder({ document, revision }: StoredBuild, { document: { entries }, revision: latest }: Opened): boolean {
  return revision <= latest && document.entries.length < entries.length && isBeginning(document.entries, entries)
}

function isBeginning<Item extends { readonly id: string }>(some: readonly Item[], all: readonly Item[]): boolean {
  return some.length <= all.length && some.at(-1)?.id === all[some.length - 1]?.id
}

/** What was opened, with what has come since; undefined where it is not the beginning of what is stored. */
function grown(before: Opened, { document, revision }: StoredBuild): Build | undefined {
  const { entries, gauges } = before.document
  // What came since may be what an earlier entry points at, and of a kind that it may not.
  if (!isBeginning(entries, document.entries) || setAsideIn(document.entries).setAside.length > 0) return undefined
  if (gauges.length !== document.gauges.length || !isBeginning(gauges, document.gauges)) return undefined
  const added = document.entries.slice(entries.length)
  const build = added.length > 0 ? withEntries(before.build, added) : before.build
  return revision === before.revision ? build : withSpec(build, document.spec)
}
