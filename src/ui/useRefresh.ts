'use client'
import { useRouter } from 'next/navigation'
import { useCallback } from 'react'
import { onceReachable } from './onceReachable'

let isAwaited = false

/**
 * Has the server work the page out again, as soon as it answers; asked for several times meanwhile, by whomever, once. Where its refresh
 * meets no server the framework loads the whole page, and the browser's own "not reached" takes the place of what is being worked on.
 * A form that closes once it is kept has the page refreshed all the same: what is asked for outlives who asked.
 */
export function useRefresh(): () => void {
  const router = useRouter()
  return useCallback(() => {
    if (isAwaited) return
    isAwaited = true
    onceReachable(() => {
      isAwaited = false
      router.refresh()
    })
  }, [router])
}
