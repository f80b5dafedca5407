import { parseISO } from 'date-fns'
import { NextResponse } from 'next/server'
import { planCalendar } from '@/features/schedule/planCalendar'
import { answering } from '../../answer'
import { attachment } from '../../attachment'
import { shopPlan } from '../../../shop/shopPlan'

/** The plan as a calendar: each stage, what is promised, and what each engine must be ready for; with `?build=` of one build. */
export function GET(request: Request) {
  return answering(async () => {
    const id = new URL(request.url).searchParams.get('build')
    const { engines, now } = await shopPlan()
    const wanted = engines.filter((engine) => id === null || engine.id === id)
    return new NextResponse(planCalendar(wanted, parseISO(now)), { headers: attachment('Kalibros schedule', 'ics', 'text/calendar') })
  })
}
