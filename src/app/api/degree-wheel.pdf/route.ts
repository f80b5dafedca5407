import { NextResponse } from 'next/server'
import { z } from 'zod'
import { WHEEL_NUMBERINGS, WHEEL_TURNS } from '@/core/geometry/valvetrain/printedWheel'
import { wheelPdf } from '@/features/cam/wheelPdf'
import { answering, refused } from '../../answer'
import { attachment } from '../../attachment'

const asked = z.object({
  kind: z.enum(['wheel', 'tape']).default('wheel'),
  diameterMm: z.coerce.number().min(60).max(600),
  turns: z.enum(WHEEL_TURNS).default('clockwise'),
  numbering: z.enum(WHEEL_NUMBERINGS).default('0-180-0'),
  size: z.enum(['a4', 'letter']).default('a4'),
})

/** A degree wheel or a balancer tape to print, at true scale. */
export function GET(request: Request) {
  return answering(async () => {
    const read = asked.safeParse(Object.fromEntries(new URL(request.url).searchParams))
    if (!read.success) return refused(400, 'A wheel is between 60 and 600 mm across, and turns clockwise or anticlockwise.')
    const { size, ...wheel } = read.data
    const pdf = await wheelPdf(wheel, size === 'letter' ? 'LETTER' : 'A4')
    return new NextResponse(pdf, { headers: attachment(`${wheel.kind} ${wheel.diameterMm} mm`, 'degrees.pdf', 'application/pdf') })
  })
}
