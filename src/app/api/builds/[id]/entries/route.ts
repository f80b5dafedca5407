import { NextResponse } from 'next/server'
import { z } from 'zod'
import { entrySchema } from '@/core/build/files'
import { database } from '@/data/database'
import { answering, bodyOf } from '../../../../answer'

const body = z.object({ entries: z.array(entrySchema).min(1).max(5000) })

/** Adds entries to a build. A repeated send is the same entries; all are stored or none. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { entries } = await bodyOf(request, body)
    const { builds } = await database()
    return NextResponse.json(await builds.append((await params).id, entries))
  })
}
