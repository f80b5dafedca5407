import { strToU8, zipSync } from 'fflate'
import { NextResponse } from 'next/server'
import { ARCHIVED_BUILD, photoFileName, writeBuildFile } from '@/core/files'
import { database } from '@/data/database'
import { answering, refused } from '../../../../answer'
import { attachment } from '../../../../attachment'

/** The build file and the pictures of its steps, in one archive. */
export function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { id } = await params
    const { builds, photos } = await database()
    const build = await builds.load(id)
    if (!build) return refused(404, 'There is no such build here.')
    const files: Record<string, Uint8Array> = { [ARCHIVED_BUILD]: strToU8(writeBuildFile(build.document)) }
    for (const card of await photos.cards(id)) files[photoFileName(card)] = (await photos.bytes(id, card.id))!
    // A JPEG does not get smaller.
    const archive = zipSync(files, { level: 1 })
    return new NextResponse(archive as Uint8Array<ArrayBuffer>, {
      headers: attachment(build.document.spec.name, 'kalibros.zip', 'application/zip'),
    })
  })
}
