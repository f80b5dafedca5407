import { addDays, eachDayOfInterval, formatISO, parseISO } from 'date-fns'
import { isDay } from '@/features/fields/day'

/** Nobody closes a shop for longer than two years. */
const MOST_DAYS = 400

const iso = (day: Date) => formatISO(day, { representation: 'date' })

/** Days a shop is closed on, as they are typed: `2026-12-25, 2026-12-28 to 2027-01-02`; undefined where that is no list of days. */
export function closedDays(text: string): readonly string[] | undefined {
  const parts = text
    .split(/[,;\n]/)
    .map((part) => part.trim())
    .filter(Boolean)
  const runs = parts.map((part) => runOf(part))
  if (runs.some((run) => run === undefined)) return undefined
  const days = [...new Set(runs.flatMap((run) => run!))].toSorted()
  return days.length > MOST_DAYS ? undefined : days
}

function runOf(part: string): readonly string[] | undefined {
  const [from, to = from, more] = part.split(/\s+(?:to|–|-)\s+/)
  if (!from || !to || more !== undefined || !isDay(from) || !isDay(to)) return undefined
  const [start, end] = [parseISO(from), parseISO(to)]
  if (end < start || end > addDays(start, MOST_DAYS)) return undefined
  return eachDayOfInterval({ start, end }).map(iso)
}

/** The same days as somebody would type them: neighbours as a run. */
export function daysWords(days: readonly string[]): string {
  const runs: [string, string][] = []
  for (const day of days.toSorted()) {
    const last = runs.at(-1)
    if (last && iso(addDays(parseISO(last[1]), 1)) === day) last[1] = day
    else runs.push([day, day])
  }
  return runs.map(([from, to]) => (from === to ? from : `${from} to ${to}`)).join(', ')
}
