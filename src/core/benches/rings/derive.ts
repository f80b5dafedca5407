import type { Build } from '../../document/build'
import { remembered } from '../../document/remembered'
import { resultOf } from '../../metrology'
import type { Finding, Remark } from '../../bench/bench'
import { perCylinder } from '../../bench/engineWide'
import { smallestOf } from '../../bench/extremeFigure'
import { allOf, intervalOf, isKnown, leafRemark, type Derived } from '../../bench/finding'
import { gapChangeMm, isFiledSince, ringGapAt, ringSpots, ringStation, type RingSpot } from '../../shared/ringGap'
import type { Ring } from '../../shared/ringNames'
import { definition, type RingOutput } from './definition'
import { buttingTemperature, hotGap, secondOverTop } from './formulas'
import { grooveFindings } from './grooves'
import { cautiousHeat, ringHeat } from './heat'

export function derive(build: Build): Finding[] {
  const { numbers, each } = perCylinder<RingOutput>(build, definition)
  const { ringTemperature, boreTemperature } = build.spec.paper
  return [
    ...each('rings.topGap', (recorded, cylinder) => gapOf(recorded, ['top'], cylinder)),
    ...each('rings.secondGap', (recorded, cylinder) => gapOf(recorded, ['second'], cylinder)),
    ...each('rings.secondOverTop', secondOver),
    ...each('rings.railGap', (recorded, cylinder) => gapOf(recorded, ['upperRail', 'lowerRail'], cylinder)),
    ...(ringTemperature || boreTemperature
      ? [
          ...each('rings.buttingTemperature', (recorded, cylinder) => hot(recorded, cylinder, 'buttingTemperature')),
          ...each('rings.hotGap', (recorded, cylinder) => hot(recorded, cylinder, 'hotGap')),
        ]
      : []),
    ...grooveFindings(build, numbers),
  ]
}

/** The smallest gap of a ring, or of several together, over the places it was read at. */
export function gapOf(build: Build, rings: readonly Ring[], cylinder: number): Derived {
  return remembered(build, `ringGap/${rings.join('+')}/${cylinder}`, (recorded) => smallestGap(recorded, rings, cylinder))
}

function smallestGap(build: Build, rings: readonly Ring[], cylinder: number): Derived {
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
  const by = gapChangeMm(build, ring, cylinder, station)
  return interval && { ...interval, low: interval.low + by, high: interval.high + by }
}

function spotWords({ depth, turned }: RingSpot): string {
  return `${depth[0]!.toUpperCase()}${depth.slice(1)}${turned ? ', turned a quarter' : ''}`
}

/** A second ring gapped tighter than the top traps pressure between the two and lifts the top one. */
function secondOver(build: Build, cylinder: number): Derived {
  const [top, second] = [gapOf(build, ['top'], cylinder), gapOf(build, ['second'], cylinder)]
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

function hot(build: Build, cylinder: number, what: 'hotGap' | 'buttingTemperature'): Derived {
  const gap = gapOf(build, ['top'], cylinder)
  const heat = ringHeat(build, cylinder)
  if (!isKnown(gap) || 'missing' in heat) {
    return { missing: [...(isKnown(gap) ? [] : gap.missing), ...('missing' in heat ? heat.missing : [])] }
  }
  // The verdict is drawn for the worst of what is not known for sure; the gap left is shown for the middle of it.
  const formula = what === 'buttingTemperature' ? buttingTemperature : hotGap
  const inputs = what === 'buttingTemperature' ? cautiousHeat(build, heat.heat) : heat.heat
  return { figure: formula.of({ gapMm: gap.figure, ...inputs }), isPartial: gap.isPartial }
}
