'use client'
import { useMemo, useState } from 'react'
import type { Entry } from '@/core/document'
import { useRefresh } from '@/ui/useRefresh'
import { useNews, type NewsListener } from './useNews'
import { endOfId, endsOf, type ServerCopy } from './servedBuild'
import type { KeepResult, KeptEntry } from './outbox'
import { useOutbox } from './useOutbox'

export interface Entries {
  /** What this device holds beyond the server's copy, sent or not; nothing the server refused. */
  readonly added: readonly Entry[]
  /** Ids the server has never acknowledged. One it once had and lacks is sent again without a word. */
  readonly unsent: ReadonlySet<string>
  /** What the server said no to, each with its reason. */
  readonly refused: readonly KeptEntry[]
  /** Why nothing gets through at the moment, if so. */
  readonly trouble: string
  /** Keeps an entry on the device and sends it. */
  readonly add: (entry: Entry) => KeepResult
  /** Takes a refused entry off this device. */
  readonly drop: (entryId: string) => void
}

/**
 * The entries of a build as this device knows them: kept first, shown at once, sent until acknowledged one by one. A refused
 * one is shown with its reason and holds up no other.
 */
export function useEntries(buildId: string, fromServer: readonly Entry[], { alsoStored, lastSeq }: ServerCopy): Entries {
  const heard = useHeard(buildId, lastSeq)
  const { local, trouble, add, drop } = useOutbox(buildId, fromServer, alsoStored)
  // What is known and what is sent change at different times: the sums must not run again for an acknowledgement.
  const own = useMemo(() => {
    const stored = endsOf(alsoStored)
    // Stored and not on the page: it was measured again since, struck out or taken back, on this device or another.
    return local.filter(({ entry, state }) => state !== 'refused' && !(state === 'sent' && stored.has(endOfId(entry.id))))
  }, [alsoStored, local])
  const ids = own.map(({ entry }) => entry.id).join()
  const added = useMemo(() => {
    const served = new Set(fromServer.map(({ id }) => id))
    const mine = new Map(own.map(({ entry }) => [entry.id, entry]))
    // An entry of this device that comes back takes its place in the order of arrival and stays the same object: nothing is derived again.
    const arrived = heard.filter(({ id }) => !served.has(id)).map((entry) => mine.get(entry.id) ?? entry)
    const known = new Set([...served, ...arrived.map(({ id }) => id)])
    return [...arrived, ...[...mine.values()].filter(({ id }) => !known.has(id))]
    // oxlint-disable-next-line react/exhaustive-deps
  }, [fromServer, heard, ids])
  const unsent = useMemo(
    () => new Set(local.filter(({ state, sentAt }) => state === 'waiting' && sentAt === undefined).map(({ entry }) => entry.id)),
    [local],
  )
  const refused = useMemo(() => local.filter(({ state }) => state === 'refused'), [local])
  return { added, unsent, refused, trouble, add, drop }
}

/** What others entered since the page was served, in order of arrival; one's own among it once it is stored. */
function useHeard(buildId: string, lastSeq: number): readonly Entry[] {
  const refresh = useRefresh()
  const [heard, setHeard] = useState<readonly Entry[]>([])
  const news: NewsListener = {
    onEntries(entries) {
      setHeard((now) => [...now, ...entries.filter(({ id }) => !now.some((one) => one.id === id))])
      // What an earlier entry hid is not on this page: only the server can say what counts there now.
      if (entries.some((entry) => 'target' in entry)) refresh()
    },
  }
  useNews(buildId, news, lastSeq)
  return heard
}
