import type { Build } from '../document/build'
import { stationId } from '../document/place'
import { cylinderNumbers } from '../geometry/crank'
import type { Station } from '../bench/bench'

/** Depths of ring travel and axes at which a bore is read, in the order a bore gauge goes down. */
export const BORE_DEPTHS = ['top', 'middle', 'bottom'] as const
export const BORE_AXES = ['thrust', 'pin'] as const
export type BoreDepth = (typeof BORE_DEPTHS)[number]
export type BoreAxis = (typeof BORE_AXES)[number]

/** Honed bores of one oversize lie within a thousandth of it. */
const USUAL_STRAY = 0.001
const DRAWN_RADIUS = { top: 0.8, middle: 0.5, bottom: 0.22 } as const

/** Three depths by two axes a bore. */
export function boreStations(build: Build): readonly Station[] {
  const nominalMm = build.spec.paper.bore?.value
  return cylinderNumbers(build.spec.layout).flatMap((cylinder) =>
    BORE_DEPTHS.flatMap((depth) =>
      BORE_AXES.map((axis): Station => {
        const place = { cylinder, spot: `${depth}-${axis}` }
        const radius = DRAWN_RADIUS[depth]
        return {
          id: stationId('bores.bore', place),
          characteristic: 'bores.bore',
          place,
          label: `Cylinder ${cylinder}, bore, ${depth}, ${axis} axis`,
          row: `${depth[0]!.toUpperCase()}${depth.slice(1)}, ${axis}`,
          expected: nominalMm === undefined ? { low: 20, high: 250 } : { low: nominalMm * 0.99, high: nominalMm * 1.01 },
          ...(nominalMm !== undefined && { nominal: nominalMm, usual: { centre: nominalMm, stray: nominalMm * USUAL_STRAY } }),
          drawnAt: axis === 'pin' ? { x: radius, y: 0 } : { x: 0, y: -radius },
        }
      }),
    ),
  )
}
