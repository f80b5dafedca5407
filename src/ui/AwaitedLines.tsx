import { differenceInCalendarDays, parseISO } from 'date-fns'
import Link from 'next/link'
import styled from 'styled-components'
import { daysLate } from '@/core/parts'
import type { AwaitedPart } from '@/core/walk'
import { lateWords, partWords } from '@/wording/parts'

const Late = styled.b`
  color: var(--out);
`

/** What an engine waits for that is not in its shop: machine shop and parts, the latest first. */
export function AwaitedLines({ buildId, awaited, today }: { buildId: string; awaited: readonly AwaitedPart[]; today: string }) {
  if (awaited.length === 0) return null
  return (
    <ul aria-label="Waits for">
      {awaited
        .toSorted((a, b) => daysLate(b, today) - daysLate(a, today))
        .slice(0, MOST_SHOWN)
        .map((part) => {
          const late = daysLate(part, today)
          return (
            <li key={part.id}>
              <Link href={`/builds/${buildId}/parts`} prefetch={false}>
                Waits for {partWords(part)}
              </Link>
              {late > 0 && <Late> {lateWords(late)}</Late>}
            </li>
          )
        })}
      {awaited.length > MOST_SHOWN && <li>and {awaited.length - MOST_SHOWN} more</li>}
    </ul>
  )
}
const MOST_SHOWN = 3

/** Days to what it must be ready for. */
export function EventLine({ event, today }: { event: { readonly words: string; readonly date: string } | undefined; today: string }) {
  if (!event) return null
  const days = differenceInCalendarDays(parseISO(event.date), parseISO(today))
  if (days < 0) return <Late>{`${event.words} was ${-days === 1 ? 'yesterday' : `${-days} days ago`}`}</Late>
  if (days === 0) return <b>{event.words} is today</b>
  return <small>{`${days === 1 ? '1 day' : `${days} days`} to ${event.words}, ${event.date}`}</small>
}
