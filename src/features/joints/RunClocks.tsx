'use client'
import type { Joint } from '@/core/document'
import { leftMs, restMs, sealedAt, type JointClock, type Run } from '@/core/joints'
import { clockWords } from '../clocks/clockWords'
import { About, Caption, Countdown } from './runLayout'
import { useNow } from '../clocks/useNow'

/** What runs by the clock while a joint is open. */
export function RunClocks({ joint, run, clocks }: { joint: Joint; run: Run; clocks: readonly JointClock[] }) {
  return (
    <>
      <SkinClock clocks={clocks} />
      {joint.sealer && <SealerClock joint={joint} run={run} />}
    </>
  )
}

/** How long the sealer is still open, and whether what is left gets done in that time at the pace so far. */
function SealerClock({ joint: { sealer }, run }: { joint: Joint; run: Run }) {
  const now = useNow()
  if (!sealer || now === undefined) return null
  if (sealer.openMinutes === undefined) return <About>How long {sealer.name} stays open is not known: its tube says.</About>
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

/** What was put on has to stand before the joint is closed: how long it still does, until the first pull. */
function SkinClock({ clocks }: { clocks: readonly JointClock[] }) {
  const now = useNow()
  const skin = clocks.find(({ kind }) => kind === 'skins')
  if (!skin || now === undefined) return null
  const left = leftMs(skin, now)
  return (
    <Countdown>
      <Caption>{skin.name} stands before it is closed</Caption>
      <p role="timer" data-late={left > 0 || undefined}>
        {left > 0 ? clockWords(left) : 'close it now'}
      </p>
    </Countdown>
  )
}
