'use client'
import { startTransition, useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { Entry } from '@/core/build'
import { keep, keptEntries, letGo, RefusedByServer, sendEntries, type KeepResult, type KeptEntry } from './outbox'

export interface Entries {
  /** What this device holds beyond the server's copy, sent or not. */
  readonly added: readonly Entry[]
  /** Ids the server has not acknowledged. */
  readonly unsent: ReadonlySet<string>
  /** What the server said no to, in its words. */
  readonly refused: string | undefined
  /** Keeps an entry on the device and sends it. */
  readonly add: (entry: Entry) => KeepResult
}

/** A frame or two. */
const PAINT_FIRST_MS = 30

/**
 * The entries of a build as this device knows them: kept first, shown at once, sent until acknowledged, and let go only
 * when a fresh copy from the server holds them.
 */
export function useEntries(buildId: string, fromServer: readonly Entry[]): Entries {
  const [local, setLocal] = useState<readonly KeptEntry[]>([])
  const [refused, setRefused] = useState<string>()
  /** The same as `local`, at once: what is sent next may not wait for a rendering. */
  const held = useRef<readonly KeptEntry[]>([])
  const sending = useRef(false)
  const abort = useRef<AbortController>(undefined)

  const send = useCallback(async () => {
    if (sending.current) return
    sending.current = true
    abort.current = new AbortController()
    try {
      for (let waiting = unsentOf(held.current); waiting.length > 0; waiting = unsentOf(held.current)) {
        await sendEntries(buildId, waiting, abort.current.signal)
        const acknowledged = new Set(waiting.map(({ id }) => id))
        for (const entry of waiting) keep(buildId, { entry, sent: true })
        held.current = held.current.map((one) => (acknowledged.has(one.entry.id) ? { entry: one.entry, sent: true } : one))
        // An acknowledgement may wait for the frame that shows the reading itself.
        startTransition(() => {
          setLocal(held.current)
          setRefused(undefined)
        })
      }
    } catch (failure) {
      if (failure instanceof RefusedByServer) setRefused(failure.message)
    } finally {
      sending.current = false
    }
  }, [buildId])

  useEffect(() => {
    const known = new Set(fromServer.map((entry) => entry.id))
    const kept = keptEntries(buildId)
    letGo(buildId, kept.filter(({ entry }) => known.has(entry.id)).map(({ entry }) => entry.id))
    // What a full device could not keep is held by this page alone.
    const onlyHere = held.current.filter(({ entry }) => !kept.some((one) => one.entry.id === entry.id))
    held.current = [...kept, ...onlyHere].filter(({ entry }) => !known.has(entry.id))
    // What this device keeps is known only in the browser, after the server's first paint.
    // oxlint-disable-next-line react/set-state-in-effect
    setLocal(held.current)
    void send()
  }, [buildId, fromServer, send])

  useEffect(() => {
    const again = () => { abort.current?.abort(); sending.current = false; void send() }
    window.addEventListener('online', again)
    return () => { window.removeEventListener('online', again); abort.current?.abort(); sending.current = false }
  }, [send])

  const add = useCallback((entry: Entry) => {
    const result = keep(buildId, { entry, sent: false })
    held.current = [...held.current, { entry, sent: false }]
    setLocal(held.current)
    // It is safe on the device: the frame that shows it goes before the wire.
    setTimeout(() => void send(), PAINT_FIRST_MS)
    return result
  }, [buildId, send])

  // What is known and what is sent change at different times: the sums must not run again for an acknowledgement.
  const ids = local.map(({ entry }) => entry.id).join()
  const added = useMemo(() => {
    const known = new Set(fromServer.map((entry) => entry.id))
    return local.filter(({ entry }) => !known.has(entry.id)).map(({ entry }) => entry)
    // oxlint-disable-next-line react/exhaustive-deps
  }, [fromServer, ids])
  const unsent = useMemo(() => new Set(local.filter(({ sent }) => !sent).map(({ entry }) => entry.id)), [local])
  return { added, unsent, refused, add }
}

function unsentOf(held: readonly KeptEntry[]): readonly Entry[] {
  return held.filter(({ sent }) => !sent).map(({ entry }) => entry)
}
