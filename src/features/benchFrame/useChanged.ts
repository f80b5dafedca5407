'use client'
import { useMemo, useState } from 'react'
import type { Finding } from '@/core/bench/bench'
import { hasMoved } from '@/core/evaluation/compare'

/** What the last stored entry moved; while typing, what the draft would move. */
export function useChanged(settled: readonly Finding[], findings: readonly Finding[], drafting: boolean): ReadonlySet<string> {
  const [pair, setPair] = useState({ before: settled, now: settled })
  // Set while rendering, not in an effect: the ledger is then drawn once for a reading, not twice.
  if (pair.now !== settled) setPair({ before: pair.now, now: settled })
  return useMemo(
    () => (drafting ? changedFindings(settled, findings) : changedFindings(pair.before, pair.now)),
    [drafting, findings, pair, settled],
  )
}

/** Findings whose value or verdict differs between two states of a bench. */
export function changedFindings(before: readonly Finding[], after: readonly Finding[]): ReadonlySet<string> {
  const earlier = new Map(before.map((finding) => [finding.id, finding]))
  return new Set(after.filter((finding) => hasMoved(earlier.get(finding.id), finding)).map((finding) => finding.id))
}
