/** Presses of live gauges as the server sends them: one stream a tab, which goes on after the last press that landed. */
import type { GaugeLine } from '@/core/liveGauge'
import { ownSession } from '@/features/entries/ownSession'
import { send } from '@/features/entries/send'

/** A press of a live gauge on its way to a place. */
export interface LivePress extends Omit<GaugeLine, 'upper' | 'angleDeg'> {
  readonly id: string
  readonly seq: number
  readonly upper: number | null
  readonly angleDeg: number | null
}

/** Kept for the life of the tab, so that a reload goes on after the last press that landed, as the same bench session. */
const AFTER_KEY = 'kalibros.live.after'

/** Whether this tab was listening before a reload. */
export function isResumed(): boolean {
  return sessionStorage.getItem(AFTER_KEY) !== null
}

export function forgetPlace(): void {
  sessionStorage.removeItem(AFTER_KEY)
}

/** A press that stands at its place, or was refused, does not come again. */
export function landed({ seq }: LivePress): void {
  sessionStorage.setItem(AFTER_KEY, String(seq))
}

/** What the stream says. */
interface Heard {
  readonly connected: (isConnected: boolean) => void
  readonly press: (press: LivePress) => void
  /** A gauge was pressed that is at no bench. */
  readonly nobody: (name: string) => void
  /** A gauge is at this bench now. */
  readonly mine: (name: string) => void
  /** A gauge was taken over by another screen. */
  readonly lost: (name: string, by: string) => void
}

const AGAIN_MS = 1000
const MOST_WORDS = 80

/**
 * Listens until it is stopped. A connection that drops goes on where it was.
 * @param words says on other screens who and where this is
 */
export function listenToGauges(words: () => string, on: Heard): () => void {
  let source: EventSource | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  let heard = sessionStorage.getItem(AFTER_KEY)
  const acts: Readonly<Record<string, (data: string) => void>> = {
    since(data) {
      heard ??= data
      if (!isResumed()) sessionStorage.setItem(AFTER_KEY, heard)
    },
    message(data) {
      const press = JSON.parse(data) as LivePress
      heard = String(press.seq)
      on.press(press)
    },
    nobody(data) {
      const { name, seq } = JSON.parse(data) as LivePress
      heard = String(seq)
      on.nobody(name)
    },
    mine: (data) => on.mine((JSON.parse(data) as { name: string }).name),
    lost(data) {
      const { name, words: by } = JSON.parse(data) as { name: string; words: string }
      on.lost(name, by)
    },
  }
  let isStopped = false
  const connect = async () => {
    const begun = await send('/api/live/hold', { what: 'listen', session: ownSession(), words: words().slice(0, MOST_WORDS) })
    if (isStopped) return
    if (!begun.ok) {
      on.connected(false)
      timer = setTimeout(() => void connect(), AGAIN_MS)
      return
    }
    const query = new URLSearchParams({ session: ownSession(), ...(heard !== null && { after: heard }) })
    const opened = new EventSource(`/api/live?${query}`)
    source = opened
    opened.addEventListener('open', () => on.connected(true))
    for (const [name, act] of Object.entries(acts)) opened.addEventListener(name, (event) => act((event as MessageEvent<string>).data))
    opened.addEventListener('error', () => {
      on.connected(false)
      // A server that was started again knows no listeners: begin once more.
      if (opened.readyState === EventSource.CLOSED) timer = setTimeout(() => void connect(), AGAIN_MS)
    })
  }
  void connect()
  return () => {
    isStopped = true
    source?.close()
    clearTimeout(timer)
  }
}
