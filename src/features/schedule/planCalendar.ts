import { addDays, parseISO } from 'date-fns'
import ical from 'ical-generator'
import { STAGE_WORDS } from '@/wording/walk'
import type { ServedEnginePlan } from '@/shop/servedPlan'

/** Stages, promises and events of engines (RFC 5545). The same one is the same event however often the calendar is fetched. */
export function planCalendar(engines: readonly ServedEnginePlan[], now: Date): string {
  const calendar = ical({ name: 'Kalibros schedule', prodId: { company: 'Kalibros', product: 'Bench book', language: 'EN' } })
  const wholeDay = (id: string, day: string, summary: string) => {
    const start = parseISO(day)
    calendar.createEvent({ id, stamp: now, start, end: addDays(start, 1), allDay: true, summary })
  }
  for (const { id, name, bars, awaited, event } of engines) {
    for (const { stage, from, to, isCritical } of bars)
      calendar.createEvent({
        id: `${id}/${stage}`,
        stamp: now,
        start: parseISO(from),
        end: parseISO(to),
        summary: `${name}: ${STAGE_WORDS[stage].title}`,
        ...(isCritical && { description: 'No slack: later here is later at the end.' }),
      })
    for (const part of awaited) if (part.promised) wholeDay(`${id}/part/${part.id}`, part.promised, `${name}: ${part.name} promised`)
    if (event) wholeDay(`${id}/event`, event.date, `${name}: ${event.words}`)
  }
  // Every line ends so, the last one too (RFC 5545, 3.1).
  return `${calendar.toString()}\r\n`
}
