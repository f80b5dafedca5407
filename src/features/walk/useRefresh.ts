'use client'
import { useRouter } from 'next/navigation'
import { useCallback } from 'react'

/**
 * Has the server work the page out again, once it answers. The framework falls back to loading the whole page where the
 * server is gone, and the page with what was done on it would give way to the browser's own "not reached".
 */
export function useRefresh(): () => void {
  const router = useRouter()
  return useCallback(() => {
    fetch('/api/health', { cache: 'no-store' }).then(
      ({ ok }) => ok && router.refresh(),
      () => undefined,
    )
  }, [router])
}
