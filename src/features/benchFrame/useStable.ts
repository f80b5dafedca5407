'use client'
import { useCallback, useLayoutEffect, useRef } from 'react'

/**
 * One function for the life of a component that always does what its newest version does: a memoised part given it is not
 * drawn again.
 */
export function useStable<Args extends readonly unknown[]>(newest: (...args: Args) => void): (...args: Args) => void {
  const latest = useRef(newest)
  useLayoutEffect(() => {
    latest.current = newest
  })
  return useCallback((...args: Args) => latest.current(...args), [])
}
