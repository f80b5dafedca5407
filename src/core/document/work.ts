/**
 * Work on metal: what is taken off, opened or filed, as ids and numbers in canonical units. A build holds what is planned in its
 * spec; what is only considered is held beside it. Every value is then what it would be once the work is done.
 */
import type { Build } from './build'
import { derivation } from './remembered'
import type { Work } from './types'

/** What work is done on, as `hone/3`: two amounts on one are added up. */
export function workPlace(work: Work): string {
  if ('ring' in work) return `${work.what}/${work.ring}/${work.cylinder}`
  if ('valves' in work) return `${work.what}/${work.valves}`
  if ('cam' in work) return `${work.what}/${work.cam}`
  return 'cylinder' in work ? `${work.what}/${work.cylinder}` : work.what
}

/** The same build with work considered on it. */
export function withConsidered(build: Build, more: readonly Work[]): Build {
  const considered = new Map(build.considered)
  for (const work of more) {
    const known = considered.get(workPlace(work))
    considered.set(workPlace(work), known ? { ...work, by: known.by + work.by } : work)
  }
  return { ...build, considered }
}

/**
 * How much work is considered or planned on a place, as far as it is still to be done to what was read at a station: a part read
 * after its work was planned has been worked on, and is taken as it was read. Without a station: all of it.
 */
export function workOn(build: Build, place: string, station?: string): number {
  const considered = build.considered.get(place)?.by ?? 0
  return build.spec.planned ? considered + plannedOn(build, place, station ?? '') : considered
}

/**
 * All work considered or planned on a place, done or not: what a number on paper says of the part before it. Whether it is still to
 * be done is a matter of what was read since.
 */
export function allWorkOn(build: Build, place: string): number {
  const planned = (build.spec.planned ?? []).filter(({ work }) => workPlace(work) === place)
  return planned.reduce((sum, { work }) => sum + work.by, build.considered.get(place)?.by ?? 0)
}

const PLANNED = 'plannedWork'

const plannedOn = derivation(PLANNED, (build, place: string, station: string): number => {
  const readingId = build.readings.current.get(station)?.id
  return (build.spec.planned ?? [])
    .filter(({ work, after }) => workPlace(work) === place && isBefore(build, readingId, after))
    .reduce((sum, { work }) => sum + work.by, 0)
})

/** Whether a reading was taken before something was planned: up to the last entry there was then. */
function isBefore(build: Build, readingId: string | undefined, after: string | undefined): boolean {
  if (readingId === undefined) return true
  const { arrival } = build.readings
  return after !== undefined && (arrival.get(readingId) ?? Infinity) <= (arrival.get(after) ?? -1)
}

/** The station of a reading that was taken before work that is planned and not done; undefined: something else was looked up. */
export function stationBeforeWork(use: Parameters<typeof isPlannedWork>[0]): string | undefined {
  if (!isPlannedWork(use)) return undefined
  const parts = String(use.key).split('/')
  // What is worked on has no dot in it, a station begins with one in its name.
  const at = parts.findIndex((part) => part.includes('.'))
  return at < 0 ? undefined : parts.slice(at).join('/')
}

/** Whether something looked up was work that is planned and not done. */
export function isPlannedWork({ source, key, value }: { readonly source: string; readonly key: string | number; readonly value: unknown }) {
  return source === 'derivation' && value !== 0 && String(key).startsWith(`${PLANNED}/`)
}
