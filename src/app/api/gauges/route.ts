import { NextResponse } from 'next/server'
import { z } from 'zod'
import type { Gauge } from '@/core/document'
import { gaugeIssues, gaugeSchema } from '@/core/files'
import { database } from '@/data/database'
import { fileIssueWords, placeWords } from '@/wording'
import { answering, bodyOf, refused } from '../../answer'

const body = z.object({ card: gaugeSchema })

/** Puts a new card in the drawer: a new gauge, or a new state of one. Older cards stay with the readings taken by them. */
export function POST(request: Request) {
  return answering(async () => {
    const { card } = await bodyOf(request, body)
    const [issue] = gaugeIssues(card, ['card'])
    if (issue) return refused(422, `${fileIssueWords(issue, placeWords)} Nothing was stored.`)
    const { gauges } = await database()
    if ((await gauges.list()).some((known) => known.id === card.id))
      return refused(409, 'A card with this id is already in the drawer. Nothing was stored.')
    await gauges.add([card as Gauge])
    return NextResponse.json({ id: card.id }, { status: 201 })
  })
}
