'use client'
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { useRouter } from 'next/navigation'
import type { Entry } from '@/core/build'
import { useNews, type NewsListener } from '../spec/useNews'
import { endOfId, endsOf, type ServerCopy } from './servedBuild'
import {
  drop as dropKept,
  isLongStored,
  keep,
  keptEntries,
  sendEntries,
  type Acknowledgement,
  type KeepResult,
  type KeptEntry,
} from './outbox'

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

/** A frame or two. */
const PAINT_FIRST_MS = 30

/**
 * The entries of a build as this device knows them: kept first, shown at once, sent until acknowledged one by one. A refused
 * one is shown with its reason and holds up no other.
 */
export function useEntries(buildId: string, fromServer: readonly Entry[], { alsoStored, lastSeq }: ServerCopy): Entries {
  const router = useRouter()
  const [local, setLocal] = useState<readonly KeptEntry[]>([])
  const [trouble, setTrouble] = useState('')
  /** The same as `local`, at once: what is sent next may not wait for a rendering. */
  const held = useRef<readonly KeptEntry[]>([])
  const sending = useRef(false)
  const abort = useRef<AbortController>(undefined)
  /** What others entered since the page was served, in order of arrival; one's own among it once it is stored. */
  const [heard, setHeard] = useState<readonly Entry[]>([])
  const news: NewsListener = {
    onEntries(entries) {
      setHeard((now) => [...now, ...entries.filter(({ id }) => !now.some((one) => one.id === id))])
      // What an earlier entry hid is not on this page: only the server can say what counts there now.
      if (entries.some((entry) => 'target' in entry)) router.refresh()
    },
  }
  useNews(buildId, news, lastSeq)

  const settle = useCallback(
    (answer: Acknowledgement) => {
      const now = Date.now()
      held.current = held.current.map((one): KeptEntry => {
        const settled = settledBy(answer, one, now)
        if (settled !== one) keep(buildId, settled)
        return settled
      })
    },
    [buildId],
  )

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    abort.current = new AbortController()
    try {
      for (let waiting = waitingOf(held.current); waiting.length > 0; waiting = waitingOf(held.current)) {
        settle(await sendEntries(buildId, waiting, abort.current.signal, setTrouble))
        // An acknowledgement may wait for the frame that shows the reading itself.
        startTransition(() => {
          setLocal(held.current)
          setTrouble('')
        })
      }
    } catch {
      // Stopped: the page is left, or the network is back and another send begins.
    } finally {
      sending.current = false
    }
  }, [buildId, settle])

  useEffect(() => {
    const known = new Set(fromServer.map((entry) => entry.id))
    const stored = endsOf(alsoStored)
    const now = Date.now()
    const kept = keptEntries(buildId).flatMap((one): KeptEntry[] => {
      const current = reconciled(one, known, stored, now)
      if (isLongStored(current, now)) {
        dropKept(buildId, one.entry.id)
        return []
      }
      if (current !== one) keep(buildId, current)
      return [current]
    })
    // What a full device could not keep is held by this page alone.
    const onlyHere = held.current.filter(({ entry }) => !kept.some((one) => one.entry.id === entry.id) && !known.has(entry.id))
    held.current = [...kept, ...onlyHere]
    // What this device keeps is known only in the browser, after the server's first paint.
    // oxlint-disable-next-line react/set-state-in-effect
    setLocal(held.current)
    void send()
  }, [alsoStored, buildId, fromServer, send])

  useEffect(() => {
    const again = () => {
      abort.current?.abort()
      sending.current = false
      void send()
    }
    window.addEventListener('online', again)
    return () => {
      window.removeEventListener('online', again)
      abort.current?.abort()
      sending.current = false
    }
  }, [send])

  const add = useCallback(
    (entry: Entry) => {
      const result = keep(buildId, { entry, state: 'waiting' })
      held.current = [...held.current, { entry, state: 'waiting' }]
      setLocal(held.current)
      // It is safe on the device: the frame that shows it goes before the wire.
      setTimeout(() => void send(), PAINT_FIRST_MS)
      return result
    },
    [buildId, send],
  )

  const drop = useCallback(
    (entryId: string) => {
      dropKept(buildId, entryId)
      held.current = held.current.filter(({ entry }) => entry.id !== entryId)
      setLocal(held.current)
    },
    [buildId],
  )

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
    // One's own that comes back stands where it arrived, and is the very entry that was entered: nothing is derived again for it.
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

/** A kept entry beside the server's own copy of the build: what the copy holds is stored, what it lacks and had is sent again. */
function reconciled(one: KeptEntry, known: ReadonlySet<string>, stored: ReadonlySet<string>, nowMs: number): KeptEntry {
  if (known.has(one.entry.id)) return one.state === 'sent' ? one : { entry: one.entry, state: 'sent', sentAt: nowMs }
  // Only of one the server has acknowledged is the end of its id enough: a waiting one is sent until it is named in full.
  if (one.state === 'sent' && stored.has(endOfId(one.entry.id))) return one
  if (one.state === 'waiting' || isLongStored(one, nowMs) || (one.state === 'refused' && !one.mayPass)) return one
  // A server put back from a backup, or one that lacked what a refused entry points at: both may take it now.
  return { entry: one.entry, state: 'waiting', ...(one.sentAt !== undefined && { sentAt: one.sentAt }) }
}

/** A kept entry after the server has answered: stored, refused with its reason, or not spoken of. */
function settledBy({ stored, refused }: Acknowledgement, one: KeptEntry, nowMs: number): KeptEntry {
  const { entry } = one
  if (stored.has(entry.id)) return { entry, state: 'sent', sentAt: nowMs }
  const refusal = refused.get(entry.id)
  return refusal ? { entry, state: 'refused', reason: refusal.error, ...(refusal.mayPass && { mayPass: true }) } : one
}

function waitingOf(held: readonly KeptEntry[]): readonly Entry[] {
  return held.filter(({ state }) => state === 'waiting').map(({ entry }) => entry)
}
