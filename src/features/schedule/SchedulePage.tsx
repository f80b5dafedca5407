'use client'
import Link from 'next/link'
import styled from 'styled-components'
import { NARROW } from '@/ui/GlobalStyle'
import { useHydrated } from '@/ui/lazyPart'
import { Lead, Main, Notice, Section, SectionTitle, Title, TopBar } from '@/ui/Page'
import { AwaitedLines } from '@/ui/AwaitedLines'
import { MeansForm } from './MeansForm'
import { PlanDrawing } from './PlanDrawing'
import { causeWords, dayWords, inHandWords, slackWords, slipWords } from './planWords'
import type { PlanLine, ServedEnginePlan, ServedPlan } from '@/shop/servedPlan'
import { Row } from '@/ui/Layout'

const Engine = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 12px 28px;
  padding: 20px 0;
  border-top: 1px solid var(--edge);
  > header {
    grid-column: 1 / -1;
  }
  h2 {
    font-size: 20px;
  }
  h3 {
    font-size: 14px;
    color: var(--quiet);
    font-weight: 600;
    margin-top: 10px;
  }
  li {
    font-size: 14px;
    margin-bottom: 4px;
  }
  small {
    color: var(--quiet);
  }
  ${NARROW} {
    grid-template-columns: minmax(0, 1fr);
  }
`
const Late = styled.b`
  color: var(--out);
`

/** When each engine is ready: what has no slack, what slipped and why, and what can be done meanwhile. */
export function SchedulePage({ served }: { served: ServedPlan }) {
  const { engines, means, knownKinds, more, now } = served
  return (
    <div data-ready={useHydrated() || undefined}>
      <TopBar trail={[{ href: '#', words: 'Schedule' }]} />
      <Main>
        <Row $spread="apart">
          <Title>Schedule</Title>
          <a href="/api/schedule.ics" download>
            As a calendar
          </a>
        </Row>
        <Lead>
          From {dayWords(now)}, by a rule: people go to the higher priority first, then to the earlier day, then as each walk has it. It is
          a rule, not an optimum; slack, and what has none, are those of this plan. {recordWords(knownKinds)}{' '}
          <a href="#shop">{meansWords(means)}</a>.
        </Lead>
        {engines.length === 0 && <Notice>No engine is on the go.</Notice>}
        <div>
          {engines.map((plan) => (
            <EngineSection key={plan.id} plan={plan} served={served} />
          ))}
        </div>
        {more > 0 && <p>{more} more, not worked on lately, are not planned.</p>}
        <Section id="shop">
          <SectionTitle>The shop</SectionTitle>
          <MeansForm key={JSON.stringify(means)} means={means} />
        </Section>
      </Main>
    </div>
  )
}

/** Who and what it is planned with. */
function meansWords({ people, stands, hours }: ServedPlan['means']): string {
  const who = people === 1 ? '1 person' : `${people} people`
  const where = stands === 1 ? '1 stand' : `${stands} stands`
  return `${who}, ${where}, ${hours.days.length} days a week from ${hours.from} to ${hours.to}`
}

function recordWords(knownKinds: number): string {
  if (knownKinds === 0) return 'Steps take what is usual: this shop’s own record is too short yet.'
  const known = knownKinds === 1 ? 'One kind of step takes' : `${knownKinds} kinds of steps take`
  return `${known} what they took in this shop, the others what is usual.`
}

function EngineSection({ plan, served: { now, minutesADay } }: { plan: ServedEnginePlan; served: ServedPlan }) {
  const { id, name, slip, unpromised, critical, meanwhile, awaited, daysInHand } = plan
  const words = inHandWords(plan)
  return (
    <Engine aria-label={name}>
      <header>
        <h2>
          <Link href={`/builds/${id}/walk`} prefetch={false}>
            {name}
          </Link>
        </h2>
        <p>{daysInHand !== undefined && daysInHand < 0 ? <Late>{words}</Late> : words}</p>
      </header>
      <PlanDrawing plan={plan} now={now} />
      <div>
        {slip && (
          <>
            <p>{slip.days > 0 ? <Late>{slipWords(slip)}</Late> : slipWords(slip)}</p>
            {slip.days !== 0 && (
              <ul aria-label="Why">
                {slip.causes.slice(0, MOST_CAUSES).map((cause) => (
                  <li key={causeWords(cause)}>{causeWords(cause)}</li>
                ))}
              </ul>
            )}
          </>
        )}
        <AwaitedLines buildId={id} awaited={awaited} today={now.slice(0, 10)} />
        {unpromised.length > 0 && <p>Nobody has promised {unpromised.join(', ')}: taken for here tomorrow.</p>}
        <Lines id={id} title="No slack: later here is later at the end" lines={critical} words={({ from }) => dayWords(from)} />
        <Lines id={id} title="Can be done meanwhile" lines={meanwhile} words={({ slackMin }) => slackWords(slackMin, minutesADay)} />
      </div>
    </Engine>
  )
}
const MOST_CAUSES = 4

function Lines({ id, title, lines, words }: { id: string; title: string; lines: readonly PlanLine[]; words: (line: PlanLine) => string }) {
  if (lines.length === 0) return null
  return (
    <>
      <h3>{title}</h3>
      <ul aria-label={title}>
        {lines.map((line) => (
          <li key={line.id}>
            <Link href={`/builds/${id}/walk?at=${line.id}`} prefetch={false}>
              {line.title}
            </Link>{' '}
            <small>{words(line)}</small>
          </li>
        ))}
      </ul>
    </>
  )
}
