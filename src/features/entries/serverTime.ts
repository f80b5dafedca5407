/** Clocks run on the server's time: a tablet an hour off would soak lifters for none, or for two. */
const KEPT = 'kalibros.serverTime'
/** What a request takes is no clock that is off. */
const LEAST_MS = 2000
/** An answer that took longer, over a device's sleep perhaps, does not tell when it was given. */
const LONGEST_ANSWER_MS = 5000

/** Of a device that may keep nothing: heard again with the next page. */
let unkeptMs = 0

/** The server's time as this device last heard it; its own until it has. */
export function serverNow(): number {
  return Date.now() + (keptMs() ?? unkeptMs)
}

/** For an entry made now. */
export function serverStamp(): string {
  return new Date(serverNow()).toISOString()
}

/** Heard from the server in an answer that was asked for at `askedMs` of this device's own clock. */
export function hearServerTime(serverMs: number, askedMs: number): void {
  const heardMs = Date.now()
  if (heardMs < askedMs || heardMs - askedMs > LONGEST_ANSWER_MS) return
  const off = Math.round(serverMs - (askedMs + heardMs) / 2)
  const offMs = Math.abs(off) < LEAST_MS ? 0 : off
  try {
    localStorage.setItem(KEPT, String(offMs))
  } catch {
    unkeptMs = offMs
  }
}

/** By how much the server is ahead, where this device has kept it; whatever it has kept, an entry gets a time. */
function keptMs(): number | undefined {
  try {
    const kept = localStorage.getItem(KEPT)
    return kept !== null && Number.isFinite(Number(kept)) ? Number(kept) : undefined
  } catch {
    return undefined
  }
}
