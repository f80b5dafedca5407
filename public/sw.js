// Keeps a copy of every page seen and of the files it needs. Network first for pages, so that nothing stale is shown while the
// server answers; copies first for files whose name changes with their content. Readings are never kept here: the page does that.
const COPIES = 'kalibros-copies-1'

self.addEventListener('install', () => self.skipWaiting())
self.addEventListener('activate', (event) => event.waitUntil(self.clients.claim()))

self.addEventListener('fetch', (event) => {
  const { request } = event
  const url = new URL(request.url)
  if (request.method !== 'GET' || url.origin !== self.location.origin) return
  if (url.pathname.startsWith('/_next/static/')) event.respondWith(copyFirst(request))
  else if (request.mode === 'navigate') event.respondWith(networkFirst(request))
})

async function copyFirst(request) {
  const copies = await caches.open(COPIES)
  const copy = await copies.match(request)
  // Several workers are one file with what is to be run behind a #, and a copy keeps the # it was first fetched with: answered
  // afresh, without an address of its own, each worker starts with the one it was asked with.
  if (copy) return new Response(copy.body, copy)
  const answer = await fetch(request)
  if (answer.ok) await copies.put(request, answer.clone())
  return answer
}

async function networkFirst(request) {
  const copies = await caches.open(COPIES)
  try {
    const answer = await fetch(request)
    // Sent elsewhere, to sign in, it is not this page.
    if (answer.ok && !answer.redirected) await copies.put(request, answer.clone())
    return answer
  } catch (failure) {
    const copy = await copies.match(request)
    if (copy) return copy
    throw failure
  }
}
