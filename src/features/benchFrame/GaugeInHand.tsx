'use client'
import { useState } from 'react'
import styled from 'styled-components'
import { checkDue, isOverdue, type Gauge } from '@/core/document'
import { formatQuantity } from '@/core/units'
import { lazyPart } from '@/ui/lazyPart'
import { Bad } from '@/ui/Layout'
import { Key } from './Key'
import type { LineProps } from './lineActions'
import type { PartTemperature } from './useBench'

const SerialButton = lazyPart(() => import('./SerialButton').then((module) => module.SerialButton))

const Quiet = styled.p`
  margin-top: 6px;
  font-size: 13px;
  color: var(--quiet);
`
const DEGREES = { metric: 'degC', inch: 'degF' } as const

function CheckWords({ gauge, now }: { gauge: Gauge | undefined; now: string }) {
  if (gauge && isOverdue(gauge, now)) return <Bad>check ran out {checkDue(gauge)}</Bad>
  return gauge?.checkedOn ? `checked ${gauge.checkedOn}` : 'no check on record'
}

function liveWords({ state, mine }: LineProps['live']): string {
  if (state !== 'listening') return 'live gauges: server lost, trying again'
  return mine.length > 0 ? `at this bench: ${mine.join(', ')}` : 'listening to live gauges'
}

/** The gauge that takes the reading, how its check stands, and what else it is read with. */
export function GaugeInHand({
  gauge,
  live,
  temperature,
  system,
}: Pick<LineProps, 'gauge' | 'live' | 'system'> & { temperature: PartTemperature | undefined }) {
  const [now] = useState(() => new Date().toISOString())
  return (
    <>
      <p style={{ marginTop: 4, fontSize: 16 }}>{gauge?.name ?? 'none in the drawer'}</p>
      <Quiet>
        <CheckWords gauge={gauge} now={now} /> · <Key>g</Key> change
      </Quiet>
      {live.state !== 'off' && (
        <Quiet role="status">
          {liveWords(live)} · <Key>l</Key>
        </Quiet>
      )}
      {live.said && (
        <Quiet role="alert">
          <b>{live.said}</b>
          {live.offered && (
            <>
              {' '}
              <Key>o</Key> take it
            </>
          )}
        </Quiet>
      )}
      {live.state !== 'off' && <SerialButton />}
      {temperature && (
        <Quiet>
          part {formatQuantity(temperature.partTempC, DEGREES[system], 0)}, gauge{' '}
          {formatQuantity(temperature.gaugeTempC, DEGREES[system], 0)} · <Key>t</Key>
        </Quiet>
      )}
    </>
  )
}
