import { NextResponse } from 'next/server'
import { openBuild } from '@/core/benches'
import { readingsToCsv } from '@/core/files'
import { database } from '@/data/database'
import { answering, refused } from '../../../../answer'
import { attachment } from '../../../../attachment'

export function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { builds } = await database()
    const build = await builds.load((await params).id)
    if (!build) return refused(404, 'There is no such build here.')
    return new NextResponse(readingsToCsv(openBuild(build.document)), {
      headers: attachment(build.document.spec.name, 'readings.csv', 'text/csv'),
    })
  })
}
