import { NextResponse } from 'next/server'
import { z } from 'zod'
import { database } from '@/data/database'
import { answering, bodyOf } from '../../answer'

const body = z.object({
  by: z.string().trim().min(1).max(8),
  means: z
    .object({
      people: z.int().min(1).max(50),
      stands: z.int().min(1).max(50),
      hours: z
        .object({
          days: z.array(z.int().min(0).max(6)).min(1).max(7),
          from: z.number().min(0).max(23.5),
          to: z.number().min(0.5).max(24),
          closed: z.array(z.iso.date()).max(400).optional(),
        })
        .refine(({ from, to }) => from < to, { message: 'a day ends after it begins' }),
    })
    .strict(),
})

/** Who and what the shop has to work with, from now on. */
export function POST(request: Request) {
  return answering(async () => {
    const { by, means } = await bodyOf(request, body)
    const { plans } = await database()
    await plans.setMeans(means, by)
    return NextResponse.json({ means })
  })
}
