'use client'
import { useEffect, useState } from 'react'
import { serverNow } from '@/features/entries/serverTime'

const SECOND_MS = 1000

/** The server's time, second by second; nothing before the page is there. */
export function useNow(): number | undefined {
  const [now, setNow] = useState<number>()
  useEffect(() => {
    // oxlint-disable-next-line react/set-state-in-effect
    setNow(serverNow())
    const timer = setInterval(() => setNow(serverNow()), SECOND_MS)
    return () => clearInterval(timer)
  }, [])
  return now
}
