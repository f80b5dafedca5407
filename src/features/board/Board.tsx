'use client'
import Link from 'next/link'
import styled from 'styled-components'
import { LinkButton } from '@/ui/Button'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Notice, Title, TopBar } from '@/ui/Page'
import { StillWorkedOut } from '@/ui/StillWorkedOut'
import { VerdictMark } from '@/ui/VerdictMark'
import { ClockList } from '../clocks/ClockList'
import { AwaitedLines, EventLine } from '@/ui/AwaitedLines'
import { OpenRuns } from '@/features/clocks/OpenRuns'
import type { BoardSummary, BuildSummary } from '@/shop/summary'
import { Row } from '@/ui/Layout'

const List = styled.ul`
  display: grid;
  border-top: 1px solid var(--edge);
`
const Job = styled.li`
  display: grid;
  grid-template-columns: 220px minmax(0, 1.1fr) minmax(0, 1.2fr) 132px;
  gap: 24px;
  align-items: center;
  padding: 14px 0;
  border-bottom: 1px solid var(--hairline);
  ${PHONE} {
    grid-template-columns: 96px minmax(0, 1fr);
    gap: 10px 14px;
    > :nth-child(n + 3) {
      grid-column: 1 / -1;
    }
  }
`
const Name = styled.div`
  a {
    font-size: 20px;
    font-weight: 700;
    color: var(--ink);
    text-decoration: none;
    &:hover {
      text-decoration: underline;
    }
  }
  p {
    color: var(--quiet);
  }
`
const Counts = styled.ul`
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin-top: 6px;
  li {
    display: inline-flex;
    gap: 5px;
    align-items: center;
    font-size: 13px;
  }
  b {
    ${numerals} font-weight: 600;
  }
`
const Small = styled.div`
  height: 76px;
  ${PHONE} {
    height: 52px;
  }
`
const Next = styled.div`
  font-size: 14px;
  small {
    display: block;
    color: var(--quiet);
    font-size: 13px;
  }
`

const Finder = styled.form`
  display: flex;
  flex-wrap: wrap;
  gap: 10px 16px;
  align-items: center;
  label {
    display: inline-flex;
    gap: 6px;
    align-items: center;
    font-size: 14px;
  }
  input,
  select,
  button {
    min-height: 40px;
    padding: 0 10px;
    border: 1px solid var(--edge);
    border-radius: 3px;
    background: var(--raised);
    color: var(--ink);
    font: inherit;
  }
  button {
    cursor: pointer;
  }
`
const Worst = styled.p`
  display: flex;
  gap: 6px;
  align-items: center;
`

/** `summary` undefined: this build cannot be read or worked out. */
export interface BoardBuild {
  readonly id: string
  readonly summary: BoardSummary | undefined
  readonly isOfOlderProgram?: true
  /** Its name, where it is not worked out yet. */
  readonly waiting?: string
  readonly touchedAt: string
}

export interface BoardQuery {
  readonly page: number
  readonly find: string
  readonly order: 'latest' | 'name' | 'oldest'
  readonly putAway: boolean
}

const ORDERS = [
  { value: 'latest', label: 'Latest work' },
  { value: 'name', label: 'Name' },
  { value: 'oldest', label: 'Oldest first' },
] as const

/** The shop board: every engine on the go, how it stands, and what to do next to it. */
export function Board({
  notice,
  builds,
  total,
  query,
  pageSize,
  today,
}: {
  /** What was found wrong with the database as it was opened. */
  notice: string | undefined
  builds: readonly BoardBuild[]
  total: number
  query: BoardQuery
  pageSize: number
  /** The shop's own day. */
  today: string
}) {
  return (
    <>
      <TopBar trail={[{ href: '/', words: 'Board' }]}>
        <Row as="nav" aria-label="Shop" $gap={16}>
          <Link href="/today">Today</Link>
          <Link href="/schedule">Schedule</Link>
          <Link href="/parts">Parts</Link>
          <Link href="/sums">Quick sums</Link>
          <Link href="/gauges">Gauge drawer</Link>
          <Link href="/bolts">Bolt ledger</Link>
          <a href="/api/clocks.ics" download>
            Clocks as a calendar
          </a>
        </Row>
      </TopBar>
      <Main>
        <Row $spread="apart">
          <Title>{titleWords(total, query)}</Title>
          <LinkButton href="/new" kind="primary">
            New build
          </LinkButton>
        </Row>
        {notice && (
          <Notice data-tone="bad" role="alert">
            {notice}
          </Notice>
        )}
        <FindForm query={query} />
        {total === 0 && query.find === '' && !query.putAway && <FirstEngine />}
        {builds.some(({ waiting }) => waiting !== undefined) && (
          <StillWorkedOut>Some engines are being worked out again after an update: they come by themselves.</StillWorkedOut>
        )}
        {total > 0 && (
          <List>
            {builds.map((build) => (
              <BuildRow key={build.id} build={build} today={today} />
            ))}
          </List>
        )}
        <Pages query={query} pages={Math.ceil(total / pageSize)} />
      </Main>
    </>
  )
}

/** A form the browser sends by itself: it works before any script is there. */
function FindForm({ query }: { query: BoardQuery }) {
  return (
    <Finder action="/" method="get" role="search" aria-label="Find a build">
      <label>
        Find <input type="search" name="find" defaultValue={query.find} placeholder="name or words" maxLength={80} />
      </label>
      <label>
        Order{' '}
        <select name="order" defaultValue={query.order}>
          {ORDERS.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </label>
      {query.putAway && <input type="hidden" name="away" value="1" />}
      <button type="submit">Show</button>
      <Link href={query.putAway ? '/' : '/?away=1'}>{query.putAway ? 'Back to the engines on the go' : 'Put away'}</Link>
    </Finder>
  )
}

function Pages({ query, pages }: { query: BoardQuery; pages: number }) {
  if (pages <= 1) return null
  return (
    <Row as="nav" aria-label="Pages of the board">
      {query.page > 1 && <Link href={pageHref(query, query.page - 1)}>Earlier page</Link>}
      <span>
        Page {query.page} of {pages}
      </span>
      {query.page < pages && <Link href={pageHref(query, query.page + 1)}>Next page</Link>}
    </Row>
  )
}

function titleWords(total: number, { find, putAway }: BoardQuery): string {
  if (find !== '') return total === 0 ? `Nothing with “${find}”` : `${total} with “${find}”`
  if (putAway) return total === 0 ? 'Nothing put away' : `${total} put away`
  if (total === 0) return 'No engine on the stand yet'
  return total === 1 ? 'One engine on the go' : `${total} engines on the go`
}

function pageHref({ find, order, putAway }: BoardQuery, page: number): string {
  const query = { page: String(page), ...(find && { find }), ...(order !== 'latest' && { order }), ...(putAway && { away: '1' }) }
  return `/?${new URLSearchParams(query)}`
}

/** One that is not worked out yet can be opened all the same. */
function WaitingRow({ id, name }: { id: string; name: string }) {
  return (
    <Job>
      <Small aria-hidden />
      <Name>
        <Link href={`/builds/${id}`}>{name}</Link>
        <p>being worked out</p>
      </Name>
    </Job>
  )
}

/** One build that cannot be read keeps its line, says so, and leaves the others alone. */
function BrokenRow({ id }: { id: string }) {
  return (
    <Job>
      <Small aria-hidden />
      <Name>
        <Link href={`/builds/${id}`}>A build that cannot be read</Link>
        <p>{id}</p>
      </Name>
      <Next>Something in it cannot be worked out. Everything stored in it is still there: take it as a file and look.</Next>
      <a href={`/api/builds/${id}/file`} download>
        Build file
      </a>
    </Job>
  )
}

/** Where to when all is read. */
function readWords(worst: BuildSummary['worst']): string {
  return worst ? 'Look at it' : 'To the book'
}

function BuildRow({ build: { id, summary, isOfOlderProgram, waiting }, today }: { build: BoardBuild; today: string }) {
  if (waiting !== undefined) return <WaitingRow id={id} name={waiting} />
  if (!summary) return <BrokenRow id={id} />
  const { verdicts, next, worst } = summary
  return (
    <Job>
      <Small aria-hidden>
        <EngineDrawing layout={summary.layout} boreMm={summary.boreMm} marks={summary.marks} bare />
      </Small>
      <Name>
        <Link href={`/builds/${id}`}>{summary.name}</Link>
        <p>
          {summary.description}
          {summary.copyOf && ` · copy of ${summary.copyOf}`}
          {isOfOlderProgram && ' · figures from before the update, being worked out again'}
        </p>
      </Name>
      <Next>
        {next && (
          <>
            <small>Next: {next.title.toLowerCase()}</small>
            {next.words}
          </>
        )}
        {!next && !worst && (
          <>
            <small>All read</small>Print the book
          </>
        )}
        {worst && !next && <small>All read; put right first</small>}
        {worst && (
          <Worst>
            <VerdictMark standing={worst.standing} silent />
            {worst.words}
          </Worst>
        )}
        <VerdictCounts verdicts={verdicts} />
        <WalkLine buildId={id} walk={summary.walk} />
        <AwaitedLines buildId={id} awaited={summary.awaited} today={today} />
        <EventLine event={summary.event} today={today} />
        <OpenRuns buildId={id} runs={summary.openRuns} />
        <ClockList buildId={id} clocks={summary.clocks} />
      </Next>
      <LinkButton href={`/builds/${id}/${(next ?? worst)?.bench ?? 'book'}`} prefetch={false}>
        {next ? 'To the bench' : readWords(worst)}
      </LinkButton>
    </Job>
  )
}

/** Where its walk is, in a line that leads there. */
function WalkLine({ buildId, walk: { done, of, next, stale, wantsSecond } }: { buildId: string; walk: BuildSummary['walk'] }) {
  return (
    <small>
      <Link href={`/builds/${buildId}/walk`} prefetch={false}>
        Walk, {done} of {of}
      </Link>
      {next && `: ${next}`}
      {wantsSecond && ' · wants a second person'}
      {stale > 0 && <b> · {stale === 1 ? 'one step' : `${stale} steps`} stale</b>}
    </small>
  )
}

const COUNTED = [
  { key: 'out', standing: 'over', words: 'out' },
  { key: 'inDoubt', standing: 'inDoubt', words: 'in doubt' },
  { key: 'within', standing: 'within', words: 'within' },
  { key: 'notMeasured', standing: 'notMeasured', words: 'not measured' },
] as const

function VerdictCounts({ verdicts }: Pick<BuildSummary, 'verdicts'>) {
  return (
    <Counts aria-label="Verdicts">
      {COUNTED.filter(({ key }) => verdicts[key] > 0).map(({ key, standing, words }) => (
        <li key={key}>
          <VerdictMark standing={standing} silent />
          <b>{verdicts[key]}</b> {words}
        </li>
      ))}
    </Counts>
  )
}

/** What a shop without any engine begins with. */
function FirstEngine() {
  return (
    <Lead>
      Start with an engine: a few questions about its layout, then straight to the first reading. Or open a build file somebody sent you.
    </Lead>
  )
}
