'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import { v7 as uuidV7 } from 'uuid'
import type { GaugeLine } from '@/core/liveGauge'
import { send } from '../send'

/** A press of a live gauge on its way to a place. */
export interface LivePress extends Omit<GaugeLine, 'upper'> {
  readonly id: string
  readonly seq: number
  readonly upper: number | null
}

export type LiveState = 'off' | 'listening' | 'lost'

/** Kept for the life of the tab, so that a reload goes on after the last press that landed, as the same bench session. */
const AFTER_KEY = 'kalibros.live.after'
const SESSION_KEY = 'kalibros.live.session'

function ownSession(): string {
  const known = sessionStorage.getItem(SESSION_KEY)
  if (known) return known
  const session = uuidV7()
  sessionStorage.setItem(SESSION_KEY, session)
  return session
}

/**
 * Presses of the live gauges this bench session has, in the order of arrival, from the moment they are asked for. A gauge is at
 * one bench at a time: taken by the first press while nobody else listens, given back, or taken over with a word on both screens.
 * A connection that drops goes on where it was; a press leaves the queue when it has landed or was refused.
 * `words` says on other screens who and where this is.
 */
export function useLiveGauges(words: string) {
  const [isOn, setOn] = useState(false)
  const [isConnected, setConnected] = useState(false)
  const [queue, setQueue] = useState<readonly LivePress[]>([])
  const [mine, setMine] = useState<readonly string[]>([])
  const [said, setSaid] = useState('')
  /** A gauge that was pressed and is not at this bench: it can be taken. */
  const [offered, setOffered] = useState<string>()
  const asWhom = useRef(words)
  useEffect(() => {
    asWhom.current = words
  }, [words])

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
      source = new EventSource(
        `/api/live?${new URLSearchParams({ session: ownSession(), words: asWhom.current, ...(heard !== null && { after: heard }) })}`,
      )
      const on = (name: string, act: (data: string) => void) =>
        source!.addEventListener(name, (event) => act((event as MessageEvent<string>).data))
      source.addEventListener('open', () => setConnected(true))
      on('since', (data) => {
        heard ??= data
        if (sessionStorage.getItem(AFTER_KEY) === null) sessionStorage.setItem(AFTER_KEY, heard)
      })
      on('message', (data) => {
        const press = JSON.parse(data) as LivePress
        heard = String(press.seq)
        setQueue((now) => (now.some(({ id }) => id === press.id) ? now : [...now, press]))
      })
      on('nobody', (data) => {
        const { name, seq } = JSON.parse(data) as LivePress
        heard = String(seq)
        setOffered(name)
        setSaid(`${name} was pressed and is at no bench.`)
      })
      on('mine', (data) => {
        const { name } = JSON.parse(data) as { name: string }
        setMine((now) => (now.includes(name) ? now : [...now, name]))
        setOffered((now) => (now === name ? undefined : now))
      })
      on('lost', (data) => {
        const { name, words: by } = JSON.parse(data) as { name: string; words: string }
        setMine((now) => now.filter((one) => one !== name))
        setOffered(name)
        setSaid(`${name} was taken over by ${by}.`)
      })
      source.addEventListener('error', () => {
        setConnected(false)
        // A server that answers with a failure ends the source for good: start another.
        if (source?.readyState === EventSource.CLOSED) timer = setTimeout(connect, 1000)
      })
    }
    connect()
    return () => {
      source?.close()
      clearTimeout(timer)
      setConnected(false)
    }
  }, [isOn])

  const toggle = useCallback(() => {
    if (isOn) {
      sessionStorage.removeItem(AFTER_KEY)
      void send('/api/live/hold', { what: 'giveBack', session: ownSession() })
    }
    setOn(!isOn)
    setQueue([])
    setMine([])
    setSaid('')
    setOffered(undefined)
  }, [isOn])
  /** Takes the gauge that was pressed elsewhere, or at no bench; the other screen is told. */
  const take = useCallback(async () => {
    if (!offered) return
    const answer = await send<{ from: string | null }>('/api/live/hold', {
      what: 'take',
      session: ownSession(),
      name: offered,
      words: asWhom.current,
    })
    if (!answer.ok) return setSaid(answer.error)
    const { from } = answer.value
    setSaid(`${offered} is here now${from ? `; taken over from ${from}` : ''}. Press again.`)
    setOffered(undefined)
  }, [offered])
  const done = useCallback((press: LivePress) => {
    sessionStorage.setItem(AFTER_KEY, String(press.seq))
    setQueue((now) => now.filter(({ id }) => id !== press.id))
  }, [])
  const stateOn: LiveState = isConnected ? 'listening' : 'lost'
  const state = isOn ? stateOn : 'off'
  return { state, next: queue[0], mine, said, offered, toggle, take, done }
}
