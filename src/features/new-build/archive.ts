import { strFromU8, unzipSync } from 'fflate'
import { ARCHIVED_BUILD, photoOfFileName, type PhotoCard } from '@/core/files/photos'

/** What a file of a build holds: its document as text, and the pictures of its steps where it is an archive. */
export interface OpenedFile {
  readonly text: string
  readonly photos: readonly (PhotoCard & { readonly picture: Blob })[]
}

/** @throws where an archive is damaged, or holds no build */
export function openedArchive(bytes: Uint8Array): OpenedFile {
  const files = unzipSync(bytes)
  const build = files[ARCHIVED_BUILD]
  if (!build) throw new Error(`${ARCHIVED_BUILD} is missing`)
  const photos = Object.entries(files).flatMap(([name, picture]) => {
    const card = photoOfFileName(name)
    return card ? [{ ...card, picture: new Blob([picture as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' }) }] : []
  })
  return { text: strFromU8(build), photos }
}
