'use client'
import { useEffect, useState } from 'react'

const SECOND_MS = 1000

/** The time, second by second; nothing before the page is there. */
export function useNow(): number | undefined {
  const [now, setNow] = useState<number>()
  useEffect(() => {
    // oxlint-disable-next-line react/set-state-in-effect
    setNow(Date.now())
    const timer = setInterval(() => setNow(Date.now()), SECOND_MS)
    return () => clearInterval(timer)
  }, [])
  return now
}
