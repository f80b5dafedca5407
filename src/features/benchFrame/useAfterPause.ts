'use client'
import { startTransition, useEffect, useState } from 'react'

/** Shorter than a look from the gauge to the screen takes. */
const PAUSE_MS = 80

/** A value as it stood when the keys last paused for a moment; drawing a chart between two keys would hold up the second. */
export function useAfterPause<Value>(value: Value): Value {
  const [paused, setPaused] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => startTransition(() => setPaused(value)), PAUSE_MS)
    return () => clearTimeout(timer)
  }, [value])
  return paused
}
