import { NextResponse } from 'next/server'
import { jpegFault, MOST_PHOTO_BYTES, photoSchema, type JpegFault } from '@/core/files'
import { database } from '@/data/database'
import { answering, bodyBytes, refused, shapeWords } from '../../../../answer'

const FAULT_WORDS: Readonly<Record<JpegFault, string>> = {
  notJpeg: 'This is not a picture that can be kept: a whole JPEG is wanted.',
  tooLarge: `The picture weighs more than ${MOST_PHOTO_BYTES / 1000} kB.`,
  tellsWhere: 'The picture still says where, or with what, it was taken, or holds something beside itself.',
  cutShort: 'The picture breaks off: only a part of it came.',
  moreBehind: 'Something stands behind the end of the picture.',
}

/** Keeps a picture of a step. The same picture sent again is the same picture. */
export function POST(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { id } = await params
    // A form of another site cannot send a picture as such, so that nothing else is taken.
    if (request.headers.get('content-type') !== 'image/jpeg') return refused(415, 'Only a JPEG is taken here. Nothing was stored.')
    const card = photoSchema.safeParse(Object.fromEntries(new URL(request.url).searchParams))
    if (!card.success) return refused(422, `${shapeWords(card.error)} Nothing was stored.`)
    const bytes = await bodyBytes(request, MOST_PHOTO_BYTES, (sent) => sent)
    const fault = jpegFault(bytes)
    if (fault) return refused(422, `${FAULT_WORDS[fault]} Nothing was stored.`)
    const { photos } = await database()
    await photos.add(id, { ...card.data, bytes })
    return NextResponse.json({ id: card.data.id }, { status: 201 })
  })
}
