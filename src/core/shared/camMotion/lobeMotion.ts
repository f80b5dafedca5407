/** What a cam's lobes do at every crank angle: by the measured curve where there is one, else by a lobe made of the card. */
import type { Build } from '../../document/build'
import { derivation } from '../../document/remembered'
import { closedLiftMm, lobeOfDuration, USUAL_LOBE_POWER } from '../../geometry/valvetrain/closedLobe'
import { eventsAt, figureFromCurve, liftAt, peakOf, type LobeCurve } from '../../geometry/valvetrain'
import type { Cam } from '../../geometry/valvetrain'
import type { Crank } from '../../geometry/crank'
import { assumedFigure, exactly, resultOf, type Figure, type FormulaText } from '../../metrology'
import { splineAt } from '../../numerics/smoothingSpline'
import { isKnown, type Derived } from '../../bench/finding'
import type { Missing, Remark } from '../../bench/bench'
import { cardCentreline, cardDuration, cardLobeLift, checkLift } from '../camCard'
import { afterWork } from '../afterWork'
import { curveOf, firstStation, peakLiftOf } from './curve'
import { otherLobe, type OtherLobe } from './otherCam'
import { centreline, signOf, turnedBackOf } from './schools'
import { laterBy, offCentreTerms, tdcOf } from './wheel'

/** A cam's lobe as it stands, or will after what is planned. */
export interface LobeMotion {
  /** Lift of the lobe at so many crank degrees from its centreline, mm. */
  readonly liftMm: (fromCentreDeg: number) => number
  /** Crank degrees from overlap TDC to its centreline: positive after it. */
  readonly centreDeg: Figure
  readonly peakMm: Figure
  /**
   * What of it is uncertain, to be varied together: where it stands, how far it lifts, and by how much it is off at so many degrees from
   * its centreline. A measured lobe is known better where it is wanted than where its middle stands: all its uncertainty is in its lift
   * there.
   */
  readonly varied: { readonly centreDeg: Figure; readonly peakMm: Figure; readonly offMm: (fromCentreDeg: number) => Figure }
  readonly isSynthetic: boolean
  readonly isPartial: boolean
  readonly remarks: readonly Remark[]
}

export type KnownMotion = LobeMotion | { readonly missing: readonly Missing[] }

/** The motion of a cam's lobes; missing: what is wanted where neither a curve nor a card says it. */
export function lobeMotion(build: Build, cam: Cam): KnownMotion {
  return lobeMotionBefore(build, cam, 0, 0)
}

/** The motion of a cam's lobes before others come in that lift so much more, mm, and so many crank degrees longer. */
export const lobeMotionBefore = derivation('lobeMotion', (build, cam: Cam, liftMm: number, durationDeg: number): KnownMotion => {
  const found = centreline(build, cam)
  const before = { liftMm, durationDeg }
  return measuredMotion(build, cam, found, before) ?? motionByCard(build, cam, found, before)
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

function measuredMotion(build: Build, cam: Cam, found: Derived, before: OtherLobe): LobeMotion | undefined {
  const curve = curveOf(build, cam)
  const peak = peakLiftOf(build, cam)
  const tdc = tdcOf(build, cam)
  if (!curve || !isKnown(found) || !isKnown(peak) || !isKnown(tdc)) return undefined
  const { spline } = curve.curve
  const { from, to } = spline.knots
  const onWheelDeg = eventsAt(curve.curve, checkLift(build).value.value).centreline?.value
  if (onWheelDeg === undefined) return undefined
  const centreDeg = centreAfterTdc(cam, found.figure)
  const peakMm = afterWork(peak.figure, -before.liftMm, 'length', 'Before the other cam')
  const { times, wider } = reshaped(build, cam, curve.curve, before)
  return {
    liftMm: (deg) => {
      const at = onWheelDeg + deg / wider
      return at > from && at < to ? Math.max(0, splineAt(spline, at) * times) : 0
    },
    centreDeg,
    peakMm,
    varied: {
      centreDeg: known(centreDeg),
      peakMm: known(peakMm),
      offMm: (deg) => liftUncertainty(cam, curve.curve, onWheelDeg + deg / wider, tdc.figure),
    },
    isSynthetic: false,
    isPartial: found.isPartial ?? false,
    remarks: turnedBackOf([found]),
  }
}

/**
 * How a measured lobe is drawn out to another that lifts more or is open longer: so many times as high, and about its middle so many times
 * as wide that it has its duration at the check lift.
 */
function reshaped(build: Build, cam: Cam, curve: LobeCurve, before: OtherLobe): { readonly times: number; readonly wider: number } {
  const other = otherLobe(build, cam, firstStation(build, cam))
  const [liftMm, durationDeg] = [other.liftMm - before.liftMm, other.durationDeg - before.durationDeg]
  if (liftMm === 0 && durationDeg === 0) return { times: 1, wider: 1 }
  const checkMm = checkLift(build).value.value
  const times = 1 + liftMm / peakOf(curve).lift.value
  const [was, higher] = [eventsAt(curve, checkMm).duration?.value, eventsAt(curve, checkMm / times).duration?.value]
  return { times, wider: was === undefined || higher === undefined ? 1 : (was + durationDeg) / higher }
}

/** The value of a figure, taken as it is. */
function known({ value: { value }, origin }: Figure): Figure {
  return { value: exactly(value), origin }
}

const LIFT_THERE: FormulaText = {
  id: 'liftThere',
  title: 'Lift of the measured lobe where it is closest',
  kind: 'length',
  expression: 'as the curve has it + its slope · (true TDC, wheel off centre)',
  source: 'quintic smoothing spline, restricted likelihood: Eilers and Marx, 1996; Wahba, 1983',
}

/** By how much the lift of a curve may be off where the wheel shows an angle: by its rows and its zero, by TDC, and by the wheel. */
function liftUncertainty(cam: Cam, curve: LobeCurve, atDeg: number, tdc: Figure): Figure {
  const text = { ...LIFT_THERE, id: `liftThere/${atDeg.toFixed(1)}` }
  const there = figureFromCurve(text, liftAt(curve, atDeg), { curve: cam, tdc: `curve:${cam}/tdc`, wheel: `curve:${cam}/wheel` })
  const slope = splineAt(curve.spline, atDeg, 1)
  const lift = resultOf(LIFT_THERE, [
    { label: 'On the curve', weight: 1, figure: there },
    { label: 'True TDC', weight: slope, figure: tdc },
    ...offCentreTerms([{ deg: atDeg, weight: slope }], tdc.value.value),
  ])
  return { ...lift, value: { value: 0, components: lift.value.components } }
}

/** A place nobody has read: all that is planned is still to be done. */
const UNREAD = ''

/** Lobes made of a card have this power, give or take (assumed). */
const POWER_TOLERANCE = 0.3

/** Where it was found where that is known, else where its card puts it. */
function motionByCard(build: Build, cam: Cam, found: Derived, before: OtherLobe): KnownMotion {
  const [lift, duration, card] = [cardLobeLift(build, cam), cardDuration(build, cam), cardCentreline(build, cam)]
  const stands = isKnown(found) ? found : card
  if (!isKnown(lift) || !isKnown(duration) || !isKnown(stands))
    return { missing: [lift, duration, stands].flatMap((one) => (isKnown(one) ? [] : one.missing)) }
  const other = otherLobe(build, cam, UNREAD)
  const peakMm = afterWork(lift.figure, other.liftMm - before.liftMm, 'length', 'Another cam')
  const durationDeg = duration.figure.value.value + other.durationDeg - before.durationDeg
  const lobeWith = (power?: number) => lobeOfDuration(peakMm.value.value, durationDeg, checkLift(build).value.value, power)
  const [lobe, flat, pointed] = [lobeWith(), lobeWith(USUAL_LOBE_POWER - POWER_TOLERANCE), lobeWith(USUAL_LOBE_POWER + POWER_TOLERANCE)]
  if (!lobe || !flat || !pointed) return { missing: [{ kind: 'impossible', reason: 'noSuchLift' }] }
  // What was found already counts what is planned; a card does not.
  const centreDeg = isKnown(found) ? centreAfterTdc(cam, found.figure) : laterBy(build, cam, UNREAD, centreAfterTdc(cam, stands.figure))
  return {
    liftMm: (deg) => closedLiftMm(lobe, deg),
    centreDeg,
    peakMm,
    varied: { centreDeg, peakMm, offMm: (deg) => formFigure(cam, Math.abs(closedLiftMm(pointed, deg) - closedLiftMm(flat, deg)) / 2) },
    isSynthetic: true,
    isPartial: !isKnown(found),
    remarks: [{ code: 'syntheticLobe' }],
  }
}

/** What the form of a lobe made of its card leaves open, as a figure that is nothing and may be so much. */
function formFigure(cam: Cam, tolerance: number): Figure {
  return assumedFigure(`lobe form, ${cam}`, { value: 0, tolerance, source: 'assumed: the power of a lobe in closed form' })
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
