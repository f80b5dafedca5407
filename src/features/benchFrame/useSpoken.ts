'use client'
import { useEffect, useState, type RefObject } from 'react'

/** Long enough that a number is typed to its end, short enough that its meaning comes before the next key. */
const PAUSE_MS = 700

/**
 * What is said aloud to somebody who does not look: the place when it changes, and what was understood of the line once, when typing
 * pauses. Each key by itself would talk over the next.
 * @param understood where the screen says what it has understood
 */
export function useSpoken(place: string, line: string, understood: RefObject<HTMLElement | null>): string {
  const [spoken, setSpoken] = useState('')
  const [seenPlace, setSeenPlace] = useState(place)
  if (seenPlace !== place) {
    setSeenPlace(place)
    setSpoken(place)
  }
  useEffect(() => {
    if (line === '') return undefined
    const timer = setTimeout(() => setSpoken(understood.current?.textContent ?? ''), PAUSE_MS)
    return () => clearTimeout(timer)
  }, [line, understood])
  return spoken
}
