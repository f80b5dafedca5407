'use client'
import { useState } from 'react'
import { Button } from '@/ui/Button'
import { hasSerial, relaySerialGauge } from './serialGauge'

/** Plugs a serial gauge in, where the browser can. */
export function SerialButton() {
  const [isOn, setOn] = useState(false)
  const [trouble, setTrouble] = useState('')
  if (!hasSerial()) return null
  const connect = () => {
    setOn(true)
    setTrouble('')
    // Choosing no port is no trouble: the browser says NotFoundError.
    relaySerialGauge(setTrouble)
      .catch((failure: Error) => setTrouble(failure.name === 'NotFoundError' ? '' : failure.message))
      .finally(() => setOn(false))
  }
  return (
    <span style={{ display: 'block', marginTop: 4, fontSize: 13 }}>
      {isOn ? (
        'serial gauge connected'
      ) : (
        <Button size="small" onPress={connect}>
          Serial gauge
        </Button>
      )}
      {trouble && <b role="alert"> {trouble}</b>}
    </span>
  )
}
