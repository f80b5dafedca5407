import { cardCentreline, cardDuration, cardLobeLift, checkLift } from '@/core/shared/camCard'
import { curveOf, curveRows } from '@/core/shared/camMotion/curve'
import { signOf } from '@/core/shared/camMotion/schools'
import { tdcOf } from '@/core/shared/camMotion/wheel'
import { isKnown } from '@/core/bench/finding'
import type { Build, UnitSystem } from '@/core/document'
import { closedLiftMm, lobeOfDuration, type ClosedLobe } from '@/core/geometry/valvetrain/closedLobe'
import { camsOf, type Cam } from '@/core/geometry/valvetrain'
import { splineAt } from '@/core/numerics/smoothingSpline'
import { fromCanonical } from '@/core/units'

export interface LiftPoint {
  readonly degree: number
  readonly lift: number
}

export interface LeftOver extends LiftPoint {
  /** Its place in the table, where it is to be read again. */
  readonly slipRow?: number
}

/** The lift of one cam over the crank: by its card, as fitted, as read, and what the fit leaves. */
export interface LiftLines {
  readonly cam: Cam
  readonly card: readonly LiftPoint[]
  readonly fit: readonly LiftPoint[]
  readonly read: readonly LiftPoint[]
  readonly left: readonly LeftOver[]
}

export const LIFT_UNIT = { metric: 'mm', inch: 'in' } as const
const STEP_DEG = 3

export function liftLines(build: Build, system: UnitSystem): readonly LiftLines[] {
  const shown = (mm: number) => fromCanonical(mm, LIFT_UNIT[system])
  return camsOf(build.spec.layout).map((cam): LiftLines => {
    const tdc = tdcOf(build, cam)
    const offDeg = isKnown(tdc) ? tdc.figure.value.value : 0
    const lobe = curveOf(build, cam)
    const rows = curveRows(build, cam)
    if (!lobe)
      return {
        cam,
        card: cardLine(build, cam, shown),
        fit: [],
        read: rows.map(({ angleDeg, liftMm }) => ({ degree: angleDeg - offDeg, lift: shown(liftMm) })),
        left: [],
      }
    const { spline, zeroMm } = lobe.curve
    const { from, to } = spline.knots
    const slips = new Set(lobe.slips.map(({ row }) => row))
    return {
      cam,
      card: cardLine(build, cam, shown),
      fit: steps(from, to).map((at) => ({ degree: at - offDeg, lift: shown(splineAt(spline, at)) })),
      read: rows.map(({ angleDeg, liftMm }) => ({ degree: angleDeg - offDeg, lift: shown(liftMm - zeroMm) })),
      left: rows.flatMap(({ angleDeg, liftMm }, index) =>
        angleDeg < from || angleDeg > to
          ? []
          : [
              {
                degree: angleDeg - offDeg,
                lift: shown(liftMm - zeroMm - splineAt(spline, angleDeg)),
                ...(slips.has(index + 1) && { slipRow: index + 1 }),
              },
            ],
      ),
    }
  })
}

function steps(from: number, to: number): readonly number[] {
  return Array.from({ length: Math.floor((to - from) / STEP_DEG) + 1 }, (_, index) => from + index * STEP_DEG)
}

function cardLine(build: Build, cam: Cam, shown: (mm: number) => number): readonly LiftPoint[] {
  const lobe = cardLobe(build, cam)
  const centreline = cardCentreline(build, cam)
  if (!lobe || !isKnown(centreline)) return []
  const centre = signOf(cam) * centreline.figure.value.value
  return steps(-lobe.halfWidthDeg, lobe.halfWidthDeg).map((from) => ({ degree: centre + from, lift: shown(closedLiftMm(lobe, from)) }))
}

function cardLobe(build: Build, cam: Cam): ClosedLobe | undefined {
  const lift = cardLobeLift(build, cam)
  const duration = cardDuration(build, cam)
  if (!isKnown(lift) || !isKnown(duration)) return undefined
  return lobeOfDuration(lift.figure.value.value, duration.figure.value.value, checkLift(build).value.value)
}
