'use client'
/** Plain on purpose: what failed may be the interface itself. */
export default function PageFailed({ reset }: { error: Error; reset: () => void }) {
  return (
    <main style={{ maxWidth: '60ch', margin: '0 auto', padding: '64px 24px', display: 'grid', gap: 20, fontSize: 16 }}>
      <h1 style={{ fontSize: 28, lineHeight: 1.15 }}>This page cannot be shown</h1>
      <p>
        Something in it could not be worked out. Nothing that was stored is touched, and what this device holds unsent is kept and sent on.
      </p>
      <p>
        <button type="button" onClick={reset} style={{ minHeight: 40, padding: '0 14px' }}>
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
