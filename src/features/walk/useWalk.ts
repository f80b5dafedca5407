'use client'
import { millisecondsInDay } from 'date-fns/constants'
import { useCallback, useEffect, useMemo } from 'react'
import { v7 as uuidV7 } from 'uuid'
import type { ChangeEntry, StepEntry } from '@/core/document'
import type { ChangeId } from '@/core/document/walkStages'
import type { WalkStep } from '@/core/walk'
import { useRefresh } from '@/ui/useRefresh'
import { useEntries } from '@/features/entries/useEntries'
import { serverNow, serverStamp } from '@/features/entries/serverTime'
import { useNews } from '@/features/entries/useNews'
import type { ServedWalk } from './servedWalk'

export type StepAct = Pick<StepEntry, 'did'> & Partial<Pick<StepEntry, 'reason' | 'answer' | 'part' | 'text' | 'second'>>

/**
 * The walk as this device knows it: what the server worked out, with what was done here since shown at once. What follows from that, holds
 * and all, is the server's to say once it has it.
 */
export function useWalk(served: ServedWalk) {
  const refresh = useRefresh()
  const entries = useEntries(served.id, served.entries, served)
  const { added, unsent, add } = entries
  // A reading at a bench, a pull or a choice moves the walk too; what was done here comes back the same way once it is stored.
  useNews(served.id, { onEntries: refresh, onRevision: (latest) => latest > served.revision && refresh() })
  useWhenDue(served.clocks, refresh)
  const steps = useMemo(() => freed(served.walk.steps.map((step) => shownAt(step, added))), [served.walk.steps, added])
  const say = useCallback(
    (by: string, step: string, said: StepAct) => add({ kind: 'step', id: uuidV7(), at: serverStamp(), by, step, ...said }),
    [add],
  )
  const change = useCallback(
    (by: string, what: ChangeId, text: string) => add({ kind: 'change', id: uuidV7(), at: serverStamp(), by, what, text }),
    [add],
  )
  /** What this person did last on the walk. */
  const last = useCallback(
    (by: string) => {
      const taken = new Set([...served.entries, ...added].flatMap((entry) => (entry.kind === 'undo' ? [entry.target] : [])))
      return [...served.entries, ...added].findLast(
        (entry): entry is StepEntry | ChangeEntry =>
          (entry.kind === 'step' || entry.kind === 'change') && entry.by === by && !taken.has(entry.id),
      )
    },
    [added, served.entries],
  )
  const takeBack = useCallback(
    (by: string, entry: StepEntry | ChangeEntry) => add({ kind: 'undo', id: uuidV7(), at: serverStamp(), by, target: entry.id }),
    [add],
  )
  return { steps, say, change, last, takeBack, unsent: unsent.size, trouble: entries.trouble, refused: entries.refused }
}

/** A clock that runs out frees what waited for it: the page asks again at that moment. */
function useWhenDue(clocks: ServedWalk['clocks'], then: () => void): void {
  useEffect(() => {
    const left = clocks.map(({ dueAt }) => Date.parse(dueAt) - serverNow()).filter((ms) => ms > 0)
    if (left.length === 0) return
    // A timer set for longer than weeks goes off at once.
    const timer = setTimeout(then, Math.min(...left, millisecondsInDay) + JUST_AFTER_MS)
    return () => clearTimeout(timer)
  }, [clocks, then])
}
const JUST_AFTER_MS = 250

/** Steps that waited for no more than what is done here wait no longer; a hold is the server's to lift. */
function freed(steps: readonly WalkStep[]): readonly WalkStep[] {
  const done = new Set(steps.flatMap(({ id, standing }) => (standing === 'done' || standing === 'leftOut' ? [id] : [])))
  return steps.map((step) => {
    if (step.standing !== 'held') return step
    const waits = step.waits.filter((wait) => !('step' in wait) || !done.has(wait.step))
    return { ...step, waits, standing: waits.length > 0 ? 'held' : 'open' }
  })
}

/** A step with what this device did to it since: done or left out at once; what it waits for is the server's to say. */
function shownAt(step: WalkStep, added: ReturnType<typeof useEntries>['added']): WalkStep {
  const own = added.flatMap((entry) => (entry.kind === 'step' && entry.step === step.id ? [entry] : []))
  const last = own.at(-1)
  if (!last) return step
  const { by, at, second, answer, reason, text } = last
  const signOff = { by, at, ...(second && { second }), ...(answer && { answer }), ...(reason && { reason }), ...(text && { text }) }
  switch (last.did) {
    case 'done':
    case 'confirmed':
      return { ...step, standing: 'done', signOff, waits: [], stale: [] }
    case 'leftOut':
      return { ...step, standing: 'leftOut', signOff }
    case 'waived':
      return { ...step, standing: 'open', waived: signOff }
    default:
      return step
  }
}
