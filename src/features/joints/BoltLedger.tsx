'use client'
import Link from 'next/link'
import { useState } from 'react'
import styled from 'styled-components'
import { isFound, type LedgerLine } from '@/core/parts/ledger'
import type { UnitSystem } from '@/core/document'
import { Heads, Table } from '@/ui/Table'
import { useDevice } from '@/ui/device'
import { TextField } from '@/ui/fields'
import { useHydrated } from '@/ui/lazyPart'
import { Lead, Main, Notice, Title, TopBar } from '@/ui/Page'
import { StillWorkedOut } from '@/ui/StillWorkedOut'
import { VerdictMark } from '@/ui/VerdictMark'
import type { FoundBolts } from '@/shop/boltLedger'
import { differenceWords, RETIREMENT_WORDS } from '@/wording'

const Done = styled.span`
  color: var(--out);
  display: inline-flex;
  gap: 6px;
  align-items: center;
`
const GROWTH = { units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 2 } } as const

/** Until all are there, a bolt that is done with may not be named. */
export function BoltsStillWorkedOut({ builds }: { builds: number }) {
  return (
    <StillWorkedOut>
      The bolts of {builds === 1 ? 'one build' : `${builds} builds`} are still being worked out: one that is done with may not be named yet.
    </StillWorkedOut>
  )
}

/** Every bolt of the shop that is told apart from its like, over all the builds it was in. What is done with comes first. */
export function BoltLedger({ lines, total, find: asked, waiting }: FoundBolts) {
  const device = useDevice()
  const system = device.system ?? 'metric'
  const [find, setFind] = useState(asked)
  const shown = lines.filter((line) => isFound(line, find))
  return (
    <div data-ready={useHydrated() || undefined}>
      <TopBar trail={[{ href: '#', words: 'Bolt ledger' }]} />
      <Main>
        <Title>Bolt ledger</Title>
        <Lead>
          A bolt’s history outlives the build: how often it was tightened, how much longer it has become, whether it is done with. What
          tells bolts apart, and their marks, are entered with their joint.
        </Lead>
        {waiting > 0 && <BoltsStillWorkedOut builds={waiting} />}
        {/* Sent by the browser itself: what is not on this page is looked for by the server. */}
        <form action="/bolts" method="get" role="search">
          <TextField label="Find a mark, a thread, a build" name="find" value={find} onChange={setFind} type="search" />
        </form>
        {total > lines.length && (
          <p>
            {lines.length} of {total.toLocaleString('en')} bolts are on this page, what is done with first. Type what you look for and press
            Enter: all are looked through.
          </p>
        )}
        {shown.length === 0 ? (
          <Notice>{noneWords({ lines, total, find: asked })}</Notice>
        ) : (
          <Table scrolls="Bolts">
            <Heads of={['Mark', 'Thread', 'Cycles', 'Longer for good', 'State', 'Where']} />
            <tbody>
              {shown.map((line) => (
                <BoltLine key={`${line.mark}/${line.records[0]!.buildId}`} line={line} system={system} />
              ))}
            </tbody>
          </Table>
        )}
      </Main>
    </div>
  )
}

function noneWords({ lines, total, find }: Pick<FoundBolts, 'lines' | 'total' | 'find'>): string {
  if (lines.length === 0 && find === '') return 'No bolt is told apart yet: say how, on the page of its joint.'
  return total > lines.length ? 'None of that name on this page: Enter looks through all.' : 'None of that name.'
}

function BoltLine({ line: { mark, thread, cycles, growthMm, retired, records }, system }: { line: LedgerLine; system: UnitSystem }) {
  return (
    <tr>
      <th scope="row">{mark}</th>
      <td>{thread ?? 'not said'}</td>
      <td data-figure>{cycles}</td>
      <td data-figure>{growthMm === undefined ? 'not measured' : differenceWords(growthMm, GROWTH, system)}</td>
      <td>
        {retired.length > 0 ? (
          <Done>
            <VerdictMark standing="over" size={11} silent /> done with: {retired.map((why) => RETIREMENT_WORDS[why]).join(', ')}
          </Done>
        ) : (
          'in use'
        )}
      </td>
      <td>
        {records.map(({ buildId, build, joint, fastener }, index) => (
          <span key={`${buildId}/${joint}/${fastener}`}>
            {index > 0 && '; '}
            <Link href={`/builds/${buildId}`}>{build}</Link>, {joint.toLowerCase()} {fastener}
          </span>
        ))}
      </td>
    </tr>
  )
}
