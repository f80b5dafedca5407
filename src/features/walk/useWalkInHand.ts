'use client'
import { useRouter } from 'next/navigation'
import { useEffect, useMemo, useState } from 'react'
import type { ChangeEntry, StepEntry } from '@/core/document'
import type { ChangeId } from '@/core/document/walkStages'
import type { WalkStep } from '@/core/walk'
import { mayMove, withOwnStep, withStepMoved } from '@/core/walk/edit'
import { useDevice } from '@/ui/device'
import { useRefresh } from '@/ui/useRefresh'
import { stepTitle } from '@/wording/walk'
import { INITIALS_WANTED } from '@/wording/initials'
import { useKeys } from '@/ui/useKeys'
import { useSpec } from '@/features/entries/useSpec'
import type { ServedWalk } from './servedWalk'
import { askForPicture } from '@/features/entries/photos/askForPicture'
import { usePhotos } from '@/features/entries/photos/usePhotos'
import type { Saying } from './StepPanel'
import { useWalk, type StepAct } from './useWalk'

/** Where a step is done that is not done here: at its bench, or by its joint's run. */
function placeOf(id: string, { source }: WalkStep): string | undefined {
  if (source.from === 'joint') return `/builds/${id}/joints/${source.joint}`
  if (source.from === 'checks') return `/builds/${id}/${source.bench}`
  return source.from === 'readings' ? `/builds/${id}/${source.characteristic.split('.')[0]!}` : undefined
}

const ACT_WORDS: Readonly<Record<StepAct['did'], string>> = {
  done: 'done',
  waived: 'waived, open now',
  leftOut: 'left out',
  confirmed: 'still true',
  putIn: 'noted',
  takenOut: 'noted',
}

/** Who did a step stays who did it: a second press finds it done. */
function doneWords(step: WalkStep, { by, at }: NonNullable<WalkStep['signOff']>): string {
  return `${stepTitle(step)} is done already, by ${by} on ${at.slice(0, 10)}. Done once more, with a note: n.`
}

/** What somebody did last, in words. */
function lastWords(last: StepEntry | ChangeEntry, steps: readonly WalkStep[]): string {
  if (last.kind === 'change') return `that ${last.text} was changed`
  const step = steps.find(({ id }) => id === last.step)
  return `“${step ? stepTitle(step) : last.step}: ${ACT_WORDS[last.did]}”`
}

/** The order of the walk and steps of one's own: revisions of the build. */
function useOrder(served: ServedWalk, steps: readonly WalkStep[], step: WalkStep | undefined, close: () => void) {
  const by = useDevice().initials
  const refresh = useRefresh()
  const edit = useSpec(served.id, served.spec, served.revision, by)
  const change = (words: string, apply: Parameters<typeof edit.change>[1]) =>
    void edit.change(words, apply).then((isStored) => isStored && refresh())
  return {
    edit,
    mayMove: (count: -1 | 1) => step !== undefined && mayMove(steps, step.id, count),
    shift: (count: -1 | 1) => {
      if (step && mayMove(steps, step.id, count))
        change(`${stepTitle(step)}: ${count < 0 ? 'earlier' : 'later'}`, (spec) => withStepMoved(spec, steps, step.id, count))
    },
    addOwn: (title: string, why: string) => {
      if (step) change(`step ${title}`, (spec) => withOwnStep(spec, step.stage, title, why))
      close()
    },
  }
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

/** What each key does; those that make no sense of a step are not there. */
function keysOf({
  standing,
  isHere,
  move,
  done,
  undo,
  ask,
  shift,
  photo,
}: {
  standing: WalkStep['standing'] | undefined
  isHere: boolean
  move: (by: number) => void
  done: () => void
  undo: () => void
  ask: (what: Saying) => () => void
  shift: (by: -1 | 1) => void
  photo: () => void
}): Readonly<Record<string, () => void>> {
  return {
    ArrowDown: () => move(1),
    ArrowUp: () => move(-1),
    Enter: done,
    z: undo,
    l: ask('leftOut'),
    e: () => shift(-1),
    t: () => shift(1),
    p: photo,
    ...(standing === 'held' && { w: ask('waived') }),
    ...(standing === 'stale' && { c: ask('confirmed') }),
    ...(standing !== 'held' && isHere && { n: ask('done') }),
  }
}

/** Pictures of the step in hand: asked for by a key, and taken. */
function useStepPhotos({ id, photos }: ServedWalk, step: WalkStep | undefined, by: string, say: (words: string) => void) {
  const { waiting, trouble, take } = usePhotos(id, photos)
  return {
    waiting,
    trouble,
    ask: () => {
      if (by === '') say(INITIALS_WANTED)
      else if (step) askForPicture((file) => void take(file, step.id, by))
    },
  }
}

/** Takes back the last act of this person on the walk: the first press says what it is, the second does it. */
function useTakingBack(walk: ReturnType<typeof useWalk>, by: string, say: (words: string) => void) {
  const [takesBack, setTakesBack] = useState<string>()
  const undo = () => {
    const last = walk.last(by)
    if (!last) return say('Nothing of yours to take back.')
    const words = lastWords(last, walk.steps)
    const isSaid = takesBack === last.id
    setTakesBack(isSaid ? undefined : last.id)
    if (isSaid) walk.takeBack(by, last)
    say(isSaid ? `Taken back: ${words}.` : `Take back ${words}? The same key once more does it.`)
  }
  return { undo, forget: () => setTakesBack(undefined) }
}

/** The walk with a step of it in hand: which it is, and all that can be done with it by a key. */
export function useWalkInHand(served: ServedWalk, startAt: string | undefined) {
  const by = useDevice().initials
  const router = useRouter()
  const walk = useWalk(served)
  const { step, numbers, pick, move } = useCurrent(walk.steps, walk.steps.some(({ id }) => id === startAt) ? startAt : served.walk.next)
  const [saying, setSaying] = useState<Saying>()
  const [open, setOpen] = useState<'change' | 'own'>()
  const [said, setSaid] = useState('')
  const order = useOrder(served, walk.steps, step, () => setOpen(undefined))
  const [place, standing] = [step && placeOf(served.id, step), step?.standing]
  const { undo, forget } = useTakingBack(walk, by, setSaid)
  const tell = (what: StepAct) => {
    forget()
    if (!step || by === '') return setSaid(INITIALS_WANTED)
    walk.say(by, step.id, what)
    setSaying(undefined)
    setSaid(`${stepTitle(step)}: ${ACT_WORDS[what.did]}.`)
    if (what.did === 'done' || what.did === 'leftOut' || what.did === 'confirmed') move(1)
  }
  const done = () => {
    if (!step) return
    if (standing === 'held') return setSaid(`${stepTitle(step)} is held.`)
    if (place) return router.push(place)
    if (standing === 'done' && step.signOff) return setSaid(doneWords(step, step.signOff))
    if (step.asks || step.needsSecond) setSaying('done')
    else tell({ did: 'done' })
  }
  const ask = (what: Saying) => () => setSaying(what)
  const change = (what: ChangeId, text: string) => {
    if (by !== '') walk.change(by, what, text)
    setOpen(undefined)
  }
  const photo = useStepPhotos(served, step, by, setSaid)
  useKeys(keysOf({ standing, isHere: !place, move, done, undo, ask, shift: order.shift, photo: photo.ask }))
  return {
    photo,
    walk,
    step,
    stage: step?.stage ?? ('job' as const),
    by,
    said,
    saying,
    open,
    isHere: place === undefined,
    titleOf: (id: string) => stepTitle(walk.steps.find((one) => one.id === id) ?? walk.steps[0]!),
    numberOf: (id: string) => numbers.get(id) ?? 0,
    pick,
    setSaying,
    setOpen,
    ...order,
    tell,
    done,
    ask,
    undo,
    change,
  }
}

export type WalkInHand = ReturnType<typeof useWalkInHand>
