/** Plain on purpose: it is fetched with every page, so it brings none of the interface along. */
export default function NotFound() {
  return (
    <main style={{ maxWidth: '60ch', margin: '0 auto', padding: '64px 24px', display: 'grid', gap: 20, fontSize: 16 }}>
      <h1 style={{ fontSize: 28, lineHeight: 1.15 }}>Nothing here</h1>
      <p>
        There is no build, bench or sum at this address. Nothing is ever deleted here, so it is most likely a letter too many or too few.
      </p>
      <p>
        {/* oxlint-disable-next-line next/no-html-link-for-pages -- the link component alone is an eighth of the page's own scripts */}
        <a href="/">To the shop board</a>
      </p>
    </main>
  )
}
