/** What a plan makes stale, reading by reading: they say how parts were before it. */
import { withSpec, type Build } from '../document/build'
import { withChanges, withChosenAfter, withPlannedAfter } from '../document/changes'
import { stationId } from '../document/place'
import { restsOn } from '../document/remembered'
import type { EngineChange } from '../document/types'
import { stationBeforeWork } from '../document/work'
import { benchOf } from '../bench/bench'
import { benchById } from '../benches'
import { evaluate } from '../evaluation/evaluate'

/** Stations that are to be read again once changes are done, and were not before. */
export function toReadAgain(build: Build, changes: readonly EngineChange[]): readonly string[] {
  const planned = withSpec(build, withPlannedAfter(withChosenAfter(withChanges(build.spec, changes), build), build))
  const before = beforeWork(build)
  const stations = [...beforeWork(planned), ...ofOldShells(build, changes), ...ofOldGasket(build, changes)]
  return [...new Set(stations)].filter((station) => !before.has(station) && build.readings.current.has(station))
}

function beforeWork(build: Build): ReadonlySet<string> {
  const stations = evaluate(build).flatMap(({ id }) => restsOn(build, id).flatMap((use) => stationBeforeWork(use) ?? []))
  return new Set(stations)
}

/** Clearances that were measured with other halves. */
function ofOldShells({ readings }: Build, changes: readonly EngineChange[]): readonly string[] {
  return changes.flatMap((change) => {
    const reading = 'choose' in change && change.choose === 'shells' ? readings.byId.get(change.pair.plannedOn) : undefined
    return reading?.kind === 'reading' ? [stationId(reading.characteristic, reading.place)] : []
  })
}

/** What was measured of a gasket is measured of that one. */
function ofOldGasket({ readings }: Build, changes: readonly EngineChange[]): readonly string[] {
  const isOther = changes.some((change) => 'choose' in change && (change.choose === 'gasket' || change.choose === 'gasketLayers'))
  if (!isOther) return []
  return [...readings.current].flatMap(([station, { characteristic }]) => {
    const { ofChosen } = benchById(benchOf(characteristic)).definition.characteristics[characteristic]!
    return ofChosen === 'gasket' ? [station] : []
  })
}
