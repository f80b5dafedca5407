'use client'
import Link from 'next/link'
import { memo } from 'react'
import styled from 'styled-components'
import type { Bench, Finding, Id, JudgedAdvice } from '@/core/bench/bench'
import type { Build, Place, UnitSystem } from '@/core/document'
import { caption } from '@/ui/GlobalStyle'
import type { SpecEdit } from '@/features/entries/useSpec'
import { AdviceList } from './AdviceList'
import type { BenchView, ToolProps } from './benchView'
import { Checks } from './Checks'
import { PlannedWork } from './PlannedWork'
import { useAdvice, type AdviceState } from './useAdvice'

const Advices = styled.section`
  contain: content;
  padding: 12px 16px 20px;
  background: var(--raised);
  display: grid;
  gap: 10px;
  align-content: start;
  > h2 {
    ${caption}
  }
`

const MemoAdvice = memo(AdviceList)

/** What can be done at a bench: work that is planned, ways to put it right, its tools, what is looked at. */
export function BenchAdvice({
  bench,
  build,
  now,
  findings,
  system,
  edit,
  isShown,
  Tools,
  onTake,
  onTable,
  onCheck,
}: {
  bench: Bench
  /** As it stood when the keys last paused; `now`: as it stands. */
  build: Build
  now: Build
  findings: readonly Finding[]
  system: UnitSystem
  edit: SpecEdit
  /** On a phone: only where it was asked for. */
  isShown: boolean
  Tools: BenchView['Tools']
  onTake: (one: JudgedAdvice) => void
  onTable: ToolProps['onTable']
  onCheck: (id: Id, place: Place, passed: boolean, text: string) => void
}) {
  const { definition } = bench
  const advice = useAdvice(bench.id, build)
  return (
    <Advices data-part="advice" data-shown={isShown || undefined}>
      {edit.spec.planned && <PlannedWork planned={edit.spec.planned} system={system} edit={edit} />}
      <h2>Ways to put it right</h2>
      {advice.state === 'known' && advice.advice.length > 0 ? (
        <MemoAdvice advice={advice.advice} definition={definition} system={system} caption="Ways to put it right" onTake={onTake} />
      ) : (
        <p>{emptyWords(findings, advice)}</p>
      )}
      <p>
        <Link href={`/builds/${build.id}/what-if`}>What if…</Link> turns any knob, over the whole engine.
      </p>
      <Tools build={build} system={system} edit={edit} onTake={onTake} onTable={onTable} />
      {definition.checks && <Checks bench={bench} build={now} onCheck={onCheck} />}
    </Advices>
  )
}

function emptyWords(findings: readonly Finding[], advice: AdviceState): string {
  if (advice.state === 'failed') return `The advice could not be worked out: ${advice.words}`
  const judged = findings.filter((finding) => finding.limit)
  if (judged.some((finding) => !finding.figure)) return 'Nothing to advise until every place is measured.'
  if (judged.length === 0) return 'No limits are set for this bench.'
  if (advice.state === 'working') return 'Working it out over every bench…'
  return judged.every(({ conformity }) => conformity?.verdict === 'within')
    ? 'Nothing to put right: everything is within its limits.'
    : 'No swap, part or cut to propose for what is out or in doubt: measure it again, or with a better gauge.'
}
