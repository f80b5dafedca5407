'use client'
import { useEffect } from 'react'

/** Registers the worker that keeps a copy of pages seen, so that a reload works when the shop's network does not. */
export function OfflineCopy() {
  useEffect(() => {
    if (process.env.NODE_ENV === 'production') navigator.serviceWorker?.register('/sw.js').catch(() => undefined)
  }, [])
  return null
}
