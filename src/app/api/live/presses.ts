import 'server-only'
import { EventEmitter } from 'node:events'

/** A bench session that listens: who and where, for the words on other screens. */
interface Listener {
  readonly words: string
  connections: number
  lastSeenMs: number
}

interface Live {
  readonly news: EventEmitter
  readonly listeners: Map<string, Listener>
  readonly startedMs: number
}

const shared = globalThis as { kalibrosLive?: Live }

/** A session whose page has been gone this long has left its gauges. Longer than any reload, and than a dropped connection takes. */
const GONE_MS = 120_000

/** Kept on the global object: routes are loaded apart, the news is one. */
function live(): Live {
  shared.kalibrosLive ??= { news: new EventEmitter().setMaxListeners(0), listeners: new Map(), startedMs: Date.now() }
  return shared.kalibrosLive
}

/** Says that presses have come in, and that a gauge has changed hands. */
export function liveNews(): EventEmitter {
  return live().news
}

/** A session says that it will listen, and who and where it is: by a write, which no page of another site can make. */
export function beginListening(session: string, words: string): void {
  const { connections = 0 } = live().listeners.get(session) ?? {}
  live().listeners.set(session, { words, connections, lastSeenMs: Date.now() })
}

/** The words of a session that has begun to listen; undefined where none has. */
export function listenerWords(session: string): string | undefined {
  return live().listeners.get(session)?.words
}

export function connected(session: string): void {
  const known = live().listeners.get(session)
  if (!known) return
  known.connections++
  known.lastSeenMs = Date.now()
}

export function gone(session: string): void {
  const known = live().listeners.get(session)
  if (!known) return
  known.connections--
  known.lastSeenMs = Date.now()
}

/** The one session that listens now; undefined when none does, or several. */
export function onlyListener(): { readonly session: string; readonly words: string } | undefined {
  const connected = [...live().listeners].filter(([, { connections }]) => connections > 0)
  const [only] = connected
  return only && connected.length === 1 ? { session: only[0], words: only[1].words } : undefined
}

/** Whether a session may still come back for its presses. After a restart every session gets the same grace. */
export function isPresent(session: string): boolean {
  const known = live().listeners.get(session)
  if (known && known.connections > 0) return true
  return Date.now() - (known?.lastSeenMs ?? live().startedMs) < GONE_MS
}
