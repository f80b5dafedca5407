import { NextResponse } from 'next/server'
import { writeBuildFile } from '@/core/files'
import { database } from '@/data/database'
import { answering, refused } from '../../../../answer'
import { attachment } from '../../../../attachment'

/** The whole build as a file. */
export function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { builds } = await database()
    const build = await builds.load((await params).id)
    if (!build) return refused(404, 'There is no such build here.')
    return new NextResponse(writeBuildFile(build.document), {
      headers: attachment(build.document.spec.name, 'kalibros.json', 'application/json'),
    })
  })
}
