'use client'
import { useEffect, useRef, useState } from 'react'
import type { BenchId, JudgedAdvice } from '@/core/benches/bench'
import type { Build } from '@/core/build'
import { adviser } from '@/workers/advice'
import { documentOf } from './documentOf'

export type AdviceState =
  | { readonly state: 'working' }
  | { readonly state: 'known'; readonly advice: readonly JudgedAdvice[] }
  | { readonly state: 'failed'; readonly words: string }

/** The ways to put a bench right, judged over all benches in a worker; the last question asked is the one answered. */
export function useAdvice(bench: BenchId, build: Build): AdviceState {
  const [known, setKnown] = useState<AdviceState>({ state: 'working' })
  const hand = useRef<ReturnType<typeof adviser>>(undefined)
  const latest = useRef<Build>(undefined)
  useEffect(() => () => { hand.current?.stop(); hand.current = undefined }, [])
  useEffect(() => {
    hand.current ??= adviser()
    latest.current = build
    hand.current.ask(documentOf(build), bench).then(
      (advice) => { if (latest.current === build) setKnown({ state: 'known', advice }) },
      (fault: Error) => { if (latest.current === build) setKnown({ state: 'failed', words: fault.message }) },
    )
  }, [bench, build])
  return known
}
