'use client'
import { useMemo, useState } from 'react'
import type { Bench, Station } from '@/core/bench/bench'
import type { Build } from '@/core/document'

/**
 * The places of a bench. Most follow from the spec alone, some from what was read: a cycle ends where its stretch is reached. The
 * list stays the same one while nothing in it has changed, so that what is drawn from it is not drawn again at every reading.
 */
export function useStations(bench: Bench, build: Build): readonly Station[] {
  const fresh = useMemo(() => bench.stations(build), [bench, build])
  const [kept, keep] = useState(fresh)
  if (isSameList(kept, fresh)) return kept
  keep(fresh)
  return fresh
}

function isSameList(kept: readonly Station[], fresh: readonly Station[]): boolean {
  return kept === fresh || (kept.length === fresh.length && kept.every((one, index) => isSamePlace(one, fresh[index]!)))
}

function isSamePlace(one: Station, other: Station): boolean {
  return (
    one.id === other.id &&
    one.nominal === other.nominal &&
    one.wheelMarks === other.wheelMarks &&
    one.label === other.label &&
    one.expected.low === other.expected.low &&
    one.expected.high === other.expected.high &&
    one.usual?.centre === other.usual?.centre &&
    one.usual?.stray === other.usual?.stray
  )
}
