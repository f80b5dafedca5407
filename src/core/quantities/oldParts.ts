import type { Build } from '../build/build'
import type { BuildDocument, Spec } from '../build/types'
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

/**
 * The spec with a note beside every part that is chosen in place of another: what was measured up to now was measured with the old one. Going
 * back to the part before, with nothing measured since, brings back what was noted then: its readings are its own again.
 */
export function withChosenAfter(spec: Spec, { spec: before, entries }: Pick<BuildDocument, 'spec' | 'entries'>): Spec {
  const last = entries.at(-1)?.id
  const parts = {
    gasket: spec.choice.gasket !== before.choice.gasket,
    pistons: JSON.stringify(spec.choice.pistonInBore) !== JSON.stringify(before.choice.pistonInBore),
  }
  const chosen = (Object.keys(parts) as (keyof typeof parts)[]).filter((part) => parts[part] && before.choice.chosenAfter?.[part] !== last)
  if (last === undefined || chosen.length === 0) return spec
  return {
    ...spec,
    choice: { ...spec.choice, chosenAfter: { ...spec.choice.chosenAfter, ...Object.fromEntries(chosen.map((part) => [part, last])) } },
  }
}
