import { NextResponse } from 'next/server'
import { database } from '@/data/database'
import { openStored } from '@/shop/openedBuilds'
import { walkAtLastEntry } from '@/shop/summary'
import { clocksCalendar } from '@/features/clocks/clocksCalendar'
import { servedClocks } from '@/shop/servedClocks'
import { answering, refused } from '../../answer'
import { attachment } from '../../attachment'
import { shopClocks } from '../../../shop/shopClocks'

/** The clocks of every build in hand as a calendar, or with `?build=` those of one build. */
export function GET(request: Request) {
  return answering(async () => {
    const id = new URL(request.url).searchParams.get('build')
    if (id === null)
      return new NextResponse(clocksCalendar(await shopClocks()), { headers: attachment('Kalibros clocks', 'ics', 'text/calendar') })
    const { builds } = await database()
    const stored = await builds.load(id)
    if (!stored) return refused(404, 'There is no such build here.')
    const build = openStored(stored)
    const { name } = build.spec
    const own = { build: name, clocks: servedClocks(build, walkAtLastEntry(build)) }
    return new NextResponse(clocksCalendar([own]), { headers: attachment(`${name} clocks`, 'ics', 'text/calendar') })
  })
}
