'use client'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { ownSession } from '@/features/entries/ownSession'
import { send } from '@/features/entries/send'
import { forgetPlace, isResumed, landed, listenToGauges, type LivePress } from './gaugeStream'

export type LiveState = 'off' | 'listening' | 'lost'

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
  const { offered, setOffered, mine, said, setSaid, clear, heard } = useHolds()
  const asWhom = useRef(words)
  useEffect(() => {
    asWhom.current = words
  }, [words])

  useEffect(() => {
    // Only the browser knows whether this tab was listening before a reload.
    // oxlint-disable-next-line react/set-state-in-effect
    if (isResumed()) setOn(true)
  }, [])

  useEffect(() => {
    if (!isOn) return undefined
    const stop = listenToGauges(() => asWhom.current, {
      connected: setConnected,
      press: (press) => setQueue((now) => (now.some(({ id }) => id === press.id) ? now : [...now, press])),
      ...heard,
    })
    return () => {
      stop()
      setConnected(false)
    }
  }, [heard, isOn])

  const toggle = useCallback(() => {
    if (isOn) {
      forgetPlace()
      void send('/api/live/hold', { what: 'giveBack', session: ownSession() })
    }
    setOn(!isOn)
    setQueue([])
    clear()
  }, [clear, isOn])
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
  }, [offered, setOffered, setSaid])
  const done = useCallback((press: LivePress) => {
    landed(press)
    setQueue((now) => now.filter(({ id }) => id !== press.id))
  }, [])
  const stateOn: LiveState = isConnected ? 'listening' : 'lost'
  const state = isOn ? stateOn : 'off'
  return { state, next: queue[0], mine, said, offered, toggle, take, done }
}

/** Which gauges are at this bench, which is offered, and what was said of them last. */
function useHolds() {
  const [mine, setMine] = useState<readonly string[]>([])
  const [said, setSaid] = useState('')
  /** A gauge that was pressed and is not at this bench: it can be taken. */
  const [offered, setOffered] = useState<string>()
  const heard = useMemo(
    () => ({
      nobody: (name: string) => {
        setOffered(name)
        setSaid(`${name} was pressed and is at no bench.`)
      },
      mine: (name: string) => {
        setMine((now) => (now.includes(name) ? now : [...now, name]))
        setOffered((now) => (now === name ? undefined : now))
      },
      lost: (name: string, by: string) => {
        setMine((now) => now.filter((one) => one !== name))
        setOffered(name)
        setSaid(`${name} was taken over by ${by}.`)
      },
    }),
    [],
  )
  const clear = useCallback(() => {
    setMine([])
    setSaid('')
    setOffered(undefined)
  }, [])
  return { mine, said, setSaid, offered, setOffered, heard, clear }
}
