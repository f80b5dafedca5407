/** What a cam's lobes do at every crank angle: by the measured curve where there is one, else by a lobe made of the card. */
import type { Build } from '../../build/build'
import { quantity } from '../../build/remembered'
import { closedLiftMm, lobeOfDuration, USUAL_LOBE_POWER } from '../../cam/closedLobe'
import { eventsAt } from '../../cam'
import type { Cam, Crank } from '../../engine'
import { assumedFigure, resultOf, type Figure, type FormulaText } from '../../metrology'
import { splineAt } from '../../numerics/smoothingSpline'
import { isKnown, type Derived } from '../../bench/finding'
import type { Missing, Remark } from '../../bench/bench'
import { cardCentreline, cardDuration, cardLobeLift, checkLift } from '../camCard'
import { curveOf, peakLiftOf } from './curve'
import { centreline, signOf, turnedBackOf } from './schools'
import { laterBy } from './wheel'

/** A cam's lobe as it stands, or will after what is planned. */
export interface LobeMotion {
  /** Lift of the lobe at so many crank degrees from its centreline, mm. */
  readonly liftMm: (fromCentreDeg: number) => number
  /** Crank degrees from overlap TDC to its centreline: positive after it. */
  readonly centreDeg: Figure
  readonly peakMm: Figure
  /** How far its form may be otherwise at so many degrees from its centreline, half-width, mm; nothing where it was measured. */
  readonly formMm: (fromCentreDeg: number) => number
  readonly isSynthetic: boolean
  readonly isPartial: boolean
  readonly remarks: readonly Remark[]
}

export type KnownMotion = LobeMotion | { readonly missing: readonly Missing[] }

/** The motion of a cam's lobes; missing: what is wanted where neither a curve nor a card says it. */
export const lobeMotion = quantity('lobeMotion', (build, cam: Cam): KnownMotion => {
  const found = centreline(build, cam)
  return measuredMotion(build, cam, found) ?? motionByCard(build, cam, found)
})

const CENTRE: FormulaText = {
  id: 'centreAfterTdc',
  title: 'Centreline after overlap TDC',
  kind: 'angle',
  expression: 'intake: as it is; exhaust: before it is negative',
  source: 'definition',
}

function centreAfterTdc(cam: Cam, figure: Figure): Figure {
  return signOf(cam) === 1 ? figure : resultOf(CENTRE, [{ label: 'Centreline', weight: -1, figure }])
}

function measuredMotion(build: Build, cam: Cam, found: Derived): LobeMotion | undefined {
  const curve = curveOf(build, cam)
  const peak = peakLiftOf(build, cam)
  if (!curve || !isKnown(found) || !isKnown(peak)) return undefined
  const { spline } = curve.curve
  const { from, to } = spline.knots
  const onWheelDeg = eventsAt(curve.curve, checkLift(build).value.value).centreline?.value
  if (onWheelDeg === undefined) return undefined
  return {
    liftMm: (deg) => {
      const at = onWheelDeg + deg
      return at > from && at < to ? Math.max(0, splineAt(spline, at)) : 0
    },
    centreDeg: centreAfterTdc(cam, found.figure),
    peakMm: peak.figure,
    formMm: () => 0,
    isSynthetic: false,
    isPartial: found.isPartial ?? false,
    remarks: turnedBackOf([found]),
  }
}

/** A place nobody has read: all that is planned is still to be done. */
const UNREAD = ''

/** Lobes made of a card have this power, give or take (assumed). */
const POWER_TOLERANCE = 0.3

/** Where it was found where that is known, else where its card puts it. */
function motionByCard(build: Build, cam: Cam, found: Derived): KnownMotion {
  const [lift, duration, card] = [cardLobeLift(build, cam), cardDuration(build, cam), cardCentreline(build, cam)]
  const stands = isKnown(found) ? found : card
  if (!isKnown(lift) || !isKnown(duration) || !isKnown(stands))
    return { missing: [lift, duration, stands].flatMap((one) => (isKnown(one) ? [] : one.missing)) }
  const lobeWith = (power?: number) =>
    lobeOfDuration(lift.figure.value.value, duration.figure.value.value, checkLift(build).value.value, power)
  const [lobe, flat, pointed] = [lobeWith(), lobeWith(USUAL_LOBE_POWER - POWER_TOLERANCE), lobeWith(USUAL_LOBE_POWER + POWER_TOLERANCE)]
  if (!lobe || !flat || !pointed) return { missing: [{ kind: 'impossible', reason: 'noSuchLift' }] }
  return {
    liftMm: (deg) => closedLiftMm(lobe, deg),
    // What was found already counts what is planned; a card does not.
    centreDeg: isKnown(found) ? centreAfterTdc(cam, found.figure) : laterBy(build, cam, UNREAD, centreAfterTdc(cam, stands.figure)),
    peakMm: lift.figure,
    formMm: (deg) => Math.abs(closedLiftMm(pointed, deg) - closedLiftMm(flat, deg)) / 2,
    isSynthetic: true,
    isPartial: !isKnown(found),
    remarks: [{ code: 'syntheticLobe' }],
  }
}

/** What the form of a lobe leaves open at an angle, as a figure that is nothing and may be so much. */
export function formFigure(cam: Cam, motion: LobeMotion, fromCentreDeg: number): Figure {
  return assumedFigure(`lobe form, ${cam}`, {
    value: 0,
    tolerance: motion.formMm(fromCentreDeg),
    source: 'assumed: the power of a lobe in closed form',
  })
}

const CYCLE_DEG = 720

/** Within half a cycle of where it is counted from. */
export function withinCycle(deg: number): number {
  const turned = ((deg % CYCLE_DEG) + CYCLE_DEG) % CYCLE_DEG
  return turned > CYCLE_DEG / 2 ? turned - CYCLE_DEG : turned
}

/** Crank and rod by the paper. */
export function crankOnPaper({ spec: { paper } }: Build): Crank {
  return { strokeMm: paper.stroke?.value ?? 0, rodMm: paper.rodLength?.value ?? 0, pinOffsetMm: paper.pinOffset?.value ?? 0 }
}
