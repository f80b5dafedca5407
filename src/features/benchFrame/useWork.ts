'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import { WorkStopped } from '@/workers/run'

export type Work<Answer> =
  | { readonly state: 'idle' }
  | { readonly state: 'running'; readonly progress: number }
  | { readonly state: 'done'; readonly answer: Answer }
  | { readonly state: 'stopped' }
  | { readonly state: 'failed'; readonly words: string }

/** A long job with progress that can be stopped; leaving the screen stops it too. */
export function useWork<Answer>(job: (signal: AbortSignal, onProgress: (share: number) => void) => Promise<Answer>) {
  const [work, setWork] = useState<Work<Answer>>({ state: 'idle' })
  const controller = useRef<AbortController>(undefined)
  const stop = useCallback(() => controller.current?.abort(), [])
  useEffect(() => stop, [stop])
  const start = useCallback(() => {
    stop()
    controller.current = new AbortController()
    setWork({ state: 'running', progress: 0 })
    job(controller.current.signal, (progress) => setWork((now) => (now.state === 'running' ? { state: 'running', progress } : now))).then(
      (answer) => setWork({ state: 'done', answer }),
      (error: Error) => setWork(error instanceof WorkStopped ? { state: 'stopped' } : { state: 'failed', words: error.message }),
    )
  }, [job, stop])
  return { work, start, stop }
}
