'use client'
import { useRouter } from 'next/navigation'
import { useCallback, useEffect, useRef } from 'react'
import { onceReachable } from './onceReachable'

/**
 * Has the server work the page out again, as soon as it answers; asked for several times meanwhile, once. Where its refresh meets no
 * server the framework loads the whole page, and the browser's own "not reached" takes the place of what is being worked on.
 */
export function useRefresh(): () => void {
  const router = useRouter()
  const giveUp = useRef<() => void>(undefined)
  useEffect(
    () => () => {
      giveUp.current?.()
      giveUp.current = undefined
    },
    [],
  )
  return useCallback(() => {
    giveUp.current ??= onceReachable(() => {
      giveUp.current = undefined
      router.refresh()
    })
  }, [router])
}
