'use client'
import { useCallback, useEffect, useState } from 'react'

export type Typed = Readonly<Record<string, string>>

const keyOf = (sumId: string) => `kalibros.sum.${sumId}`

/** What was typed into a sum last, kept on this device: a builder comes back to it with one number changed. */
export function useTyped(sumId: string): readonly [Typed, (typed: Typed) => void] {
  const [typed, setTyped] = useState<Typed>({})
  useEffect(() => {
    // Only the browser knows what was typed here last.
    // oxlint-disable-next-line react/set-state-in-effect
    setTyped(keptIn(sumId))
  }, [sumId])
  const keep = useCallback(
    (next: Typed) => {
      setTyped(next)
      try {
        localStorage.setItem(keyOf(sumId), JSON.stringify(next))
      } catch {
        // A full device computes as well; it only forgets.
      }
    },
    [sumId],
  )
  return [typed, keep]
}

function keptIn(sumId: string): Typed {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(keyOf(sumId)) ?? '{}')
    if (typeof kept !== 'object' || kept === null) return {}
    return Object.fromEntries(Object.entries(kept).filter((pair): pair is [string, string] => typeof pair[1] === 'string'))
  } catch {
    return {}
  }
}
