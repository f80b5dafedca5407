/** Working time of a shop: minutes of a plan as moments of a calendar, and back. Where the clock stands is where the program runs. */
import { addDays, addMinutes, differenceInMinutes, formatISO, getDay, set, startOfDay } from 'date-fns'

export interface ShopHours {
  /** Days of the week that are worked, Sunday is 0. */
  readonly days: readonly number[]
  /** Hours of the day, 8 and 17. */
  readonly from: number
  readonly to: number
  /** Days nobody works, as `2026-12-25`; left out: none. */
  readonly closed?: readonly string[]
}

export const USUAL_HOURS: ShopHours = { days: [1, 2, 3, 4, 5], from: 8, to: 17 }

export interface WorkingTime {
  /** The moment a minute of the plan begins: not yet the evening before, but the morning after. */
  readonly startAt: (minute: number) => Date
  /** The moment a minute of the plan is over: still in the evening. */
  readonly endAt: (minute: number) => Date
  /** Minutes of the plan until a moment, none where it is past. */
  readonly minutesUntil: (moment: Date) => number
  readonly minutesADay: number
}

/** @throws where no day is worked, or a day ends before it begins */
export function workingTime(from: Date, hours: ShopHours): WorkingTime {
  const minutesADay = (hours.to - hours.from) * 60
  if (hours.days.length === 0 || minutesADay <= 0) throw new Error('A shop works some of a day, on some days')
  const closed = new Set(hours.closed)
  // By the clock on the wall: where it is put forward or back in the night, nine is still nine.
  const opens = (day: Date) => set(day, { hours: Math.floor(hours.from), minutes: Math.round((hours.from % 1) * 60) })
  /** Mornings of the days that are worked, from the first that is not over. */
  const mornings: Date[] = []
  let day = startOfDay(from)
  if (differenceInMinutes(from, opens(day)) >= minutesADay) day = addDays(day, 1)
  const morning = (index: number): Date => {
    while (mornings.length <= index) {
      if (hours.days.includes(getDay(day)) && !closed.has(formatISO(day, { representation: 'date' }))) mornings.push(opens(day))
      day = addDays(day, 1)
    }
    return mornings[index]!
  }
  /** What of the first day is over. */
  const gone = Math.max(0, differenceInMinutes(from, morning(0)))
  const at = (minute: number, index: number) => addMinutes(morning(index), minute + gone - index * minutesADay)
  return {
    minutesADay,
    startAt: (minute) => at(minute, Math.floor((minute + gone) / minutesADay)),
    endAt: (minute) => at(minute, Math.max(0, Math.ceil((minute + gone) / minutesADay) - 1)),
    minutesUntil: (moment) => {
      let index = 0
      while (morning(index + 1) <= moment) index++
      const within = Math.min(minutesADay, Math.max(0, differenceInMinutes(moment, morning(index))))
      return Math.max(0, index * minutesADay + within - gone)
    },
  }
}
