'use client'
import Link from 'next/link'
import { OpenList } from './OpenRuns'
import { ClockLine } from './ClockLine'
import type { ServedClock } from '@/shop/servedClocks'
import { useNow } from './useNow'

/** What cures, soaks, rests and rusts at a build, each with how long it still does; run out, what there is to do. */
export function ClockList({ buildId, clocks }: { buildId: string; clocks: readonly ServedClock[] }) {
  const now = useNow()
  const shown =
    now === undefined ? [] : clocks.filter(({ isOfRun, isOverWhenDue, dueAt }) => !isOfRun && (!isOverWhenDue || now < Date.parse(dueAt)))
  if (now === undefined || shown.length === 0) return null
  return (
    <OpenList aria-label="Clocks">
      {shown.map((clock) => (
        <li key={clock.id}>
          <Link href={clock.href} prefetch={false}>
            <ClockLine clock={clock} nowMs={now} />
          </Link>
        </li>
      ))}
      <li>
        <a href={`/api/clocks.ics?build=${buildId}`} download>
          These clocks as a calendar
        </a>
      </li>
    </OpenList>
  )
}
