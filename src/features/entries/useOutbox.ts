'use client'
import { startTransition, useCallback, useEffect, useRef, useState } from 'react'
import type { Entry } from '@/core/document'
import { endOfId, endsOf, type ServerCopy } from './servedBuild'
import { drop as dropKept, isLongStored, keep, keptEntries, sendEntries, type Acknowledgement, type KeptEntry } from './outbox'

/** A frame or two. */
const PAINT_FIRST_MS = 30

/** What this device keeps of a build, as the page knows it: sent while the page is open, and again when the network is back. */
export function useOutbox(buildId: string, fromServer: readonly Entry[], alsoStored: ServerCopy['alsoStored']) {
  const [local, setLocal] = useState<readonly KeptEntry[]>([])
  const [trouble, setTrouble] = useState('')
  /** The same as `local`, at once: what is sent next may not wait for a rendering. */
  const held = useRef<readonly KeptEntry[]>([])
  const sending = useRef(false)
  const abort = useRef<AbortController>(undefined)
  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    abort.current = new AbortController()
    try {
      for (let waiting = waitingOf(held.current); waiting.length > 0; waiting = waitingOf(held.current)) {
        const answer = await sendEntries(buildId, waiting, abort.current.signal, setTrouble)
        held.current = settledWith(answer, held.current, buildId)
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
  }, [buildId])

  useEffect(() => {
    held.current = heldHere(buildId, held.current, fromServer, alsoStored)
    // What this device keeps is known only in the browser, after the server's first paint.
    // oxlint-disable-next-line react/set-state-in-effect
    setLocal(held.current)
    void send()
  }, [alsoStored, buildId, fromServer, send])

  const stop = useCallback(() => {
    abort.current?.abort()
    sending.current = false
  }, [])
  useWhenBack(send, stop)

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

  return { local, trouble, add, drop }
}

/** A send begins when the network is back, in place of one that hangs; none goes on when the page is left. */
function useWhenBack(send: () => Promise<void>, stop: () => void): void {
  useEffect(() => {
    const again = () => {
      stop()
      void send()
    }
    window.addEventListener('online', again)
    return () => {
      window.removeEventListener('online', again)
      stop()
    }
  }, [send, stop])
}

/** What the device keeps beside a new copy of the server's, and what a full device could not keep and this page alone holds. */
function heldHere(
  buildId: string,
  held: readonly KeptEntry[],
  fromServer: readonly Entry[],
  alsoStored: ServerCopy['alsoStored'],
): readonly KeptEntry[] {
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
  const onlyHere = held.filter(({ entry }) => !kept.some((one) => one.entry.id === entry.id) && !known.has(entry.id))
  return [...kept, ...onlyHere]
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

/** What is held after the server has answered, the device's own copies kept up with it. */
function settledWith(answer: Acknowledgement, held: readonly KeptEntry[], buildId: string): readonly KeptEntry[] {
  const now = Date.now()
  return held.map((one) => {
    const settled = settledBy(answer, one, now)
    if (settled !== one) keep(buildId, settled)
    return settled
  })
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
