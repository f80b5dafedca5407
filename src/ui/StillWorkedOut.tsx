'use client'
import { useEffect, type ReactNode } from 'react'
import { Notice } from './Page'
import { useRefresh } from './useRefresh'

const AGAIN_MS = 3000

/** Says what the server is still working out beside the page, and has the page brought up to date until it is there. */
export function StillWorkedOut({ children }: { children: ReactNode }) {
  const refresh = useRefresh()
  useEffect(() => {
    const timer = setInterval(refresh, AGAIN_MS)
    return () => clearInterval(timer)
  }, [refresh])
  return <Notice role="status">{children}</Notice>
}
