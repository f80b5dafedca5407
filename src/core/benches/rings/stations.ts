import type { Build } from '../../document/build'
import { stationId } from '../../document/place'
import { cylinderNumbers } from '../../geometry/crank'
import type { Station } from '../../bench/bench'
import { ringPlace, ringSpots } from '../../shared/ringGap'
import { RING_CHARACTERISTIC, RINGS, type Ring } from '../../shared/ringNames'
import { GROOVE_CHARACTERISTICS, GROOVES } from './grooves'

const RING_WORDS: Readonly<Record<Ring, string>> = {
  top: 'top ring',
  second: 'second ring',
  upperRail: 'upper oil rail',
  lowerRail: 'lower oil rail',
}
const ROW_WORDS: Readonly<Record<Ring, string>> = { top: 'Top', second: 'Second', upperRail: 'Upper rail', lowerRail: 'Lower rail' }
const GROOVE_WORDS = { side: 'side clearance in its groove', back: 'below its land, pushed to the groove’s bottom' } as const
const DRAWN_Y: Readonly<Record<Ring, number>> = { top: 0.66, second: 0.22, upperRail: -0.22, lowerRail: -0.66 }
const DRAWN_X = { top: 0, middle: 0.3, bottom: 0.6 } as const
const DEPTH_WORDS = { top: 'an inch down', middle: 'mid travel', bottom: 'bottom of travel' } as const

/** A gap read once is read an inch down, or where the ring stands with its piston at the top. */
function depthWords({ spec: { methods } }: Build, depth: keyof typeof DEPTH_WORDS): string {
  return methods.ringDepths === 0 ? 'where it stands at TDC' : DEPTH_WORDS[depth]
}

/** A cylinder at a time, its rings from the crown down: a ring is gapped in the bore it will live in. */
export function stations(build: Build): readonly Station[] {
  const boreMm = build.spec.paper.bore?.value ?? 85
  return cylinderNumbers(build.spec.layout).flatMap((cylinder) => [
    ...gapStations(build, cylinder, boreMm),
    ...grooveStations(build, cylinder),
  ])
}

function gapStations(build: Build, cylinder: number, boreMm: number): Station[] {
  return RINGS.flatMap((ring) => {
    const spots = ringSpots(build, ring)
    return spots.map((spot): Station => {
      const characteristic = RING_CHARACTERISTIC[ring]
      const place = ringPlace(cylinder, spot)
      const { depth, turned } = spot
      return {
        id: stationId(characteristic, place),
        characteristic,
        place,
        label: `Cylinder ${cylinder}, ${RING_WORDS[ring]} gap, ${depthWords(build, depth)}${turned ? ', turned a quarter' : ''}`,
        row: `${ROW_WORDS[ring]}${spots.some((one) => one.depth !== depth) ? `, ${depth}` : ''}${turned ? ' ¼' : ''}`,
        // From 0.1 mm (a ring nobody would run) to a fiftieth of the bore: rails come wide.
        expected: { low: 0.1, high: boreMm / 50 },
        drawnAt: { x: DRAWN_X[depth], y: DRAWN_Y[ring] },
      }
    })
  })
}

/**
 * In the grooves of the piston it will live on: side clearance between ring and flank, back clearance as how far it sinks
 * below its land.
 */
function grooveStations(build: Build, cylinder: number): Station[] {
  if (!build.spec.methods.ringGrooves) return []
  const place = { cylinder }
  return GROOVE_CHARACTERISTICS.map((characteristic): Station => {
    const { ring, what } = GROOVES[characteristic]
    return {
      id: stationId(characteristic, place),
      characteristic,
      place,
      label: `Cylinder ${cylinder}, ${RING_WORDS[ring]} ${GROOVE_WORDS[what]}`,
      row: `${ROW_WORDS[ring]}, ${what}`,
      expected: what === 'side' ? { low: 0.01, high: 0.3 } : { low: 0, high: 1.5 },
      drawnAt: { x: what === 'side' ? 0.86 : -0.86, y: DRAWN_Y[ring] },
    }
  })
}
