'use client'
import { useEffect, useState, useSyncExternalStore } from 'react'
import { benchesOf, type BenchId } from '@/core/benches'
import type { Spec } from '@/core/document'
import { PAPER_GROUPS } from './paperGroups'

/** Lines of one bench: its numbers on paper, how it measures, or its limits. */
export type GroupOf = (typeof GROUPS_OF)[number]
const GROUPS_OF = ['paper', 'method', 'limit'] as const
type GroupId = `${GroupOf}/${BenchId}`

export interface OpenGroups {
  readonly isOpen: (of: GroupOf, bench: BenchId) => boolean
  readonly toggle: (of: GroupOf, bench: BenchId) => void
  readonly areAllOpen: boolean
  readonly toggleAll: () => void
}

/** The group an address names a line of (`paper.bore`, `limit.bores.taper`); undefined where it names none. */
function groupOfLine(line: string, spec: Spec): GroupId | undefined {
  const [of, ...rest] = line.split('.')
  const name = rest.join('.')
  if (of === 'limit') {
    const bench = benchesOf(spec).find(({ definition: { limits } }) => Object.hasOwn(limits, name))
    return bench && `limit/${bench.id}`
  }
  const group = of === 'paper' ? PAPER_GROUPS.find(({ keys }) => keys.some((key) => key === name)) : undefined
  return group && `paper/${group.id}`
}

/** The server hears of no line: it is the browser's alone. */
function onAddress(changed: () => void): () => void {
  addEventListener('hashchange', changed)
  return () => removeEventListener('hashchange', changed)
}

/**
 * Which groups are open: those that were asked for, and the one of the line the address names, which is gone to. All of them are while
 * something is searched: a search shows nothing else.
 */
export function useOpenGroups(spec: Spec, isSearched: boolean): OpenGroups {
  const line = useSyncExternalStore(
    onAddress,
    () => location.hash.slice(1),
    () => '',
  )
  /** Groups that are not as they are by themselves: closed, but for the one of the line. */
  const [turned, setTurned] = useState<ReadonlySet<GroupId>>(new Set())
  useEffect(() => {
    const found = line ? document.getElementById(line) : null
    found?.scrollIntoView({ block: 'center' })
    found?.focus({ preventScroll: true })
  }, [line])
  const ofLine = groupOfLine(line, spec)
  const isOpen = (group: GroupId) => turned.has(group) !== (group === ofLine)
  const all = benchesOf(spec).flatMap(({ id }) => GROUPS_OF.map((of): GroupId => `${of}/${id}`))
  const areAllOpen = all.every(isOpen)
  return {
    isOpen: (of, bench) => isSearched || isOpen(`${of}/${bench}`),
    toggle(of, bench) {
      const next = new Set(turned)
      if (!next.delete(`${of}/${bench}`)) next.add(`${of}/${bench}`)
      setTurned(next)
    },
    areAllOpen,
    toggleAll: () => setTurned(new Set(all.filter((group) => (group === ofLine) === areAllOpen))),
  }
}
