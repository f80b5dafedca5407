/** No two pulls are made so soon one after the other: a second press is a pedal that bounced, or a nervous finger. */
const BOUNCE_MS = 400

let last = Number.NEGATIVE_INFINITY

/** Does what a pedal asks for, once a press: also where the first press has put another panel in its place. */
export function oncePressed(act: () => void): void {
  const now = performance.now()
  if (now - last < BOUNCE_MS) return
  last = now
  act()
}
