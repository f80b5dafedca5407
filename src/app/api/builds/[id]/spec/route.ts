import { NextResponse } from 'next/server'
import { z } from 'zod'
import { specIssues, specSchema } from '@/core/build/files'
import { database } from '@/data/database'
import { fileIssueWords } from '@/wording'
import { answering, bodyOf, refused } from '../../../../answer'

const body = z.object({ basedOn: z.int().positive(), by: z.string().trim().min(1).max(8), reason: z.string().trim().min(1).max(200), spec: specSchema })

/** Stores the spec as the next revision; earlier ones stay. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { basedOn, by, reason, spec } = await bodyOf(request, body)
    const [issue] = specIssues(spec)
    if (issue) return refused(422, `${fileIssueWords(issue)} Nothing was stored.`)
    const { builds } = await database()
    return NextResponse.json({ revision: await builds.revise((await params).id, basedOn, spec, by, reason) })
  })
}

/** The spec as it stood at a revision (what an undo goes back to), or the latest with its number. */
export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { id } = await params
    const wanted = new URL(request.url).searchParams.get('revision')
    const { builds } = await database()
    const number = wanted === 'latest' ? (await builds.revisions(id))[0]?.number : Number(wanted)
    const spec = number === undefined ? undefined : await builds.specAt(id, number)
    return spec ? NextResponse.json({ spec, revision: number }) : refused(404, 'There is no such revision.')
  })
}
