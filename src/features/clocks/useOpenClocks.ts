'use client'
import { useEffect, useState } from 'react'
import type { ServedClock } from '@/shop/servedClocks'
import { hearServerTime } from '@/features/entries/serverTime'

/** A clock of any build of the shop. */
export interface ShopClock extends ServedClock {
  readonly build: string
}

/** What `/api/clocks` answers. */
export interface ShopClocks {
  readonly nowMs: number
  readonly clocks: readonly ShopClock[]
}

const ASK_EVERY_MS = 20_000

/** Every clock of the shop, asked for again while the page is looked at; the server's time comes along. */
export function useOpenClocks(): readonly ShopClock[] {
  const [clocks, setClocks] = useState<readonly ShopClock[]>([])
  useEffect(() => {
    const givenUp = new AbortController()
    const ask = async () => {
      if (document.hidden) return
      const askedMs = Date.now()
      const response = await fetch('/api/clocks', { cache: 'no-store', signal: givenUp.signal }).catch(() => undefined)
      // Out of reach, what was heard last still runs.
      const answer: unknown = response?.ok ? await response.json().catch(() => undefined) : undefined
      if (!isOfClocks(answer) || givenUp.signal.aborted) return
      hearServerTime(answer.nowMs, askedMs)
      setClocks(answer.clocks)
    }
    void ask()
    const timer = setInterval(() => void ask(), ASK_EVERY_MS)
    const look = () => void ask()
    document.addEventListener('visibilitychange', look)
    return () => {
      givenUp.abort()
      clearInterval(timer)
      document.removeEventListener('visibilitychange', look)
    }
  }, [])
  return clocks
}

/** What answers in the server's stead, as a hotel's network does, says something else. */
function isOfClocks(answer: unknown): answer is ShopClocks {
  const { nowMs, clocks } = (answer ?? {}) as Partial<ShopClocks>
  return Number.isFinite(nowMs) && Array.isArray(clocks)
}
