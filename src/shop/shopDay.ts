import { formatISO } from 'date-fns'

/** The day it is where the server stands: the shop's own. */
export function shopDay(now = new Date()): string {
  return formatISO(now, { representation: 'date' })
}
