'use client'
import Link from 'next/link'
import type { Walk, WalkStep } from '@/core/walk'
import { TEMPORARY } from '@/core/walk/asked'
import type { OpenRun } from '@/core/joints'
import { Button } from '@/ui/Button'
import { SideSection } from '@/ui/SideSection'
import { ClockList } from '../clocks/ClockList'
import { ToTheDate } from '../schedule/ToTheDate'
import type { ServedClock } from '@/shop/servedClocks'
import { changedWords, stepTitle, temporaryWords } from '@/wording/walk'

/** What is stale, what was changed, what lies in the engine for a while, and which joints stand open. */
export function WalkSide({
  buildId,
  walk,
  steps,
  openRuns,
  clocks,
  lastSeq,
  onPick,
  onPart,
}: {
  buildId: string
  lastSeq: number
  walk: Walk
  steps: readonly WalkStep[]
  openRuns: readonly OpenRun[]
  clocks: readonly ServedClock[]
  onPick: (id: string) => void
  onPart: OnPart
}) {
  return (
    <>
      {clocks.length > 0 && (
        <SideSection aria-label="Clocks that run">
          <h2>Clocks</h2>
          <ClockList buildId={buildId} clocks={clocks} />
        </SideSection>
      )}
      <StaleBox stale={steps.filter(({ standing }) => standing === 'stale')} changes={walk.changes} onPick={onPick} />
      <TemporaryBox temporary={walk.temporary} onPart={onPart} />
      <ToTheDate buildId={buildId} lastSeq={lastSeq} />
      <SideSection aria-label="Joints left open">
        <h2>Joints left open</h2>
        {openRuns.length === 0 && <p>None.</p>}
        <ul>
          {openRuns.map(({ joint, name, done, steps: of }) => (
            <li key={joint}>
              <Link href={`/builds/${buildId}/joints/${joint}/run`}>
                {name}: {done} of {of} pulls
              </Link>
            </li>
          ))}
        </ul>
      </SideSection>
    </>
  )
}

type OnPart = (did: 'putIn' | 'takenOut', part: string) => void

function StaleBox({ stale, changes, onPick }: { stale: readonly WalkStep[]; changes: Walk['changes']; onPick: (id: string) => void }) {
  return (
    <SideSection aria-label="Stale">
      <h2>Stale</h2>
      {stale.length === 0 && <p>Nothing.</p>}
      <ul>
        {stale.map((step) => (
          <li key={step.id}>
            <Button size="small" kind="plain" onPress={() => onPick(step.id)}>
              {stepTitle(step)}
            </Button>
          </li>
        ))}
      </ul>
      {changes.length > 0 && <p>Changed: {changes.map(changedWords).join('; ')}.</p>}
    </SideSection>
  )
}

/** Light springs go in and out by steps of their own. */
const BY_HAND = TEMPORARY.filter((part) => part !== 'lightSprings')

function TemporaryBox({ temporary, onPart }: { temporary: readonly string[]; onPart: OnPart }) {
  return (
    <SideSection aria-label="In the engine for a while">
      <h2>In for a while</h2>
      {temporary.length === 0 && <p>Nothing that has to come out again.</p>}
      <ul>
        {temporary.map((part) => (
          <li key={part}>
            <b>{temporaryWords(part)}</b>{' '}
            <Button size="small" onPress={() => onPart('takenOut', part)}>
              Out again
            </Button>
          </li>
        ))}
      </ul>
      {BY_HAND.filter((part) => !temporary.includes(part)).map((part) => (
        <Button key={part} size="small" kind="plain" onPress={() => onPart('putIn', part)} aria-label={`${temporaryWords(part)} put in`}>
          {temporaryWords(part)}
        </Button>
      ))}
    </SideSection>
  )
}
