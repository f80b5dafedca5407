'use client'
import { useCallback, useEffect, useState } from 'react'
import type { GaugeLine } from '@/core/liveGauge'

/** A press of a live gauge on its way to a place. */
export interface LivePress extends Omit<GaugeLine, 'upper'> {
  readonly id: string
  readonly seq: number
  readonly upper: number | null
}

export type LiveState = 'off' | 'listening' | 'lost'

/** Kept for the life of the tab, so that a reload goes on after the last press that landed. */
const AFTER_KEY = 'kalibros.live.after'

/**
 * Presses of live gauges in the order of arrival, from the moment they are asked for. A connection that drops goes on where
 * it was; a press leaves the queue when it has landed or was refused.
 */
export function useLiveGauges() {
  const [isOn, setOn] = useState(false)
  const [isConnected, setConnected] = useState(false)
  const [queue, setQueue] = useState<readonly LivePress[]>([])

  useEffect(() => {
    // Only the browser knows whether this tab was listening before a reload.
    // oxlint-disable-next-line react/set-state-in-effect
    if (sessionStorage.getItem(AFTER_KEY) !== null) setOn(true)
  }, [])

  useEffect(() => {
    if (!isOn) return undefined
    let source: EventSource | undefined
    let timer: ReturnType<typeof setTimeout> | undefined
    let heard = sessionStorage.getItem(AFTER_KEY)
    const connect = () => {
      source = new EventSource(`/api/live${heard === null ? '' : `?after=${heard}`}`)
      source.addEventListener('open', () => setConnected(true))
      source.addEventListener('since', (event) => {
        heard ??= (event as MessageEvent<string>).data
        if (sessionStorage.getItem(AFTER_KEY) === null) sessionStorage.setItem(AFTER_KEY, heard)
      })
      source.addEventListener('message', (event: MessageEvent<string>) => {
        const press = JSON.parse(event.data) as LivePress
        heard = String(press.seq)
        setQueue((now) => (now.some(({ id }) => id === press.id) ? now : [...now, press]))
      })
      source.addEventListener('error', () => {
        setConnected(false)
        // A server that answers with a failure ends the source for good: start another.
        if (source?.readyState === EventSource.CLOSED) timer = setTimeout(connect, 1000)
      })
    }
    connect()
    return () => { source?.close(); clearTimeout(timer); setConnected(false) }
  }, [isOn])

  const toggle = useCallback(() => {
    if (isOn) sessionStorage.removeItem(AFTER_KEY)
    setOn(!isOn)
    setQueue([])
  }, [isOn])
  const done = useCallback((press: LivePress) => {
    sessionStorage.setItem(AFTER_KEY, String(press.seq))
    setQueue((now) => now.filter(({ id }) => id !== press.id))
  }, [])
  const state: LiveState = !isOn ? 'off' : isConnected ? 'listening' : 'lost'
  return { state, next: queue[0], toggle, done }
}
