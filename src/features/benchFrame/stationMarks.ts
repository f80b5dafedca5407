import type { Bench, Finding, Station } from '@/core/bench/bench'
import type { Build } from '@/core/document'
import { cylinderOf, findingId } from '@/core/document/place'
import type { StationMark } from '@/wording'
import { standingOf } from '@/wording'

/** One mark a spot of the drawing: places read more than once share it, the open one or the current one on top. */
export function stationMarks(
  bench: Bench,
  stations: readonly Station[],
  settled: readonly Finding[],
  build: Build,
  current: Station | undefined,
): readonly StationMark[] {
  const standings = new Map(settled.map((finding) => [finding.id, standingOf(finding)]))
  const marks = new Map<string, StationMark>()
  for (const station of stations) {
    const { main } = station.place
    const cylinder = cylinderOf(station.place)
    if (cylinder === undefined && main === undefined) continue
    const judgedBy = bench.definition.characteristics[station.characteristic]?.judgedBy
    const judged = (judgedBy && standings.get(findingId(judgedBy, station.place))) ?? 'noLimit'
    const standingRead = judged === 'notMeasured' ? 'noLimit' : judged
    const standing = build.readings.current.has(station.id) ? standingRead : 'notMeasured'
    const spot = `${cylinder}/${main}/${station.drawnAt.x}/${station.drawnAt.y}`
    const known = marks.get(spot)
    if (
      !known ||
      station.id === current?.id ||
      (known.id !== current?.id && known.standing !== 'notMeasured' && standing === 'notMeasured')
    ) {
      marks.set(spot, { id: station.id, label: station.label, cylinder, main, ...station.drawnAt, standing })
    }
  }
  return [...marks.values()]
}
