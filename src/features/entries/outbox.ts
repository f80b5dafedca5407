import { millisecondsInDay } from 'date-fns/constants'
import pRetry from 'p-retry'
import { withPresentName, type Entry } from '@/core/document'

/**
 * Entries made on this device, one key each, so that two tabs never overwrite each other. Writing is synchronous: an entry is on
 * the device before the screen says so. One the server has stored stays here for a month: a server put back from a backup may
 * lack it, and is then sent it again.
 */
export interface KeptEntry {
  readonly entry: Entry
  readonly state: 'waiting' | 'sent' | 'refused'
  /** What the server refused it for, in its words. */
  readonly reason?: string
  /** What it pointed at may still come: it is tried again when the page is opened next. */
  readonly mayPass?: boolean
  /** When the server last said it had it, ms. */
  readonly sentAt?: number
}

export type KeepResult = 'kept' | 'deviceFull'

const PREFIX = 'kalibros.entry.'
const keyOf = (buildId: string, entryId: string) => `${PREFIX}${buildId}.${entryId}`
const KEEP_SENT_MS = 30 * millisecondsInDay

export function keep(buildId: string, kept: KeptEntry): KeepResult {
  const text = JSON.stringify(kept)
  const store = () => {
    try {
      localStorage.setItem(keyOf(buildId, kept.entry.id), text)
      return true
    } catch {
      return false
    }
  }
  if (store()) return 'kept'
  // What the server has makes room for what it has not, the oldest first.
  for (const { key } of allKept()
    .filter(({ kept: { state } }) => state === 'sent')
    .sort((a, b) => (a.kept.sentAt ?? 0) - (b.kept.sentAt ?? 0))) {
    localStorage.removeItem(key)
    if (store()) return 'kept'
  }
  return 'deviceFull'
}

/** The entries of a build this device holds, in the order of their making. */
export function keptEntries(buildId: string): readonly KeptEntry[] {
  return allKept()
    .filter(({ key }) => key.startsWith(keyOf(buildId, '')))
    .map(({ kept }) => kept)
    .sort((a, b) => (a.entry.id < b.entry.id ? -1 : 1))
}

/** Takes an entry off the device: dropped by a person, or long since stored. */
export function drop(buildId: string, entryId: string): void {
  localStorage.removeItem(keyOf(buildId, entryId))
}

/** Whether the server has had an entry for so long that no backup is older. */
export function isLongStored({ state, sentAt }: KeptEntry, nowMs: number): boolean {
  return state === 'sent' && nowMs - (sentAt ?? 0) > KEEP_SENT_MS
}

function allKept(): readonly { readonly key: string; readonly kept: KeptEntry }[] {
  return Object.keys(localStorage)
    .filter((key) => key.startsWith(PREFIX))
    .flatMap((key) => parsed(localStorage.getItem(key)).map((kept) => ({ key, kept })))
}

function parsed(text: string | null): KeptEntry[] {
  try {
    const kept = JSON.parse(text ?? '') as KeptEntry & { sent?: boolean }
    if (!kept.entry?.id) return []
    // An earlier program kept only whether an entry was sent.
    return [{ ...kept, entry: withPresentName(kept.entry), state: kept.state ?? (kept.sent ? 'sent' : 'waiting') }]
  } catch {
    return []
  }
}

/** What the server said of each entry it was sent. */
export interface Acknowledgement {
  readonly stored: ReadonlySet<string>
  readonly refused: ReadonlyMap<string, { readonly error: string; readonly mayPass?: boolean }>
}

/** Why a send counts for nothing, in words true of what came back. */
export class NotSent extends Error {}

const MOST_WAIT_MS = 10_000
const MOST_A_SEND = 500
/** A connection that died without a word would be waited on for minutes; the same entries sent again are the same entries. */
const GIVE_UP_MS = 15_000

/**
 * Sends entries until the server says of at least one what became of it; waits longer between tries, up to ten seconds. Only
 * our own JSON naming an id counts: a page to sign in, a portal, a redirect or any other 200 is "not sent". Stops with `signal`.
 */
export function sendEntries(
  buildId: string,
  entries: readonly Entry[],
  signal: AbortSignal,
  onTrouble: (words: string) => void,
): Promise<Acknowledgement> {
  const some = entries.slice(0, MOST_A_SEND)
  return pRetry(() => sendOnce(buildId, some, signal), {
    retries: Number.POSITIVE_INFINITY,
    minTimeout: 500,
    maxTimeout: MOST_WAIT_MS,
    factor: 2,
    signal,
    onFailedAttempt: ({ error }) => onTrouble(error instanceof NotSent ? error.message : 'the server does not answer'),
    // p-retry gives up on a TypeError that is not a network failure; every failure is worth another try here.
    shouldRetry: () => true,
  })
}

async function sendOnce(buildId: string, entries: readonly Entry[], signal: AbortSignal): Promise<Acknowledgement> {
  const response = await fetch(`/api/builds/${buildId}/entries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ entries }),
    signal: AbortSignal.any([signal, AbortSignal.timeout(GIVE_UP_MS)]),
    redirect: 'manual',
  })
  if (response.type === 'opaqueredirect' || response.redirected)
    throw new NotSent('something else answered: is a sign-in wanted? Open the board in another tab')
  const answer = (await response.json().catch(() => undefined)) as { stored?: unknown; refused?: unknown; error?: unknown } | undefined
  if (!response.ok) throw new NotSent(typeof answer?.error === 'string' ? answer.error : `the server failed (${response.status})`)
  const acknowledgement = acknowledgementOf(answer)
  if (!acknowledgement || !entries.some(({ id }) => acknowledgement.stored.has(id) || acknowledgement.refused.has(id))) {
    throw new NotSent('something else answered: is a sign-in wanted? Open the board in another tab')
  }
  return acknowledgement
}

function acknowledgementOf(answer: { stored?: unknown; refused?: unknown } | undefined): Acknowledgement | undefined {
  if (!Array.isArray(answer?.stored) || !Array.isArray(answer.refused)) return undefined
  const refused = answer.refused as { id: string; error: string; mayPass?: boolean }[]
  return { stored: new Set(answer.stored as string[]), refused: new Map(refused.map((one) => [one.id, one])) }
}
