'use client'
import { useEffect, useState } from 'react'
import type { Run } from '@/core/joints'
import { UNITS } from '@/core/units'
import { useLiveGauges } from '@/features/benchFrame/useLiveGauges'
import type { LivePress } from '@/features/benchFrame/gaugeStream'
import type { RunAct } from './useRuns'

/** Below this share of its stage a pull has stopped short; above that one it went too far, and is said to have. */
const SHORT = 0.96
const FAR = 1.06

/** A live wrench at the run: each of its pulls lands as the next one, under its own id, so that it lands once however often it is heard. */
export function useWrench({
  run,
  isMine,
  by,
  words,
  onSay,
}: {
  run: Run | undefined
  isMine: boolean
  by: string
  words: string
  onSay: (said: RunAct) => void
}) {
  const live = useLiveGauges(words)
  const [said, setSaid] = useState('')
  const { next: press, done } = live
  useEffect(() => {
    if (!press || !run || !isMine || by === '') return
    done(press)
    // A press heard again after a reload is the entry that is there already.
    if (run.path.some(({ id }) => id === press.id)) return
    const landed = landedAs(press, run)
    // oxlint-disable-next-line react/set-state-in-effect
    setSaid(landed.words)
    if (landed.said) onSay(landed.said)
  }, [by, done, isMine, onSay, press, run])
  return { ...live, said: said || live.said }
}

/** What a pull of a live wrench is: the next pull, one that stopped short, or nothing this run asks for. */
function landedAs({ id, name, value, unit, text, angleDeg }: LivePress, { next }: Run): { readonly said?: RunAct; readonly words: string } {
  if (!next) return { words: `${name} clicked, and nothing is asked for.` }
  if (UNITS[unit].kind !== 'torque') return { words: `${name} sent ${text} ${UNITS[unit].symbol}: a torque is wanted here.` }
  const at = { id, stage: next.stage, fastener: next.fastener, value, unit: 'Nm', wrench: name, ...(angleDeg !== null && { angleDeg }) }
  if (next.pull.pull === 'witnessMark') return { words: `${name} clicked: a look at the witness mark is asked for.` }
  if (next.pull.pull === 'angle' && angleDeg !== null && angleDeg < SHORT * next.pull.deg)
    return { said: { did: 'short', ...at }, words: '' }
  if (next.pull.pull !== 'torque') return { said: { did: 'pulled', ...at }, words: '' }
  if (value < SHORT * next.pull.nm) return { said: { did: 'short', ...at }, words: '' }
  const far = value > FAR * next.pull.nm ? `${text} ${UNITS[unit].symbol} is more than was asked for.` : ''
  return { said: { did: 'pulled', ...at }, words: far }
}
