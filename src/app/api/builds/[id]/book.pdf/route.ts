import { NextResponse } from 'next/server'
import { database } from '@/data/database'
import { bookPdf } from '@/features/book/bookPdf'
import { bookSheet } from '@/features/book/bookSheet'
import { answering, refused } from '../../../../answer'
import { attachment } from '../../../../attachment'
import { shopDay } from '@/shop/shopDay'

export function GET(request: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { builds } = await database()
    const build = await builds.load((await params).id)
    if (!build) return refused(404, 'There is no such build here.')
    const query = new URL(request.url).searchParams
    const asked = query.get('units')
    const system = asked === 'inch' || asked === 'metric' ? asked : build.document.spec.units
    const pdf = await bookPdf(bookSheet(build.document, system), query.get('size') === 'letter' ? 'LETTER' : 'A4', shopDay())
    return new NextResponse(pdf, { headers: attachment(build.document.spec.name, 'book.pdf', 'application/pdf') })
  })
}
