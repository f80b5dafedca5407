'use client'
import Link from 'next/link'
import styled from 'styled-components'
import { PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Title, TopBar } from '@/ui/Page'
import type { BuildSummary, StepLine } from '@/shop/summary'
import { ClockList } from '../clocks/ClockList'
import { AwaitedLines } from '@/ui/AwaitedLines'
import { OpenRuns } from '@/features/clocks/OpenRuns'

const Build = styled.section`
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  gap: 6px 24px;
  padding: 16px 0 20px;
  border-top: 1px solid var(--edge);
  break-inside: avoid;
  h2 {
    font-size: 20px;
    a {
      color: inherit;
      text-decoration: none;
    }
  }
  h3 {
    font-size: 14px;
    color: var(--quiet);
    font-weight: 600;
  }
  ${PHONE} {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Steps = styled.ul`
  li {
    display: grid;
    grid-template-columns: 24px minmax(0, 1fr);
    align-items: center;
    min-height: 30px;
  }
  li::before {
    content: '';
    width: 13px;
    height: 13px;
    border: 1.5px solid var(--quiet);
    border-radius: 2px;
  }
  small {
    margin-left: 8px;
    color: var(--quiet);
  }
`
const Parts = styled.div`
  display: grid;
  gap: 10px;
`

/** What of a build there is to say of a day. */
type OfToday = Pick<BuildSummary, 'name' | 'today' | 'openRuns' | 'clocks' | 'awaited'>

/** What can be done today, engine by engine, and what must not be forgotten before going home. */
export function TodayPage({
  builds,
  more,
  day,
}: {
  builds: readonly { readonly id: string; readonly summary: OfToday }[]
  more: number
  /** The shop's own day. */
  day: string
}) {
  const shown = builds.filter(({ summary }) => hasAny(summary))
  return (
    <>
      <TopBar trail={[{ href: '#', words: 'Today' }]} />
      <Main>
        <Title>Today</Title>
        <Lead>{leftWords(builds.map(({ summary }) => summary))}</Lead>
        <div>
          {shown.map(({ id, summary }) => (
            <BuildToday key={id} id={id} summary={summary} day={day} />
          ))}
        </div>
        {more > 0 && (
          <p>
            {more} more, not worked on lately, are on the <Link href="/">board</Link>.
          </p>
        )}
      </Main>
    </>
  )
}

/** To be asked after today: promised for today or before, or here and not checked, or not fitting. */
function isDue({ state, promised }: OfToday['awaited'][number], day: string): boolean {
  return state === 'arrived' || state === 'failed' || (promised !== undefined && promised <= day)
}

function hasAny({ today: { open, again, temporary }, openRuns, clocks, awaited }: OfToday): boolean {
  return [open, again, temporary, openRuns, clocks, awaited].some(({ length }) => length > 0)
}

/** What is left open, said first: a joint half torqued is forgotten overnight. */
function leftWords(builds: readonly OfToday[]): string {
  const open = builds.flatMap(({ name, openRuns }) => openRuns.map((run) => `${run.name} of ${name}`))
  if (open.length === 0) return 'No joint is left open.'
  const are = open.length === 1 ? 'A joint is' : `${open.length} joints are`
  return `${are} left open: ${open.join('; ')}. Finished, or tagged “torque not done”, before anybody goes home.`
}

function BuildToday({ id, summary: { name, today, openRuns, clocks, awaited }, day }: { id: string; summary: OfToday; day: string }) {
  return (
    <Build aria-label={name}>
      <h2>
        <Link href={`/builds/${id}/walk`} prefetch={false}>
          {name}
        </Link>
      </h2>
      <Parts>
        <ClockList buildId={id} clocks={clocks} />
        <OpenRuns buildId={id} runs={openRuns} />
        <StepLines id={id} title="To do" lines={today.open} />
        <StepLines id={id} title="Stale: again, or confirmed with a reason" lines={today.again} />
        <AwaitedLines buildId={id} awaited={awaited.filter((part) => isDue(part, day))} today={day} />
        {today.temporary.length > 0 && <p>In it for a while: {today.temporary.join(', ')}.</p>}
      </Parts>
    </Build>
  )
}

function StepLines({ id, title, lines }: { id: string; title: string; lines: readonly StepLine[] }) {
  if (lines.length === 0) return null
  return (
    <div>
      <h3>{title}</h3>
      <Steps aria-label={title}>
        {lines.map((line) => (
          <li key={line.id}>
            <span>
              <Link href={`/builds/${id}/walk?at=${line.id}`} prefetch={false}>
                {line.title}
              </Link>{' '}
              <small>{line.about}</small>
            </span>
          </li>
        ))}
      </Steps>
    </div>
  )
}
