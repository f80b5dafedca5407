import { NextResponse } from 'next/server'
import { jointsOf } from '@/core/joints'
import { database } from '@/data/database'
import { templatePdf } from '@/features/joints/templatePdf'
import { answering, refused } from '../../../../../../answer'
import { attachment } from '../../../../../../attachment'

export function GET(request: Request, { params }: { params: Promise<{ id: string; joint: string }> }) {
  return answering(async () => {
    const { builds } = await database()
    const { id, joint: jointId } = await params
    const build = await builds.load(id)
    if (!build) return refused(404, 'There is no such build here.')
    const { spec } = build.document
    const joint = jointsOf(spec).find((one) => one.id === jointId)
    if (!joint) return refused(404, 'There is no such joint in this build.')
    if (!joint.placed) return refused(409, 'Nobody has said where its fasteners stand: a template at true scale would be a guess.')
    const size = new URL(request.url).searchParams.get('size') === 'letter' ? 'LETTER' : 'A4'
    const pdf = await templatePdf(joint, spec, size)
    return new NextResponse(pdf, { headers: attachment(`${spec.name} ${joint.name}`, 'template.pdf', 'application/pdf') })
  })
}
