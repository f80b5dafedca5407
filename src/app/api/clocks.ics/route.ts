import { NextResponse } from 'next/server'
import { jointClocks } from '@/core/joints'
import { database } from '@/data/database'
import { SUMMARY_PROGRAM, summarise } from '@/features/board/summary'
import { clocksCalendar } from '@/features/joints/clocksCalendar'
import { answering, refused } from '../../answer'
import { attachment } from '../../attachment'

/** A shop keeps fewer builds on its board than this. */
const ALL = 100_000

/** Every clock of the board as a calendar, or with `?build=` those of one build. */
export function GET(request: Request) {
  return answering(async () => {
    const { builds } = await database()
    const id = new URL(request.url).searchParams.get('build')
    if (id === null) {
      const { rows } = await builds.board({ offset: 0, size: ALL }, SUMMARY_PROGRAM, ({ document }) => summarise(document))
      const all = rows.flatMap(({ id: buildId, summary }) => (summary ? [{ buildId, build: summary.name, clocks: summary.clocks }] : []))
      return new NextResponse(clocksCalendar(all), { headers: attachment('Kalibros clocks', 'ics', 'text/calendar') })
    }
    const build = await builds.load(id)
    if (!build) return refused(404, 'There is no such build here.')
    const { spec, entries } = build.document
    const own = { buildId: id, build: spec.name, clocks: jointClocks(spec, entries) }
    return new NextResponse(clocksCalendar([own]), { headers: attachment(`${spec.name} clocks`, 'ics', 'text/calendar') })
  })
}
