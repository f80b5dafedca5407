'use client'
import { useEffect } from 'react'
import { onceReachable } from '@/ui/onceReachable'

const RELOAD_AFTER_MS = 2000

/** A part of the page that never came: the connection went while it was fetched. The parts themselves are sound. */
function isUnfetched(error: Error): boolean {
  return error.name === 'ChunkLoadError' || /load(?:ing)? chunk|dynamically imported module/i.test(error.message)
}

/** Loads the page again once the server answers: a part that was not fetched is asked for no second time by the page itself. */
function useReloadOnceReachable(wanted: boolean): void {
  useEffect(() => (wanted ? onceReachable(() => location.reload(), RELOAD_AFTER_MS) : undefined), [wanted])
}

/** Plain on purpose: what failed may be the interface itself. */
export default function PageFailed({ error, reset }: { error: Error & { digest?: string }; reset: () => void }) {
  const unfetched = isUnfetched(error)
  const isNewer = error.digest === 'newerBuild'
  useReloadOnceReachable(unfetched)
  return (
    <main style={{ maxWidth: '60ch', margin: '0 auto', padding: '64px 24px', display: 'grid', gap: 20, fontSize: 16 }}>
      <h1 style={{ fontSize: 28, lineHeight: 1.15 }}>{unfetched ? 'The server is out of reach' : 'This page cannot be shown'}</h1>
      <p>
        {unfetched && 'A part of this page could not be fetched. It comes back by itself as soon as the server answers. '}
        {isNewer && 'This build was written by a newer Kalibros: open it with that one. '}
        {!unfetched && !isNewer && 'Something in it could not be worked out. '}
        Nothing that was stored is touched, and what this device holds unsent is kept and sent on.
      </p>
      <p>
        <button type="button" onClick={unfetched ? () => location.reload() : reset} style={{ minHeight: 40, padding: '0 14px' }}>
          Try again
        </button>
      </p>
      <p>
        {/* oxlint-disable-next-line next/no-html-link-for-pages -- a whole load is wanted: the page's own script has failed */}
        <a href="/">To the shop board</a>
      </p>
    </main>
  )
}
