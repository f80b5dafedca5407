/** Clocks run on the server's time: a tablet an hour off would soak lifters for none, or for two. */
const KEPT = 'kalibros.serverTime'
/** What a request takes is no clock that is off. */
const LEAST_MS = 2000

let offsetMs: number | undefined

/** The server's time as this device last heard it; its own until it has. */
export function serverNow(): number {
  offsetMs ??= Number(localStorage.getItem(KEPT) ?? 0)
  return Date.now() + offsetMs
}

/** For an entry made now. */
export function serverStamp(): string {
  return new Date(serverNow()).toISOString()
}

/** Heard from the server in an answer that was asked for at `askedMs` of this device's own clock. */
export function hearServerTime(serverMs: number, askedMs: number): void {
  const off = Math.round(serverMs - (askedMs + Date.now()) / 2)
  offsetMs = Math.abs(off) < LEAST_MS ? 0 : off
  try {
    localStorage.setItem(KEPT, String(offsetMs))
  } catch {
    // A device too full to keep it hears it again with the next page.
  }
}
