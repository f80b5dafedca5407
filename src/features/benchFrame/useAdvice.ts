'use client'
import { useEffect, useRef, useState } from 'react'
import type { BenchId, JudgedAdvice } from '@/core/bench/bench'
import type { Build } from '@/core/document'
import { documentOf } from '@/features/entries/documentOf'

/** Fetched when the page has answered: advice is worked out off the page, and so is what talks to its worker. */
const advisers = () => import('@/workers/advice')
type Adviser = ReturnType<Awaited<ReturnType<typeof advisers>>['adviser']>

export type AdviceState =
  | { readonly state: 'working' }
  | { readonly state: 'known'; readonly advice: readonly JudgedAdvice[] }
  | { readonly state: 'failed'; readonly words: string }

/** The ways to put a bench right, judged over all benches in a worker; the last question asked is the one answered. */
export function useAdvice(bench: BenchId, build: Build): AdviceState {
  const [known, setKnown] = useState<AdviceState>({ state: 'working' })
  const started = useRef<Promise<Adviser>>(undefined)
  const latest = useRef<Build>(undefined)
  useEffect(
    () => () => {
      latest.current = undefined
      void started.current?.then(
        ({ stop }) => stop(),
        () => undefined,
      )
      started.current = undefined
    },
    [],
  )
  useEffect(() => {
    started.current ??= advisers().then(({ adviser }) => adviser())
    latest.current = build
    started.current
      .then(({ ask }) => ask(documentOf(build), bench))
      .then(
        (advice) => {
          if (latest.current === build) setKnown({ state: 'known', advice })
        },
        (fault: Error) => {
          if (latest.current !== build) return
          setKnown({ state: 'failed', words: fault.message })
          // What could not be fetched is fetched again at the next change.
          started.current = undefined
        },
      )
  }, [bench, build])
  return known
}
