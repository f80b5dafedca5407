import { strFromU8, unzipSync, type UnzipFileInfo } from 'fflate'
import { MOST_PHOTO_BYTES } from '@/core/files/jpeg'
import { ARCHIVED_BUILD, photoOfFileName, type PhotoCard } from '@/core/files/photos'

/** What a file of a build holds: its document as text, and the pictures of its steps where it is an archive. */
export interface OpenedFile {
  readonly text: string
  readonly photos: readonly (PhotoCard & { readonly picture: Blob })[]
}

/** What is wrong with an archive, in words for the person who brought it. */
export class BadArchive extends Error {
  override readonly name = 'BadArchive'
}

const MOST_ARCHIVE_BYTES = 200_000_000
const MOST_BUILD_BYTES = 20_000_000
const MOST_FILES = 2000

/** @throws BadArchive where it holds no build, a file too large, or one name twice; an Error where it is damaged */
export async function openedArchive(file: File): Promise<OpenedFile> {
  if (file.size > MOST_ARCHIVE_BYTES) throw new BadArchive('This archive is larger than 200 MB.')
  const bytes = new Uint8Array(await file.arrayBuffer())
  const wanted = wantedFiles(bytes)
  const files = unzipSync(bytes, { filter: ({ name }) => wanted.has(name) })
  const photos = [...wanted].flatMap(([name, card]) =>
    card ? [{ ...card, picture: new Blob([files[name] as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' }) }] : [],
  )
  return { text: strFromU8(files[ARCHIVED_BUILD]!), photos }
}

/** Names and sizes first, before anything is unpacked: the build, and every picture of a step with its card. */
function wantedFiles(bytes: Uint8Array): ReadonlyMap<string, PhotoCard | undefined> {
  const listed: UnzipFileInfo[] = []
  unzipSync(bytes, { filter: (info) => listed.push(info) < 0 })
  if (listed.length > MOST_FILES) throw new BadArchive(`This archive holds ${listed.length} files, more than any build has.`)
  const wanted = new Map<string, PhotoCard | undefined>()
  const ids = new Set<string>()
  for (const { name, originalSize } of listed) {
    const card = photoOfFileName(name)
    if (!card && name !== ARCHIVED_BUILD) continue
    if (originalSize > (card ? MOST_PHOTO_BYTES : MOST_BUILD_BYTES)) throw new BadArchive(`${name} in this archive is too large.`)
    if (wanted.has(name) || (card && ids.has(card.id))) throw new BadArchive(`${name} is in this archive twice.`)
    wanted.set(name, card)
    if (card) ids.add(card.id)
  }
  if (!wanted.has(ARCHIVED_BUILD)) throw new BadArchive(`${ARCHIVED_BUILD} is not in this archive.`)
  return wanted
}
