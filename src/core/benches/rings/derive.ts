import type { Build } from '../../build/build'
import { cylinderNumbers } from '../../engine'
import { resultOf } from '../../metrology'
import type { Finding, Remark } from '../../bench/bench'
import { smallestOf } from '../../bench/extremeFigure'
import { allOf, finding, intervalOf, isKnown, leafRemark, type Derived } from '../../bench/finding'
import { gapChangeMm, isFiledSince, ringGapAt, ringSpots, ringStation, type RingSpot } from '../../quantities/ringGap'
import type { Ring } from '../../quantities/ringNames'
import { definition } from './definition'
import { buttingTemperature, hotGap, secondOverTop } from './formulas'
import { grooveFindings } from './grooves'
import { cautiousHeat, ringHeat } from './heat'

export function derive(build: Build): Finding[] {
  const numbers = cylinderNumbers(build.spec.layout)
  const each = (output: keyof typeof definition.outputs, of: (cylinder: number) => Derived) =>
    numbers.map((cylinder) => finding(build, definition, output, of(cylinder), { cylinder }))
  const gapsOf = (...rings: Ring[]) => new Map(numbers.map((cylinder) => [cylinder, gapOf(build, rings, cylinder)]))
  const [tops, seconds] = [gapsOf('top'), gapsOf('second')]
  return [
    ...each('topGap', (cylinder) => tops.get(cylinder)!),
    ...each('secondGap', (cylinder) => seconds.get(cylinder)!),
    ...each('secondOverTop', (cylinder) => secondOver(tops.get(cylinder)!, seconds.get(cylinder)!)),
    ...each('railGap', (cylinder) => gapOf(build, ['upperRail', 'lowerRail'], cylinder)),
    ...(build.spec.paper.ringTemperature || build.spec.paper.boreTemperature
      ? (['buttingTemperature', 'hotGap'] as const).flatMap((output) =>
          each(output, (cylinder) => hot(build, cylinder, tops.get(cylinder)!, output)),
        )
      : []),
    ...grooveFindings(build, numbers),
  ]
}

/** The tightest gap among the rings, depths and turns read: that is the one that butts. */
export function gapOf(build: Build, rings: readonly Ring[], cylinder: number): Derived {
  const places = rings.flatMap((ring) => ringSpots(build, ring).map((spot) => ({ ring, spot, id: ringStation(ring, cylinder, spot) })))
  const read = places.flatMap(({ ring, spot, id }) => {
    const figure = ringGapAt(build, ring, cylinder, spot)
    return figure ? [{ label: rings.length > 1 ? RAIL_LABELS[ring] : spotWords(spot), figure, id }] : []
  })
  const first = places
    .filter(({ spot: { depth, turned } }) => depth === 'top' && !turned)
    .filter(({ id }) => !read.some((one) => one.id === id))
  if (first.length > 0) return { missing: first.map(({ id }) => ({ kind: 'reading', stationId: id })) }
  const tightest = [...read].sort((a, b) => a.figure.value.value - b.figure.value.value)[0]!
  const before = places.filter(({ ring, spot }) => isFiledSince(build, ring, cylinder, spot)).length
  const isPartial = read.length < places.length
  const remarks: Remark[] = [...openRemark(before, read.length, places.length), ...leafRemark(build, tightest.id)]
  return {
    figure: read.length === 1 ? tightest.figure : smallestOf('Tightest gap', read),
    interval: movedInterval(build, rings[0]!, cylinder, tightest.id),
    isPartial,
    remarks,
  }
}

const RAIL_LABELS: Readonly<Record<Ring, string>> = { top: 'Top', second: 'Second', upperRail: 'Upper rail', lowerRail: 'Lower rail' }

/** Places that were read before the file say so; those that never were are only missing. */
function openRemark(filedSince: number, used: number, wanted: number): Remark[] {
  if (filedSince > 0) return [{ code: 'filedSince', places: filedSince }]
  return used < wanted ? [{ code: 'incomplete', used, wanted }] : []
}

/** The interval of the leaves, moved by considered work as its middle is. */
function movedInterval(build: Build, ring: Ring, cylinder: number, station: string): ReturnType<typeof intervalOf> {
  const interval = intervalOf(build, station)
  const by = gapChangeMm(build, ring, cylinder)
  return interval && { ...interval, low: interval.low + by, high: interval.high + by }
}

function spotWords({ depth, turned }: RingSpot): string {
  return `${depth[0]!.toUpperCase()}${depth.slice(1)}${turned ? ', turned a quarter' : ''}`
}

/** A second ring gapped tighter than the top traps pressure between the two and lifts the top one. */
function secondOver(top: Derived, second: Derived): Derived {
  const gaps = allOf({ top, second })
  if (gaps.missing) return { missing: gaps.missing }
  return {
    isPartial: [top, second].some((gap) => isKnown(gap) && gap.isPartial),
    figure: resultOf(secondOverTop, [
      { label: 'Second ring', weight: 1, figure: gaps.figures.second },
      { label: 'Top ring', weight: -1, figure: gaps.figures.top },
    ]),
  }
}

function hot(build: Build, cylinder: number, gap: Derived, what: 'hotGap' | 'buttingTemperature'): Derived {
  const heat = ringHeat(build, cylinder)
  if (!isKnown(gap) || 'missing' in heat) {
    return { missing: [...(isKnown(gap) ? [] : gap.missing), ...('missing' in heat ? heat.missing : [])] }
  }
  // The verdict is drawn for the worst of what is not known for sure; the gap left is shown for the middle of it.
  const formula = what === 'buttingTemperature' ? buttingTemperature : hotGap
  const inputs = what === 'buttingTemperature' ? cautiousHeat(build, heat.heat) : heat.heat
  return { figure: formula.of({ ...inputs, gapMm: gap.figure }), isPartial: gap.isPartial }
}
