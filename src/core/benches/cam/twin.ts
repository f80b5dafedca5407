import { closedHalfDurationDeg, closedLiftMm } from '../../geometry/valvetrain/closedLobe'
import { dropAtMm, middleOffDeg, wrapped } from '../../geometry/valvetrain/trueTdc'
import { camOfValve, cylinderOfCam, valvePlaces, type Cam } from '../../geometry/valvetrain'
import { phasesDeg, pistonDropMm, topsDeg, type Crank } from '../../geometry/crank'
import { rootBetween, rootOr } from '../../numerics/roots'
import type { Place } from '../../document/place'
import type { Truth, VirtualHand } from '../../twin/truth'
import { checkLift, lashOf, ratioRead, valueOr } from '../../shared/camCard'
import type { CamCharacteristic } from './definition'
import { lobeExpectedDeg } from '../../shared/camMotion/eachLobe'
import { dwellHalfDeg } from '../../shared/camMotion/wheel'

/** Piston below its top at the stop, or where the dial is turned back to. */
const STOP_MM = { stop: 20, drop: 1.27 } as const

const camAt = ({ cam = 'intake' }: Place) => cam

function crankOf({ paper }: VirtualHand['spec']): Crank {
  return { strokeMm: paper.stroke?.value ?? 90, rodMm: paper.rodLength?.value ?? 150, pinOffsetMm: paper.pinOffset?.value ?? 0 }
}

/** What a dial on the piston shows below its top when the wheel shows an angle, mm. */
export function dropOnDial({ spec, engine }: VirtualHand, wheelDeg: number): number {
  return pistonDropMm(crankOf(spec), wheelDeg - engine.wheelOffDeg)
}

/** What the wheel, left as it was set at number one, shows at the top of a cylinder. */
function topOnWheelDeg({ spec, engine }: VirtualHand, cylinder = 1): number {
  return engine.wheelOffDeg + wrapped(topsDeg(spec.layout).get(cylinder)!)
}

/** What it shows at the overlap TDC a cam is degreed from. */
function zeroDeg(hand: VirtualHand, cam: Cam): number {
  return topOnWheelDeg(hand, cylinderOfCam(hand.spec.layout, cam))
}

/** A stop deeper than a piston goes by here is met here. */
const MOST_STOP_DEG = 120

function stopDeg(hand: VirtualHand, { cylinder, spot }: Place): number {
  const crank = crankOf(hand.spec)
  const half = rootOr(
    rootBetween((deg) => dropAtMm(crank, deg) - STOP_MM[hand.spec.methods.camTdc], 1, MOST_STOP_DEG),
    MOST_STOP_DEG,
  )
  return middleOffDeg(crank, half) + (spot === 'before' ? -half : half) + topOnWheelDeg(hand, cylinder)
}

function dwellDeg(hand: VirtualHand, { spot }: Place): number {
  const { strokeMm, rodMm } = crankOf(hand.spec)
  const half = dwellHalfDeg(strokeMm, rodMm)
  return topOnWheelDeg(hand) + (spot === 'before' ? -half : half)
}

/** Where a lobe has a lift, before its centreline or after. */
function angleAtLift(hand: VirtualHand, cam: Cam, liftMm: number, isBefore: boolean): number {
  const { lobe, centreDeg } = hand.engine.cams.get(cam)!
  const half = closedHalfDurationDeg(lobe, liftMm) ?? 0
  return centreDeg + (isBefore ? -half : half) + zeroDeg(hand, cam)
}

/** One lobe of an engine: where its centreline stands on the wheel, and how far it lifts. */
function lobeTruth(hand: VirtualHand, valve: string | undefined) {
  const { layout } = hand.spec
  const places = valvePlaces(layout)
  const number = places.findIndex((place) => place.valve === valve) + 1
  const place = places[number - 1]!
  const { lobe, centreDeg } = hand.engine.cams.get(camOfValve(layout, place))!
  return {
    lobe,
    liftMm: lobe.liftMm - hand.engine.lobeLowMm.get(number)!,
    centreDeg: topOnWheelDeg(hand) + phasesDeg(layout).get(place.cylinder)! + centreDeg + hand.engine.lobeLateDeg.get(number)!,
    about: lobeExpectedDeg(hand.unread, place),
  }
}

function lobeAngle(hand: VirtualHand, { valve, spot }: Place): number {
  const { lobe, liftMm, centreDeg, about } = lobeTruth(hand, valve)
  const half = closedHalfDurationDeg({ ...lobe, liftMm }, liftMm - checkLift(hand.unread).value.value) ?? 0
  return about + wrapped(centreDeg - about) + (spot === 'before' ? -half : half)
}

/** What a dial shows with the cam where it stands when the wheel shows an angle in the running direction, mm. */
export function liftOnDial(hand: VirtualHand, cam: Cam, wheelDeg: number): number {
  const { lobe, centreDeg } = hand.engine.cams.get(cam)!
  return closedLiftMm(lobe, wheelDeg - zeroDeg(hand, cam) - centreDeg) * ratioRead(hand.unread)
}

/** A drive that is set as makers ask. */
const TENSION_MM = 8

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<CamCharacteristic, Truth>> = {
  'cam.stop': stopDeg,
  'cam.dwell': dwellDeg,
  'cam.mark': (hand) => topOnWheelDeg(hand),
  'cam.event': (hand, place) => angleAtLift(hand, camAt(place), checkLift(hand.unread).value.value, place.spot === 'opens'),
  'cam.equalLift': (hand, place) => {
    const belowMm = hand.engine.cams.get(camAt(place))!.lobe.liftMm - checkLift(hand.unread).value.value
    return angleAtLift(hand, camAt(place), belowMm, place.spot === 'before')
  },
  'cam.markFound': (hand, place) => zeroDeg(hand, camAt(place)),
  'cam.tension': () => TENSION_MM,
  'cam.sprocketDepth': ({ engine }, { spot = '' }) => engine.sprocketMm.get(Number(spot.slice(1)))!,
  'cam.lobeAngle': lobeAngle,
  'cam.lobePeak': (hand, { valve }) => lobeTruth(hand, valve).liftMm * ratioRead(hand.unread),
  'cam.overlapLift': (hand, place) => {
    const lash = hand.spec.methods.camReadAt === 'valve' ? valueOr(lashOf(hand.unread, camAt(place)), 0) : 0
    return Math.max(0, liftOnDial(hand, camAt(place), zeroDeg(hand, camAt(place))) - lash)
  },
  'cam.lift': (hand, place) => liftOnDial(hand, camAt(place), place.degree ?? 0),
}
