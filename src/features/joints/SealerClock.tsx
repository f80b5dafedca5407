'use client'
import type { Joint } from '@/core/build'
import { restMs, sealedAt, type Run } from '@/core/joints'
import { clockWords } from './clockWords'
import { About, Caption, Countdown } from './runLayout'
import { useNow } from './useNow'

/** How long the sealer is still open, and whether what is left gets done in that time at the pace so far. */
export function SealerClock({ joint: { sealer }, run }: { joint: Joint; run: Run }) {
  const now = useNow()
  if (!sealer || now === undefined) return null
  const leftMs = Date.parse(sealedAt(run)) + sealer.openMinutes * 60_000 - now
  const neededMs = restMs(run)
  const isLate = neededMs > leftMs
  return (
    <Countdown>
      <Caption>{sealer.name} sets in</Caption>
      <p role="timer" data-late={isLate || undefined}>
        {leftMs > 0 ? clockWords(leftMs) : 'set'}
      </p>
      <About>
        at this pace done in {clockWords(neededMs)}
        {isLate && <b>: too late. Strip, clean and seal again what is left, or get a second pair of hands.</b>}
      </About>
    </Countdown>
  )
}
