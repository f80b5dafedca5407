/** Seen only where the server takes its time. */
export default function Loading() {
  return (
    <main style={{ padding: '64px 24px', fontSize: 16 }} aria-busy="true">
      <p role="status">Fetching…</p>
    </main>
  )
}
