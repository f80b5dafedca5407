'use client'
import { useCallback, useMemo } from 'react'
import { v7 as uuidV7 } from 'uuid'
import { openBuildWith } from '@/core/document/build'
import type { DamageEntry, Entry, PartEntry } from '@/core/document'
import { damagesOf, partsOf } from '@/core/parts'
import type { ChangeId } from '@/core/document/walkStages'
import { useEntries } from '@/features/entries/useEntries'
import { serverStamp } from '@/features/entries/serverTime'
import type { ServedParts } from './servedParts'

export type PartAct = Pick<PartEntry, 'did'> & Partial<Omit<PartEntry, 'kind' | 'id' | 'at' | 'by' | 'part' | 'did'>>
export type DamageAct = Pick<DamageEntry, 'did'> & Partial<Omit<DamageEntry, 'kind' | 'id' | 'at' | 'by' | 'damage' | 'did'>>

/** Parts and damage as this device knows them, and what can be said of them. Kept on the device first, as readings are. */
export function useParts(served: ServedParts) {
  const { added, add, unsent, trouble, refused } = useEntries(served.id, served.entries, served)
  const build = useMemo(() => {
    const entries = [...served.entries, ...added]
    return openBuildWith({ id: served.id, spec: served.spec, gauges: [], entries }, {})
  }, [served.id, served.spec, served.entries, added])
  const say = useCallback(
    (by: string, part: string | undefined, said: PartAct) => {
      const id = uuidV7()
      add({ kind: 'part', id, at: serverStamp(), by, part: part ?? id, ...said })
    },
    [add],
  )
  const tell = useCallback(
    (by: string, damage: string | undefined, said: DamageAct) => {
      const id = uuidV7()
      add({ kind: 'damage', id, at: serverStamp(), by, damage: damage ?? id, ...said })
    },
    [add],
  )
  const change = useCallback(
    (by: string, what: ChangeId, text: string) => add({ kind: 'change', id: uuidV7(), at: serverStamp(), by, what, text }),
    [add],
  )
  /** Takes back what was last said of a part or a damage. */
  const undo = useCallback(
    (by: string, begun: string) => {
      const last = build.entries.findLast((entry) => startOf(entry) === begun && !build.readings.takenBack.has(entry.id))
      if (last) add({ kind: 'undo', id: uuidV7(), at: serverStamp(), by, target: last.id })
    },
    [add, build],
  )
  return { parts: partsOf(build), damages: damagesOf(build), say, tell, change, undo, unsent: unsent.size, trouble, refused }
}

/** The entry that wanted the part, or saw the damage, that an entry is about. */
function startOf(entry: Entry): string | undefined {
  if (entry.kind === 'part') return entry.part
  return entry.kind === 'damage' ? entry.damage : undefined
}
