'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import type { ChangeId, WalkStep } from '@/core/walk'
import { useDevice } from '@/ui/device'
import { stepTitle } from '@/wording/walk'
import { useKeys } from '../joints/useKeys'
import type { ServedWalk } from './servedWalk'
import type { Saying } from './StepPanel'
import { useWalk, type Said } from './useWalk'

/** Where a step is done that is not done here: at its bench, or by its joint's run. */
function placeOf(id: string, { source }: WalkStep): string | undefined {
  if (source.from === 'joint') return `/builds/${id}/joints/${source.joint}`
  if (source.from === 'checks') return `/builds/${id}/${source.bench}`
  return source.from === 'readings' ? `/builds/${id}/${source.characteristic.split('.')[0]!}` : undefined
}

const SAID_WORDS: Readonly<Record<Said['did'], string>> = {
  done: 'done',
  waived: 'waived, open now',
  leftOut: 'left out',
  confirmed: 'still true',
  putIn: 'noted',
  takenOut: 'noted',
}

/** Which step is in hand: kept in sight, moved on by so many. */
function useCurrent(steps: readonly WalkStep[], first: string | undefined) {
  const [current, setCurrent] = useState(first ?? steps[0]?.id)
  const numbers = useMemo(() => new Map(steps.map(({ id }, index) => [id, index + 1])), [steps])
  useEffect(() => {
    document.querySelector(`[data-step="${CSS.escape(current ?? '')}"]`)?.scrollIntoView({ block: 'nearest' })
  }, [current])
  const at = (now: string | undefined) => (numbers.get(now ?? '') ?? 1) - 1
  return {
    numbers,
    step: steps.find(({ id }) => id === current) ?? steps[0],
    pick: (id: string | undefined) => setCurrent(id),
    move: (by: number) => setCurrent((now) => steps[Math.max(0, Math.min(steps.length - 1, at(now) + by))]?.id),
  }
}

/** The walk with a step of it in hand: which it is, and all that can be done with it by a key. */
export function useWalkInHand(served: ServedWalk) {
  const by = useDevice().initials
  const router = useRouter()
  const walk = useWalk(served)
  const { step, numbers, pick, move } = useCurrent(walk.steps, served.walk.next)
  const [saying, setSaying] = useState<Saying>()
  const [isChanging, setChanging] = useState(false)
  const [said, setSaid] = useState('')
  const [place, standing] = [step && placeOf(served.id, step), step?.standing]
  const tell = (what: Said) => {
    if (!step || by === '') return setSaid('Nothing is put on record without initials.')
    walk.say(by, step.id, what)
    setSaying(undefined)
    setSaid(`${stepTitle(step)}: ${SAID_WORDS[what.did]}.`)
    if (what.did === 'done' || what.did === 'leftOut' || what.did === 'confirmed') move(1)
  }
  const done = () => {
    if (!step) return
    if (standing === 'held') return setSaid(`${stepTitle(step)} is held.`)
    if (place) return router.push(place)
    if (step.asks || step.needsSecond) setSaying('done')
    else tell({ did: 'done' })
  }
  const ask = (what: Saying) => () => setSaying(what)
  const undo = () => setSaid(walk.undo(by) ? 'Taken back.' : 'Nothing of yours to take back.')
  const change = (what: ChangeId, text: string) => {
    if (by !== '') walk.change(by, what, text)
    setChanging(false)
  }
  useKeys({
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    Enter: done,
    u: undo,
    l: ask('leftOut'),
    ...(standing === 'held' && { w: ask('waived') }),
    ...(standing === 'stale' && { c: ask('confirmed') }),
    ...(standing !== 'held' && !place && { n: ask('done') }),
  })
  return {
    walk,
    step,
    stage: step?.stage ?? ('job' as const),
    by,
    said,
    saying,
    isChanging,
    isHere: place === undefined,
    titleOf: (id: string) => stepTitle(walk.steps.find((one) => one.id === id) ?? walk.steps[0]!),
    numberOf: (id: string) => numbers.get(id) ?? 0,
    pick,
    setSaying,
    setChanging,
    tell,
    done,
    ask,
    undo,
    change,
  }
}

export type WalkInHand = ReturnType<typeof useWalkInHand>
