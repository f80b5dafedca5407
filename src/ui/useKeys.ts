'use client'
import { useLayoutEffect } from 'react'

/** Keys and pedals: one press each, held keys count once, none while something is being typed. */
export function useKeys(keys: Readonly<Record<string, () => void>>): void {
  // Before the frame is shown: a key meant for what is seen may not meet what stood there before.
  useLayoutEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (event.repeat || event.ctrlKey || event.metaKey || event.altKey) return
      if ((event.target as HTMLElement).closest('input, textarea, select, [role="dialog"]')) return
      const act = keys[event.key] ?? keys[event.key.toLowerCase()]
      if (!act) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  })
}
