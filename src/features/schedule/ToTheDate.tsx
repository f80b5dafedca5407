'use client'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { SideSection } from '@/ui/SideSection'
import { PlanDrawing } from './PlanDrawing'
import { causeWords, inHandWords, slipWords } from './planWords'
import type { ServedEnginePlan } from '@/shop/servedPlan'

interface Heard {
  readonly plan: ServedEnginePlan
  readonly now: string
}

/** How a build stands to its day, beside its walk; asked for once the page is there, and again when something was done. */
export function ToTheDate({ buildId, lastSeq }: { buildId: string; lastSeq: number }) {
  const [heard, setHeard] = useState<Heard>()
  useEffect(() => {
    const abort = new AbortController()
    fetch(`/api/builds/${buildId}/plan`, { signal: abort.signal })
      .then(async (response) => response.ok && setHeard((await response.json()) as Heard))
      // Without a server what was heard last stands.
      .catch(() => {})
    return () => abort.abort()
    // What was done since moves the plan.
    // oxlint-disable-next-line react/exhaustive-effect-dependencies
  }, [buildId, lastSeq])
  if (!heard) return null
  const { plan, now } = heard
  return (
    <SideSection aria-label="To the date">
      <h2>To the date</h2>
      <p>{inHandWords(plan)}</p>
      {plan.slip && <p>{slipWords(plan.slip)}</p>}
      {plan.slip && plan.slip.days > 0 && (
        <ul>
          {plan.slip.causes.slice(0, 2).map((cause) => (
            <li key={causeWords(cause)}>{causeWords(cause)}</li>
          ))}
        </ul>
      )}
      <PlanDrawing plan={plan} now={now} isNarrow />
      <p>
        <Link href="/schedule">The whole shop’s schedule</Link>
      </p>
    </SideSection>
  )
}
