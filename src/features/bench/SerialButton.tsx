'use client'
import { useState } from 'react'
import { Button } from '@/ui/Button'
import { hasSerial, relaySerialGauge } from './serialGauge'

/** Plugs a serial gauge in, where the browser can. */
export function SerialButton() {
  const [state, setState] = useState<'off' | 'on' | string>('off')
  if (!hasSerial()) return null
  const connect = () => {
    setState('on')
    relaySerialGauge().then(() => setState('off'), (failure: Error) => setState(failure.name === 'NotFoundError' ? 'off' : failure.message))
  }
  return (
    <span style={{ display: 'block', marginTop: 4, fontSize: 13 }}>
      {state === 'on' ? 'serial gauge connected' : <Button size="small" onPress={connect}>Serial gauge</Button>}
      {state !== 'on' && state !== 'off' && <b role="alert"> {state}</b>}
    </span>
  )
}
