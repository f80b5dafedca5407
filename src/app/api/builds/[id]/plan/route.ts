import { NextResponse } from 'next/server'
import { answering, refused } from '../../../../answer'
import { shopPlan } from '../../../../../shop/shopPlan'

/** When a build is ready, in the plan of all that are in hand. */
export function GET(_: Request, { params }: { params: Promise<{ id: string }> }) {
  return answering(async () => {
    const { id } = await params
    const { engines, now } = await shopPlan()
    const plan = engines.find((engine) => engine.id === id)
    return plan ? NextResponse.json({ plan, now }) : refused(404, 'This build is not planned: put away, or not worked on lately.')
  })
}
