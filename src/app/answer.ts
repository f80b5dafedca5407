import 'server-only'
import { NextResponse } from 'next/server'
import type { z } from 'zod'
import { shapeIssue } from '@/core/files'
import { isRefused, type RefusalCode } from '@/data/failure'
import { fileIssueWords, placeWords } from '@/wording'

const REFUSAL: Readonly<Record<RefusalCode, { status: number; words: (about: string) => string }>> = {
  noSuchBuild: { status: 404, words: () => 'There is no such build here. Nothing was stored.' },
  staleRevision: {
    status: 409,
    words: () => 'Somebody saved this build in between. Nothing was overwritten: load it again and repeat the change.',
  },
  idTaken: {
    status: 409,
    words: () => 'Readings of this file are already here, in another build. Nothing was stored; it can come in as a copy.',
  },
  noSuchGauge: { status: 422, words: (gauge) => `Gauge “${gauge}” is not in the drawer. Nothing was stored.` },
  noSuchTarget: { status: 422, words: () => 'It points at an entry that is not stored. Nothing was stored.' },
  wrongTarget: { status: 422, words: () => 'It points at an entry of another kind: a pull is not undone, and only a reading is struck.' },
  photoTaken: { status: 409, words: () => 'Another picture is kept under this id. This one was not stored.' },
  buildExists: { status: 409, words: () => 'This build is already here. Open it, or bring it in as a copy.' },
}

export function refusalWords(code: RefusalCode, about: string): string {
  return REFUSAL[code].words(about)
}

/** The first thing that is wrong with what was sent, where and what. */
export function shapeWords({ issues: [issue] }: z.ZodError): string {
  return issue ? fileIssueWords(shapeIssue(issue), placeWords) : 'It could not be read.'
}

/** Runs a route's work and words every expected failure; the unexpected goes to the log, not to the person. */
export async function answering(work: () => Promise<NextResponse>): Promise<NextResponse> {
  try {
    return await work()
  } catch (error) {
    if (isRefused(error)) return refused(REFUSAL[error.code].status, refusalWords(error.code, error.about))
    if (error instanceof BadRequest) return refused(error.status, error.message)
    console.error(error)
    return refused(500, 'Something failed here. What you typed is kept on your device.')
  }
}

export function refused(status: number, error: string): NextResponse {
  return NextResponse.json({ error }, { status })
}

class BadRequest extends Error {
  constructor(
    message: string,
    readonly status = 422,
  ) {
    super(message)
  }
}

/** Nothing a person types by hand is larger; a whole build file may be. */
const MOST_BYTES = 20_000_000

/**
 * The body as data of a schema. A page of another site can send text and forms but not JSON, so that nothing else is taken.
 * @throws BadRequest naming the first fault and its path.
 */
export async function bodyOf<Schema extends z.ZodType>(request: Request, schema: Schema): Promise<z.infer<Schema>> {
  const type = request.headers.get('content-type') ?? ''
  if (!/^application\/json\b/i.test(type)) throw new BadRequest('Only JSON is taken here. Nothing was stored.', 415)
  const text = await request.text()
  if (text.length > MOST_BYTES) throw new BadRequest('The file is larger than 20 MB. Nothing was stored.', 413)
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch {
    throw new BadRequest('The request broke off on the way. Nothing was stored.', 400)
  }
  const parsed = schema.safeParse(json)
  if (parsed.success) return parsed.data
  throw new BadRequest(`${shapeWords(parsed.error)} Nothing was stored.`)
}
