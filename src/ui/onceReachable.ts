const ASK_AGAIN_MS = 2000

/**
 * Calls once, as soon as the server answers: asked at first after `firstAfterMs`, then every two seconds.
 * @returns what gives it up
 */
export function onceReachable(then: () => void, firstAfterMs = 0): () => void {
  const givenUp = new AbortController()
  let timer = setTimeout(ask, firstAfterMs)
  function ask() {
    const answered = fetch('/api/health', { cache: 'no-store', signal: givenUp.signal }).then(
      ({ ok }) => ok,
      () => false,
    )
    void answered.then((isReached) => {
      if (givenUp.signal.aborted) return
      if (isReached) then()
      else timer = setTimeout(ask, ASK_AGAIN_MS)
    })
  }
  return () => {
    givenUp.abort()
    clearTimeout(timer)
  }
}
