/** How long steps take in this shop, off its own record. */
import { group, median } from 'd3-array'
import type { OwnTimes } from './plan'

export interface TookStep {
  readonly kind: string
  readonly minutes: number
}

/** Fewer than this may have been any day's luck. */
const ENOUGH = 3
/** Shorter than this nobody worked: several were signed off one behind the other. */
const LEAST_MIN = 2

/** The middle of what steps of a kind took, where there are enough of them. */
export function ownTimes(took: readonly TookStep[]): OwnTimes {
  const worked = took.filter(({ minutes }) => minutes >= LEAST_MIN)
  return new Map(
    [...group(worked, ({ kind }) => kind)].flatMap(([kind, all]) =>
      all.length >= ENOUGH ? [[kind, median(all, ({ minutes }) => minutes)!] as const] : [],
    ),
  )
}
