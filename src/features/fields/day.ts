import { isValid, parseISO } from 'date-fns'

const DAY = /^\d{4}-\d{2}-\d{2}$/

/** Whether a text is a day the calendar has, as 2026-03-01. */
export function isDay(text: string): boolean {
  return DAY.test(text) && isValid(parseISO(text))
}
