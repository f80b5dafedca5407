'use client'
import { useEffect, useRef } from 'react'
import type { Entry } from '@/core/document'

/** What is heard of a build while its page is looked at. */
export interface NewsListener {
  /** Entries that were stored, in order of arrival, from whatever device. */
  readonly onEntries?: (entries: readonly Entry[]) => void
  /** The number of the revision that stands now. */
  readonly onRevision?: (revision: number) => void
}

/** One connection a tab and build, however many parts of the page listen: a browser allows a handful to one server. */
interface Feed {
  readonly listeners: Set<NewsListener>
  source?: EventSource
  /** The last entry heard of; undefined: nobody on this page wants to know. */
  heard?: number
  stop: () => void
}

const feeds = new Map<string, Feed>()

/**
 * Listens to what others do to a build, while the page is in sight: hidden, it lets its connection go to those in sight, and when it
 * is looked at again it hears what it missed.
 * @param after the last entry that the page was served with, in the order of arrival; left out: entries are not its business
 */
export function useNews(buildId: string, listener: NewsListener, after?: number): void {
  const latest = useRef(listener)
  useEffect(() => {
    latest.current = listener
  })
  useEffect(() => {
    const own: NewsListener = {
      onEntries: (entries) => latest.current.onEntries?.(entries),
      onRevision: (revision) => latest.current.onRevision?.(revision),
    }
    const feed = feeds.get(buildId) ?? open(buildId)
    feed.listeners.add(own)
    if (after !== undefined) feed.heard = Math.max(feed.heard ?? 0, after)
    return () => {
      feed.listeners.delete(own)
      if (feed.listeners.size > 0) return
      feed.stop()
      feeds.delete(buildId)
    }
    // Where the page began to listen does not change what it has heard since.
    // oxlint-disable-next-line react/exhaustive-deps
  }, [buildId])
}

const TRY_AGAIN_MS = 2000

function open(buildId: string): Feed {
  let timer: ReturnType<typeof setTimeout> | undefined
  const feed: Feed = { listeners: new Set(), stop: () => {} }
  feeds.set(buildId, feed)
  const close = () => {
    clearTimeout(timer)
    feed.source?.close()
    feed.source = undefined
  }
  const connect = () => {
    close()
    if (document.visibilityState === 'hidden') return
    const source = new EventSource(`/api/builds/${buildId}/news${feed.heard === undefined ? '' : `?after=${feed.heard}`}`)
    feed.source = source
    source.addEventListener('entries', (event) => {
      feed.heard = Math.max(feed.heard ?? 0, Number(event.lastEventId))
      const entries = JSON.parse(event.data as string) as readonly Entry[]
      for (const { onEntries } of feed.listeners) onEntries?.(entries)
    })
    source.addEventListener('revision', (event) => {
      for (const { onRevision } of feed.listeners) onRevision?.(Number(event.data))
    })
    source.addEventListener('error', () => {
      // A server that answers with a failure ends the source for good: start another.
      if (source.readyState === EventSource.CLOSED) timer = setTimeout(connect, TRY_AGAIN_MS)
    })
  }
  document.addEventListener('visibilitychange', connect)
  feed.stop = () => {
    document.removeEventListener('visibilitychange', connect)
    close()
  }
  // All parts of the page say first from where on they want to hear.
  timer = setTimeout(connect)
  return feed
}
