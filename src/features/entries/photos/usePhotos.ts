'use client'
import { useCallback, useEffect, useRef, useState } from 'react'
import { v7 as uuidV7 } from 'uuid'
import type { PhotoCard } from '@/core/files'
import { useRefresh } from '@/ui/useRefresh'
import { serverStamp } from '@/features/entries/serverTime'
import { keepPhoto, keptPhotos, type KeptPhoto } from './keptPhotos'
import { madeSmall } from './madeSmall'
import { sendPhoto } from './sendPhoto'

const TRY_AGAIN_MS = 20_000

export interface Photos {
  /** On this device alone as yet. */
  readonly waiting: readonly KeptPhoto[]
  readonly trouble: string
  /** Made small, kept on the device, and sent. */
  readonly take: (file: File, step: string, by: string) => Promise<void>
}

/**
 * Pictures of steps, on the device until the server has them, and for a month after: one that is not among those the server `has` is
 * sent it again.
 */
export function usePhotos(buildId: string, has: readonly PhotoCard[]): Photos {
  const [waiting, setWaiting] = useState<readonly KeptPhoto[]>([])
  const [trouble, setTrouble] = useState('')
  const show = useCallback((photo: KeptPhoto) => {
    setWaiting((now) => (now.some(({ id }) => id === photo.id) ? now : [...now, photo]))
  }, [])
  const hide = useCallback((photo: KeptPhoto) => setWaiting((now) => now.filter(({ id }) => id !== photo.id)), [])
  const send = useOneRoundAtATime(useSending(buildId, has, { show, hide, tell: setTrouble }))
  useEffect(() => {
    // What this device keeps is known only in the browser.
    // oxlint-disable-next-line react/set-state-in-effect
    void send()
    const timer = setInterval(() => void send(), TRY_AGAIN_MS)
    const again = () => void send()
    window.addEventListener('online', again)
    return () => {
      clearInterval(timer)
      window.removeEventListener('online', again)
    }
  }, [send])
  const take = useCallback(
    async (file: File, step: string, by: string) => {
      try {
        const photo = { id: uuidV7(), step, by, at: serverStamp(), picture: await madeSmall(file) }
        await keepPhoto(buildId, photo)
        show(photo)
        setTrouble('')
      } catch {
        return setTrouble('This picture could not be read or kept. Take it again, as a JPEG or PNG.')
      }
      await send()
    },
    [buildId, send, show],
  )
  return { waiting, trouble, take }
}

interface Screen {
  readonly show: (photo: KeptPhoto) => void
  readonly hide: (photo: KeptPhoto) => void
  readonly tell: (trouble: string) => void
}

/** Sends what this device keeps and the server has not, picture after picture. */
function useSending(buildId: string, has: readonly PhotoCard[], { show, hide, tell }: Screen): () => Promise<void> {
  const refresh = useRefresh()
  const stored = useRef(new Set<string>())
  useEffect(() => {
    stored.current = new Set(has.map(({ id }) => id))
  }, [has])
  return useCallback(async () => {
    for (const photo of await keptPhotos(buildId)) {
      if (stored.current.has(photo.id)) {
        // Its answer was lost on the way.
        if (photo.sentAt === undefined) await keepPhoto(buildId, { ...photo, sentAt: Date.now() })
        continue
      }
      show(photo)
      const answer = await sendPhoto(buildId, photo)
      if (answer.is === 'unreached') return
      if (answer.is === 'refused') {
        // A server put back from a backup may take it later: nothing is thrown away here.
        tell(`${answer.why} It stays on this device, and is sent again.`)
        continue
      }
      stored.current.add(photo.id)
      await keepPhoto(buildId, { ...photo, sentAt: Date.now() })
      hide(photo)
      refresh()
    }
  }, [buildId, refresh, show, hide, tell])
}

/** What is taken amid a round is sent by the next, at once. */
function useOneRoundAtATime(round: () => Promise<void>): () => Promise<void> {
  const isSending = useRef(false)
  const isAskedAgain = useRef(false)
  return useCallback(async () => {
    isAskedAgain.current = true
    if (isSending.current) return
    isSending.current = true
    try {
      while (isAskedAgain.current) {
        isAskedAgain.current = false
        await round()
      }
    } finally {
      isSending.current = false
    }
  }, [round])
}
