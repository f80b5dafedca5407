import pRetry from 'p-retry'
import type { Entry } from '@/core/build'

/**
 * Entries made on this device, kept under one key each until the server's own copy of the build holds them. Writing is
 * synchronous: an entry is on the device before the screen says so. A key an entry, so that two tabs never overwrite each other.
 */
export interface KeptEntry {
  readonly entry: Entry
  /** The server has acknowledged it. */
  readonly sent: boolean
}

export type KeepResult = 'kept' | 'deviceFull'

const keyOf = (buildId: string, entryId: string) => `kalibros.entry.${buildId}.${entryId}`

export function keep(buildId: string, kept: KeptEntry): KeepResult {
  try {
    localStorage.setItem(keyOf(buildId, kept.entry.id), JSON.stringify(kept))
    return 'kept'
  } catch {
    return 'deviceFull'
  }
}

export function keptEntries(buildId: string): readonly KeptEntry[] {
  const prefix = keyOf(buildId, '')
  return Object.keys(localStorage).filter((key) => key.startsWith(prefix))
    .flatMap((key) => parsed(localStorage.getItem(key)))
    .sort((a, b) => (a.entry.id < b.entry.id ? -1 : 1))
}

/** Lets go of entries the server's copy holds. */
export function letGo(buildId: string, entryIds: Iterable<string>): void {
  for (const id of entryIds) localStorage.removeItem(keyOf(buildId, id))
}

function parsed(text: string | null): KeptEntry[] {
  try {
    const kept = JSON.parse(text ?? '') as KeptEntry
    return kept.entry?.id ? [kept] : []
  } catch {
    return []
  }
}

/** The server understood and said no: sending again would not help. */
export class RefusedByServer extends Error {}

const MOST_WAIT_MS = 10_000

/** Sends entries until the server acknowledges them; waits longer between tries, up to ten seconds. Stops with `signal`. */
export function sendEntries(buildId: string, entries: readonly Entry[], signal: AbortSignal): Promise<void> {
  return pRetry(async () => {
    const response = await fetch(`/api/builds/${buildId}/entries`, {
      method: 'POST', headers: { 'content-type': 'application/json' }, body: JSON.stringify({ entries }), signal,
    })
    if (response.ok) return
    const { error } = (await response.json().catch(() => ({ error: response.statusText }))) as { error: string }
    if (response.status >= 400 && response.status < 500) throw new RefusedByServer(error)
    throw new Error(error)
  }, {
    retries: Number.POSITIVE_INFINITY, minTimeout: 500, maxTimeout: MOST_WAIT_MS, factor: 2, signal,
    // p-retry gives up on a TypeError that is not a network failure; every failure but a refusal is worth another try here.
    shouldRetry: ({ error }) => !(error instanceof RefusedByServer),
  })
}
