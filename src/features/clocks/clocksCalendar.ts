import ical, { ICalAlarmType } from 'ical-generator'
import type { BuildClocks } from '@/shop/shopClocks'

const QUARTER_HOUR_MS = 900_000

/** Each clock as an event of a quarter of an hour from when it is due, with an alarm then (RFC 5545). */
export function clocksCalendar(builds: readonly BuildClocks[]): string {
  const calendar = ical({ name: 'Kalibros clocks', prodId: { company: 'Kalibros', product: 'Bench book', language: 'EN' } })
  for (const { build, clocks } of builds)
    for (const { id, due, dueAt, startedAt } of clocks) {
      const start = new Date(dueAt)
      const event = calendar.createEvent({
        // The same clock is the same event however often the calendar is fetched.
        id,
        stamp: new Date(startedAt),
        start,
        end: new Date(start.getTime() + QUARTER_HOUR_MS),
        summary: `${build}: ${due}`,
      })
      event.createAlarm({ type: ICalAlarmType.display, trigger: 0 })
    }
  // Every line ends so, the last one too (RFC 5545, 3.1).
  return `${calendar.toString()}\r\n`
}
