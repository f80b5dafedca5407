import 'server-only'
import { NextResponse } from 'next/server'
import type { z } from 'zod'
import { shapeIssue } from '@/core/files'
import { isRefused, type RefusalCode } from '@/data/failure'
import { fileIssueWords, placeWords } from '@/wording'
import { refusalWords } from '@/wording/refusals'

const STATUS: Readonly<Record<RefusalCode, number>> = {
  noSuchBuild: 404,
  staleRevision: 409,
  idTaken: 409,
  noSuchGauge: 422,
  noSuchTarget: 422,
  wrongTarget: 422,
  buildExists: 409,
  newerBuild: 409,
  photoTaken: 409,
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
    if (isRefused(error)) return refused(STATUS[error.code], refusalWords(error.code, error.about))
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
 * The body as it was sent, up to a size that is told before it is read where the sender says it.
 * @throws BadRequest where it is larger, or breaks off on the way: its sender sends it again, and nobody is to read of it in a log
 */
export async function bodyBytes<Read>(request: Request, most: number, as: (bytes: Uint8Array<ArrayBuffer>) => Read): Promise<Read> {
  const tooLarge = new BadRequest(`This is larger than ${most / 1_000_000} MB. Nothing was stored.`, 413)
  if (Number(request.headers.get('content-length')) > most) throw tooLarge
  let bytes: Uint8Array<ArrayBuffer>
  try {
    bytes = new Uint8Array(await request.arrayBuffer())
  } catch {
    throw new BadRequest('The request broke off on the way. Nothing was stored.', 400)
  }
  if (bytes.length > most) throw tooLarge
  return as(bytes)
}

/**
 * The body as data of a schema. A page of another site can send text and forms but not JSON, so that nothing else is taken.
 * @throws BadRequest naming the first fault and its path.
 */
export async function bodyOf<Schema extends z.ZodType>(request: Request, schema: Schema): Promise<z.infer<Schema>> {
  const type = request.headers.get('content-type') ?? ''
  if (!/^application\/json\b/i.test(type)) throw new BadRequest('Only JSON is taken here. Nothing was stored.', 415)
  const text = await bodyBytes(request, MOST_BYTES, (bytes) => new TextDecoder().decode(bytes))
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
