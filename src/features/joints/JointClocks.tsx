'use client'
import Link from 'next/link'
import { leftMs, type JointClock } from '@/core/joints'
import { clockWords } from './clockWords'
import { OpenList } from './OpenRuns'
import { useNow } from './useNow'

/** What cures and what rests, each with how long it still does; what has cured is over, what has rested waits to be done. */
export function JointClocks({ buildId, clocks }: { buildId: string; clocks: readonly JointClock[] }) {
  const now = useNow()
  // What sets is shown with the run that it belongs to.
  const shown =
    now === undefined ? [] : clocks.filter((clock) => clock.kind === 'rests' || (clock.kind === 'cures' && leftMs(clock, now) > 0))
  if (now === undefined || shown.length === 0) return null
  return (
    <OpenList aria-label="Clocks">
      {shown.map((clock) => (
        <li key={`${clock.kind}/${clock.joint}`}>
          <Line buildId={buildId} clock={clock} now={now} />
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

function Line({ buildId, clock, now }: { buildId: string; clock: JointClock; now: number }) {
  const left = leftMs(clock, now)
  const time = <time dateTime={clock.dueAt}>{clockWords(left)}</time>
  if (clock.kind === 'cures')
    return (
      <>
        {clock.name} cures for {time}: no oil, no water at {clock.jointName.toLowerCase()} before
      </>
    )
  return (
    <>
      <Link href={`/builds/${buildId}/joints/${clock.joint}/run?way=retorque`} prefetch={false}>
        {clock.jointName}
      </Link>{' '}
      {left > 0 ? <>rests for {time} before its re-torque</> : 'has rested: re-torque it'}
    </>
  )
}
