'use client'
import { useState } from 'react'
import { Button } from '@/ui/Button'
import { useHydrated } from '@/ui/lazyPart'
import type { ShopClock } from './useOpenClocks'

/** Only where the address is one the browser trusts: a shop's plain one is not, and pages and board say it. */
const canNotify = () => 'Notification' in window && window.isSecureContext

/** A word on the desktop for a clock that has run out, where this browser was allowed to give one. */
export function notifyOf({ id, build, due }: ShopClock): void {
  if (!canNotify() || Notification.permission !== 'granted') return
  // The same clock on two tabs is one word.
  const said = { body: due, tag: id }
  try {
    const shown = new Notification(build, said)
    shown.addEventListener('click', () => window.focus())
  } catch {
    // On a phone only its worker may.
    void navigator.serviceWorker?.ready.then((worker) => worker.showNotification(build, said))
  }
}

/** Asks the browser for leave, once. */
export function NotifyButton() {
  const [isAsked, setAsked] = useState(false)
  if (!useHydrated() || isAsked || !canNotify() || Notification.permission !== 'default') return null
  const ask = () => void Notification.requestPermission().then(() => setAsked(true))
  return (
    <Button size="small" kind="plain" onPress={ask} aria-label="Have this browser say when a clock runs out">
      Notify
    </Button>
  )
}
