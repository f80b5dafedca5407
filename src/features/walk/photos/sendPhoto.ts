import type { KeptPhoto } from './keptPhotos'

/** What the server said of a picture: kept, refused with why, or nothing. */
export type PhotoAnswer = { readonly is: 'kept' } | { readonly is: 'refused'; readonly why: string } | { readonly is: 'unreached' }

export async function sendPhoto(buildId: string, { picture, ...card }: KeptPhoto): Promise<PhotoAnswer> {
  try {
    const response = await fetch(`/api/builds/${buildId}/photos?${new URLSearchParams({ ...card })}`, {
      method: 'POST',
      headers: { 'content-type': 'image/jpeg' },
      body: picture,
    })
    if (response.ok) return { is: 'kept' }
    if (response.status >= 500) return { is: 'unreached' }
    const { error } = (await response.json()) as { error?: string }
    return { is: 'refused', why: error ?? response.statusText }
  } catch {
    return { is: 'unreached' }
  }
}
