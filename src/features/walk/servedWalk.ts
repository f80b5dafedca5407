import type { Build, Entry, Spec } from '@/core/document'
import type { PhotoCard } from '@/core/files'
import { openRuns, type OpenRun } from '@/core/joints'
import { walkOf, type Walk } from '@/core/walk'
import { endOfId, type ServerCopy } from '@/features/entries/servedBuild'
import { servedClocks, type ServedClock } from '@/shop/servedClocks'

/** The walk of a build as its page is sent it: worked out on the server, where every bench is at hand. */
export interface ServedWalk extends ServerCopy {
  readonly id: string
  readonly spec: Spec
  readonly revision: number
  readonly walk: Walk
  /** What was done to steps, and changed, as stored. */
  readonly entries: readonly Entry[]
  readonly openRuns: readonly OpenRun[]
  readonly clocks: readonly ServedClock[]
  /** Pictures of steps, oldest first. */
  readonly photos: readonly PhotoCard[]
}

export function serveWalk(
  build: Build,
  { revision, lastSeq, photos }: Pick<ServedWalk, 'revision' | 'lastSeq' | 'photos'>,
  nowMs: number,
): ServedWalk {
  const { id, spec, entries } = build
  const walk = walkOf(build, nowMs)
  const isOfWalk = ({ kind }: Entry) => kind === 'step' || kind === 'change' || kind === 'undo'
  return {
    id,
    spec,
    revision,
    walk,
    entries: entries.filter(isOfWalk),
    openRuns: openRuns(spec, entries),
    clocks: servedClocks(build, walk),
    alsoStored: entries.flatMap((entry) => (isOfWalk(entry) ? [] : [endOfId(entry.id)])).join(''),
    lastSeq,
    photos,
  }
}
