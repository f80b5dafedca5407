import type { Build } from '../document/build'
import { namedEntries, type Id } from '../document/ids'
import { stationId, subjectsOn } from '../document/place'
import type { Check, Place } from '../document/types'
import type { Bench, CheckDefinition } from './bench'

/** One thing to look at, at one place, and the last word on it. */
export interface BenchCheck extends CheckDefinition {
  readonly id: Id
  readonly place: Place
  readonly check: Check | undefined
}

/** Everything a bench wants looked at, in the order of its list. */
export function benchChecks(bench: Bench, build: Build): readonly BenchCheck[] {
  return namedEntries(bench.definition.checks ?? {}).flatMap(([id, definition]) =>
    placesOf(build, definition).map((place) => ({ ...definition, id, place, check: checkAt(build, id, place) })),
  )
}

export function checkAt(build: Build, id: Id, place: Place = {}): Check | undefined {
  return build.readings.checks.get(stationId(id, place))
}

function placesOf(build: Build, { each }: CheckDefinition): readonly Place[] {
  return each === undefined ? [{}] : subjectsOn(each, build.spec.layout)
}
