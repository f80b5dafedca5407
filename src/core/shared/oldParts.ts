import type { Build } from '../document/build'
import type { Remark } from '../bench/bench'
import { pistonIn } from './fitted'

declare module '../bench/vocabulary' {
  interface RemarkFields {
    oldPart: { readonly part: 'piston' | 'gasket' }
  }
}

/** Whether a reading was taken before other parts were chosen: it says nothing of the new ones. */
export function isOfOldPart(build: Build, part: 'gasket' | 'pistons', readingId: string | undefined): boolean {
  const after = build.spec.choice.chosenAfter?.[part]
  if (after === undefined || readingId === undefined) return false
  return (build.readings.arrival.get(readingId) ?? Infinity) <= (build.readings.arrival.get(after) ?? -1)
}

/** Said of what was measured with the piston that stood in a bore before the plan. */
export function oldPistonRemarks(build: Build, cylinder: number, stations: readonly string[]): Remark[] {
  if (pistonIn(build, cylinder) === cylinder) return []
  const isOld = stations.some((station) => isOfOldPart(build, 'pistons', build.readings.current.get(station)?.id))
  return isOld ? [{ code: 'oldPart', part: 'piston' }] : []
}
