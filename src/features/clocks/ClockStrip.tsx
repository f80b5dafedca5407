'use client'
import Link from 'next/link'
import { useEffect, useRef } from 'react'
import styled from 'styled-components'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import { ClockLine } from './ClockLine'
import { NotifyButton, notifyOf } from './notify'
import { useNow } from './useNow'
import type { ShopClock } from './useOpenClocks'

const Strip = styled.div`
  display: flex;
  align-items: center;
  gap: 8px;
  min-width: 0;
  /* What stands on the page comes first: the names give way, the time never. */
  max-width: min(46%, 620px);
  padding: 2px 10px;
  border-left: 3px solid var(--scribe);
  font-size: 14px;
  a {
    display: flex;
    gap: 0.3em;
    min-width: 0;
    white-space: nowrap;
    color: inherit;
    text-decoration: none;
  }
  a > span {
    min-width: 0;
    overflow: hidden;
    text-overflow: ellipsis;
  }
  a > [data-build] {
    flex: 0 2 auto;
  }
  a:hover {
    text-decoration: underline;
  }
  time {
    ${numerals} font-weight: 600;
    color: var(--scribe);
  }
  &[data-due] a:first-child {
    font-weight: 600;
  }
  ${PHONE} {
    order: 9;
    flex-basis: 100%;
    max-width: none;
  }
`

/** The clock nearest to its moment, before or after it, and how many more there are: what ran out days ago hides none that runs. */
export function ClockStrip({ clocks }: { clocks: readonly ShopClock[] }) {
  const now = useNow()
  const open = now === undefined ? [] : clocks.filter((clock) => !clock.isOverWhenDue || now < Date.parse(clock.dueAt))
  useNotified(open, now)
  if (now === undefined) return null
  const awayMs = ({ dueAt }: ShopClock) => Math.abs(Date.parse(dueAt) - now)
  const [first] = open.toSorted((a, b) => awayMs(a) - awayMs(b))
  if (!first) return null
  const isDue = now >= Date.parse(first.dueAt)
  return (
    <Strip data-due={isDue || undefined} role="group" aria-label="Clocks of the shop">
      <Link href={first.href} prefetch={false}>
        <ClockLine clock={first} nowMs={now} /> <span data-build>· {first.build}</span>
      </Link>
      {open.length > 1 && (
        <Link href="/" prefetch={false} aria-label={`${open.length - 1} more: to the board`}>
          +{open.length - 1}
        </Link>
      )}
      <NotifyButton />
    </Strip>
  )
}

/** Says each clock that runs out while the page is open, once. */
function useNotified(open: readonly ShopClock[], now: number | undefined): void {
  const running = useRef(new Set<string>())
  useEffect(() => {
    if (now === undefined) return
    for (const clock of open) {
      const isDue = now >= Date.parse(clock.dueAt)
      if (!isDue) running.current.add(clock.id)
      else if (running.current.delete(clock.id)) notifyOf(clock)
    }
  }, [open, now])
}
