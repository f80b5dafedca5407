import ical, { ICalAlarmType } from 'ical-generator'
import type { JointClock } from '@/core/joints'

/** The clocks of a build, to be told from those of others. */
export interface BuildClocks {
  readonly buildId: string
  readonly build: string
  readonly clocks: readonly JointClock[]
}

const TITLES: Readonly<Record<JointClock['kind'], (clock: JointClock) => string>> = {
  sets: ({ name, jointName }) => `${name} sets: ${jointName}`,
  skins: ({ name, jointName }) => `${name} has skinned: close ${jointName}`,
  cures: ({ name, jointName }) => `${name} has cured: oil and water may reach ${jointName}`,
  rests: ({ jointName }) => `Re-torque ${jointName}`,
}

const QUARTER_HOUR_MS = 900_000

/** Each clock as an event of a quarter of an hour from when it is due, with an alarm then (RFC 5545). */
export function clocksCalendar(builds: readonly BuildClocks[]): string {
  const calendar = ical({ name: 'Kalibros clocks', prodId: { company: 'Kalibros', product: 'Bench book', language: 'EN' } })
  for (const { buildId, build, clocks } of builds)
    for (const clock of clocks) {
      const start = new Date(clock.dueAt)
      const event = calendar.createEvent({
        // The same clock is the same event however often the calendar is fetched.
        id: `${buildId}/${clock.joint}/${clock.kind}/${clock.startedAt}`,
        stamp: new Date(clock.startedAt),
        start,
        end: new Date(start.getTime() + QUARTER_HOUR_MS),
        summary: `${build}: ${TITLES[clock.kind](clock)}`,
      })
      event.createAlarm({ type: ICalAlarmType.display, trigger: 0 })
    }
  return calendar.toString()
}
