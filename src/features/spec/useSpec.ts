'use client'
import { useCallback, useMemo, useRef, useState } from 'react'
import type { Spec } from '@/core/build'
import { send } from '../send'

/**
 * The spec of a build under edit. Every change is a revision on the server, at once; an undo is the revision before, stored
 * again, so that nothing is lost by undoing either.
 */
export function useSpec(buildId: string, initial: Spec, initialRevision: number, by: string) {
  const [spec, setSpec] = useState(initial)
  const [trouble, setTrouble] = useState('')
  const [said, setSaid] = useState('')
  const revision = useRef(initialRevision)
  /** The revision an undo goes back from. */
  const [undoFrom, setUndoFrom] = useState(initialRevision)
  const latest = useRef(initial)
  const queue = useRef<Promise<unknown>>(Promise.resolve())

  const save = useCallback((next: Spec, reason: string) => {
    const task = queue.current.then(async () => {
      const answer = await send<{ revision: number }>(`/api/builds/${buildId}/spec`, { basedOn: revision.current, by: by || '—', reason: reason.slice(0, 200), spec: next })
      setTrouble(answer.ok ? '' : answer.error)
      if (!answer.ok) return false
      revision.current = answer.value.revision
      setSaid(reason)
      return true
    })
    queue.current = task
    return task
  }, [buildId, by])

  const change = useCallback(async (reason: string, edit: (spec: Spec) => Spec) => {
    const before = latest.current
    const next = edit(before)
    if (JSON.stringify(next) === JSON.stringify(before)) return
    latest.current = next
    setSpec(next)
    if (await save(next, reason)) setUndoFrom(revision.current)
    else { latest.current = before; setSpec(before) }
  }, [save])

  const undo = useCallback(async () => {
    const response = await fetch(`/api/builds/${buildId}/spec?revision=${undoFrom - 1}`).catch(() => undefined)
    if (!response?.ok) return setTrouble('There is nothing further back to go to.')
    const { spec: earlier } = (await response.json()) as { spec: Spec }
    latest.current = earlier
    setSpec(earlier)
    if (await save(earlier, 'undo')) setUndoFrom(undoFrom - 1)
  }, [buildId, save, undoFrom])

  return useMemo(() => ({ spec, change, undo, canUndo: undoFrom > 1, trouble, said }), [change, said, spec, trouble, undo, undoFrom])
}

export type SpecEdit = ReturnType<typeof useSpec>
