'use client'
import { useCallback, useMemo, useRef, useState } from 'react'
import type { Spec } from '@/core/document'
import { send } from './send'
import { latestOf, specAt, type Stored } from './specAt'
import { useNews } from './useNews'

/** What a change moved: how many figures, and each verdict that became another. */
export interface Moved {
  readonly figures: number
  readonly verdicts: readonly string[]
}

interface Edit {
  readonly reason: string
  readonly apply: (spec: Spec) => Spec
}

/** A change that is not stored, and why; shown until the same change goes through or somebody has read it. */
interface Refused {
  readonly reason: string
  readonly why: string
}

/**
 * The spec of a build under edit. Every change is a revision on the server, one after the other; what is shown is what is stored
 * with the changes still on their way put on top, so that a refused one vanishes alone and leaves those behind it standing.
 * An undo is the revision before, stored again, so that nothing is lost by undoing either.
 */
export function useSpec(buildId: string, initial: Spec, initialRevision: number, by: string) {
  const edits = useRef<readonly Edit[]>([])
  const { queue, inFlight } = useSendQueue()
  const [spec, setSpec] = useState(initial)
  const { undoFrom, canUndo, undoNextFrom, othersSaved } = useUndo(initialRevision)
  const { stored, keep, takeOthers } = useStored(initial, initialRevision, othersSaved)
  const show = useCallback(() => setSpec(edits.current.reduce((now, { apply }) => apply(now), stored.current.spec)), [stored])

  const { saveOn, refuse, refused, said, moved, understood } = useSave(buildId, by, takeOthers)
  const save = useCallback(
    async (edit: Edit): Promise<boolean> => {
      const saved = await saveOn(stored.current, edit)
      if (saved) keep(saved)
      return saved !== undefined
    },
    [keep, saveOn, stored],
  )

  useOthers(
    buildId,
    (revision) => revision > stored.current.revision && inFlight.current === 0,
    (latest) => {
      takeOthers(latest)
      show()
    },
  )

  /** @returns whether the change is stored; one that changes nothing is. */
  const change = useCallback(
    (reason: string, apply: (spec: Spec) => Spec): Promise<boolean> => {
      const before = edits.current.reduce((now, edit) => edit.apply(now), stored.current.spec)
      if (JSON.stringify(apply(before)) === JSON.stringify(before)) return Promise.resolve(true)
      const edit = { reason, apply }
      edits.current = [...edits.current, edit]
      show()
      return queue(async () => {
        const isStored = await save(edit)
        edits.current = edits.current.filter((other) => other !== edit)
        show()
        if (isStored) undoNextFrom(stored.current.revision)
        return isStored
      })
    },
    [queue, save, show, stored, undoNextFrom],
  )

  const undo = useCallback(
    () =>
      queue(async () => {
        const earlier = await specAt(buildId, String(undoFrom.current - 1))
        if (!earlier) return refuse({ reason: UNDO, why: 'The revision before could not be fetched. Nothing was undone.' })
        if (!(await save({ reason: UNDO, apply: () => earlier.spec }))) return
        show()
        undoNextFrom(undoFrom.current - 1)
      }),
    [buildId, queue, refuse, save, show, undoFrom, undoNextFrom],
  )

  return useMemo(
    () => ({ spec, change, undo, canUndo, trouble: refused?.why ?? '', understood, said, moved }),
    [canUndo, change, moved, refused, said, spec, understood, undo],
  )
}

/** What the server is known to have, known at once to what is sent next. */
function useStored(spec: Spec, revision: number, othersSaved: (revision: number) => void) {
  const stored = useRef<Stored>({ spec, revision })
  const keep = useCallback((latest: Stored) => {
    stored.current = latest
  }, [])
  const takeOthers = useCallback(
    (latest: Stored) => {
      keep(latest)
      othersSaved(latest.revision)
    },
    [keep, othersSaved],
  )
  return { stored, keep, takeOthers }
}

/** Somebody else has saved: what they saved is shown at once, with one's own changes on top. */
function useOthers(buildId: string, isTheirs: (revision: number) => boolean, take: (latest: Stored) => void): void {
  useNews(buildId, {
    onRevision(revision) {
      if (!isTheirs(revision)) return
      void latestOf(buildId).then((latest) => {
        if (latest && isTheirs(revision)) take(latest)
      })
    },
  })
}

/** Stores one change after the other, and says what came of the last: what it moved, or why it was refused. */
function useSave(buildId: string, by: string, takeOthers: (latest: Stored) => void) {
  const [refused, refuse] = useState<Refused>()
  const [said, setSaid] = useState('')
  const [moved, setMoved] = useState<Moved>()
  const saveOn = useCallback(
    async (stored: Stored, edit: Edit): Promise<Stored | undefined> => {
      const saved = await saveOnTop(buildId, by, edit, stored, takeOthers)
      if ('why' in saved) {
        refuse({ reason: edit.reason, why: saved.why })
        return undefined
      }
      // A change that went through says nothing of another that did not: its refusal stays to be read.
      refuse((now) => (now?.reason === edit.reason ? undefined : now))
      setSaid(saved.isOnTop ? `${edit.reason}, on top of what somebody saved in between` : edit.reason)
      setMoved(saved.moved)
      return { spec: saved.spec, revision: saved.revision }
    },
    [buildId, by, takeOthers],
  )
  const understood = useCallback(() => refuse(undefined), [])
  return { saveOn, refuse, refused, said, moved, understood }
}

const UNDO = 'undo'
const STALE = 409
const MOST_TRIES = 3

interface Saved extends Stored {
  readonly moved: Moved
  /** Somebody saved in between. */
  readonly isOnTop: boolean
}

/** Stores one change on top of what is stored; where somebody saved in between, on top of theirs. */
async function saveOnTop(
  buildId: string,
  by: string,
  { reason, apply }: Edit,
  stored: Stored,
  takeOthers: (latest: Stored) => void,
): Promise<Saved | { readonly why: string }> {
  let base = stored
  for (let tries = 0; tries < MOST_TRIES; tries++) {
    const answer = await send<Stored & { moved: Moved }>(`/api/builds/${buildId}/spec`, {
      basedOn: base.revision,
      by: by || '—',
      reason: reason.slice(0, 200),
      spec: apply(base.spec),
    })
    if (answer.ok) return { ...answer.value, isOnTop: tries > 0 }
    const latest = answer.status === STALE ? await latestOf(buildId) : undefined
    if (!latest) return { why: `${answer.error} (${reason})` }
    takeOthers(latest)
    base = latest
  }
  return { why: `Others are saving this build just now. Nothing was overwritten: try again. (${reason})` }
}

/** Sends follow one another, undos among them, in the order they were asked for. */
function useSendQueue() {
  const lastSend = useRef<Promise<void>>(Promise.resolve())
  /** Own sends that are not answered yet: news of a revision meanwhile may be of one of them. */
  const inFlight = useRef(0)
  const queue = useCallback(<Result>(work: () => Promise<Result>): Promise<Result> => {
    inFlight.current++
    const done = lastSend.current.then(work).finally(() => inFlight.current--)
    // One that breaks off holds up none behind it.
    lastSend.current = done.then(
      () => undefined,
      () => undefined,
    )
    return done
  }, [])
  return { queue, inFlight }
}

/** Where an undo goes back from, and how far back there is to go. */
function useUndo(initialRevision: number) {
  /** Known at once to the next press, and to the screen when it is drawn again. */
  const undoFrom = useRef(initialRevision)
  const [canUndo, setCanUndo] = useState(initialRevision > 1)
  /** The last revision that somebody else saved meanwhile: an undo goes back to it and no further. */
  const undoneTo = useRef(1)
  const undoNextFrom = useCallback((revision: number) => {
    undoFrom.current = revision
    setCanUndo(revision > undoneTo.current)
  }, [])
  const othersSaved = useCallback(
    (revision: number) => {
      undoneTo.current = revision
      undoNextFrom(revision)
    },
    [undoNextFrom],
  )
  return { undoFrom, canUndo, undoNextFrom, othersSaved }
}

export type SpecEdit = ReturnType<typeof useSpec>
