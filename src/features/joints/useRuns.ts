'use client'
import { useCallback, useMemo, useSyncExternalStore } from 'react'
import { v7 as uuidV7 } from 'uuid'
import type { Joint, Pull } from '@/core/document'
import { runsOf, type Run, type RunWay } from '@/core/joints'
import { useEntries } from '@/features/entries/useEntries'
import { serverStamp } from '@/features/entries/serverTime'
import { ownSession } from '@/features/entries/ownSession'
import type { ServedJoints } from './servedJoints'

/** What may be said of a pull beside what it follows and who has the run. */
export type RunAct = Pick<Pull, 'did'> &
  Partial<Pick<Pull, 'id' | 'stage' | 'fastener' | 'value' | 'unit' | 'angleDeg' | 'reason' | 'wrench' | 'instead'>>

/** The runs of a joint as this device knows them, and what can be added to the one that is under way. */
export function useRuns(served: ServedJoints, joint: Joint) {
  const entries = useEntries(served.id, served.pulls, served)
  const runs = useMemo(
    () => runsOf(joint, [...served.pulls, ...entries.added.filter((entry): entry is Pull => entry.kind === 'pull')]),
    [entries.added, joint, served.pulls],
  )
  const device = useOwnSession()
  const { add } = entries
  const begin = useCallback(
    (by: string, way: RunWay) => {
      const id = uuidV7()
      add({ kind: 'pull', id, at: serverStamp(), by, joint: joint.id, run: id, did: 'begin', way, device: ownSession() })
    },
    [add, joint.id],
  )
  const say = useCallback(
    (by: string, run: Run, said: RunAct, follows = run.last.id) => {
      const stamp = { id: uuidV7(), at: serverStamp(), by }
      return add({ kind: 'pull', ...stamp, joint: run.joint, run: run.id, device: ownSession(), follows, ...said })
    },
    [add],
  )
  return { runs, device, begin, say, unsent: entries.unsent, refused: entries.refused, trouble: entries.trouble }
}

export type Runs = ReturnType<typeof useRuns>

/**
 * Known only in the browser: as soon as the page works, so that a run begun by the first press is known as this page's own by the
 * second.
 */
function useOwnSession(): string | undefined {
  return useSyncExternalStore(
    () => () => {},
    ownSession,
    () => undefined,
  )
}
