import type { KeptPhoto } from './keptPhotos'

/** What the server said of a picture: kept, refused with why, or nothing. */
export type PhotoAnswer = { readonly is: 'kept' } | { readonly is: 'refused'; readonly why: string } | { readonly is: 'unreached' }

const CREATED = 201
/** A connection that died without a word would be waited on for minutes; the same picture sent again is the same picture. */
const GIVE_UP_MS = 30_000

/**
 * Sends a picture. Only a 201 of our own that names this picture counts as kept: a page to sign in, a proxy, a redirect or any other
 * answer is none, and the picture stays on the device.
 */
export async function sendPhoto(buildId: string, { id, step, at, by, picture }: KeptPhoto): Promise<PhotoAnswer> {
  try {
    const response = await fetch(`/api/builds/${buildId}/photos?${new URLSearchParams({ id, step, at, by })}`, {
      method: 'POST',
      headers: { 'content-type': 'image/jpeg' },
      body: picture,
      redirect: 'manual',
      signal: AbortSignal.timeout(GIVE_UP_MS),
    })
    const answer = (await response.json()) as { id?: unknown; error?: unknown } | null
    if (response.status === CREATED && answer?.id === id) return { is: 'kept' }
    const isRefusal = response.status >= 400 && response.status < 500
    return isRefusal && typeof answer?.error === 'string' ? { is: 'refused', why: answer.error } : { is: 'unreached' }
  } catch {
    return { is: 'unreached' }
  }
}
