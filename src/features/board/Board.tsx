'use client'
import Link from 'next/link'
import styled from 'styled-components'
import { LinkButton } from '@/ui/Button'
import { EngineDrawing } from '@/ui/EngineDrawing'
import { numerals, PHONE } from '@/ui/GlobalStyle'
import { Lead, Main, Row, Title, TopBar } from '@/ui/Page'
import { VerdictMark } from '@/ui/VerdictMark'
import type { BuildSummary } from './summary'

const List = styled.ul`display: grid; border-top: 1px solid var(--edge);`
const Job = styled.li`
  display: grid; grid-template-columns: 220px minmax(0, 1.1fr) minmax(0, 1.2fr) 132px; gap: 24px; align-items: center; padding: 14px 0; border-bottom: 1px solid var(--hairline);
  ${PHONE} { grid-template-columns: 96px minmax(0, 1fr); gap: 10px 14px; > :nth-child(n + 3) { grid-column: 1 / -1; } }
`
const Name = styled.div`
  a { font-size: 20px; font-weight: 700; color: var(--ink); text-decoration: none; &:hover { text-decoration: underline; } } p { color: var(--quiet); }
`
const Counts = styled.ul`
  display: flex; flex-wrap: wrap; gap: 4px 14px; margin-top: 6px; li { display: inline-flex; gap: 5px; align-items: center; font-size: 13px; } b { ${numerals} font-weight: 600; }
`
const Small = styled.div`height: 76px; ${PHONE} { height: 52px; }`
const Next = styled.div`font-size: 14px; small { display: block; color: var(--quiet); font-size: 13px; }`

const Worst = styled.p`display: flex; gap: 6px; align-items: center;`

export interface BoardBuild { readonly id: string; readonly summary: BuildSummary; readonly touchedAt: string }

/** The shop board: every engine on the go, how it stands, and what to do next to it. */
export function Board({ builds, total, page, pageSize }: { builds: readonly BoardBuild[]; total: number; page: number; pageSize: number }) {
  const pages = Math.ceil(total / pageSize)
  return (
    <>
      <TopBar trail={[{ href: '/', words: 'Board' }]}><Row as="nav" aria-label="Shop" style={{ gap: 16 }}><Link href="/sums">Quick sums</Link><Link href="/gauges">Gauge drawer</Link></Row></TopBar>
      <Main>
        <Row style={{ justifyContent: 'space-between' }}>
          <Title>{total === 0 ? 'No engine on the stand yet' : total === 1 ? 'One engine on the go' : `${total} engines on the go`}</Title>
          <LinkButton href="/new" kind="primary">New build</LinkButton>
        </Row>
        {total === 0 && <Lead>Start with an engine: a few questions about its layout, then straight to the first reading. Or open a build file somebody sent you.</Lead>}
        {total > 0 && <List>{builds.map((build) => <BuildRow key={build.id} build={build} />)}</List>}
        {pages > 1 && (
          <Row as="nav" aria-label="Pages of the board">
            {page > 1 && <Link href={`/?page=${page - 1}`}>Later work</Link>}
            <span>Page {page} of {pages}</span>
            {page < pages && <Link href={`/?page=${page + 1}`}>Earlier work</Link>}
          </Row>
        )}
      </Main>
    </>
  )
}

function BuildRow({ build: { id, summary } }: { build: BoardBuild }) {
  const { verdicts, next, worst } = summary
  return (
    <Job>
      <Small aria-hidden><EngineDrawing layout={summary.layout} boreMm={summary.boreMm} bare /></Small>
      <Name>
        <Link href={`/builds/${id}`}>{summary.name}</Link>
        <p>{summary.description}</p>
      </Name>
      <Next>
        {next && <><small>Next: {next.title.toLowerCase()}</small>{next.words}</>}
        {!next && !worst && <><small>All read</small>Print the book</>}
        {worst && !next && <small>All read; put right first</small>}
        {worst && <Worst><VerdictMark standing={worst.standing} silent />{worst.words}</Worst>}
        <Counts aria-label="Verdicts">
          {verdicts.out > 0 && <li><VerdictMark standing="over" silent /><b>{verdicts.out}</b> out</li>}
          {verdicts.inDoubt > 0 && <li><VerdictMark standing="inDoubt" silent /><b>{verdicts.inDoubt}</b> in doubt</li>}
          {verdicts.within > 0 && <li><VerdictMark standing="within" silent /><b>{verdicts.within}</b> within</li>}
          {verdicts.notMeasured > 0 && <li><VerdictMark standing="notMeasured" silent /><b>{verdicts.notMeasured}</b> not measured</li>}
        </Counts>
      </Next>
      <LinkButton href={`/builds/${id}/${(next ?? worst)?.bench ?? 'book'}`} prefetch={false}>{next ? 'To the bench' : worst ? 'Look at it' : 'To the book'}</LinkButton>
    </Job>
  )
}
