import { NextResponse } from 'next/server'
import { database } from '@/data/database'
import { answering, refused } from '../../../../../answer'

/** A picture, which never changes. */
export function GET(_: Request, { params }: { params: Promise<{ id: string; photo: string }> }) {
  return answering(async () => {
    const { id, photo } = await params
    const bytes = await (await database()).photos.bytes(id, photo)
    if (!bytes) return refused(404, 'There is no such picture here.')
    const headers = { 'content-type': 'image/jpeg', 'cache-control': 'private, max-age=31536000, immutable' }
    return new NextResponse(bytes, { headers })
  })
}
