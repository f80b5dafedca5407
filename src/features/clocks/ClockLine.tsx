import { clockWords } from './clockWords'
import type { ServedClock } from '@/shop/servedClocks'

/** How long it still runs, or what there is to do. */
export function ClockLine({ clock: { running, due, dueAt, late }, nowMs }: { clock: ServedClock; nowMs: number }) {
  const leftMs = Date.parse(dueAt) - nowMs
  if (leftMs > 0)
    return (
      <>
        <span>{running}</span> <time dateTime={dueAt}>{clockWords(leftMs)}</time>
      </>
    )
  return <span>{late && nowMs >= Date.parse(late.at) ? late.words : due}</span>
}
