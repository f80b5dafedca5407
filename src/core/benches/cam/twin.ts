import { closedHalfDurationDeg, closedLiftMm } from '../../geometry/valvetrain/closedLobe'
import { dropAtMm, middleOffDeg, wrapped } from '../../geometry/valvetrain/trueTdc'
import { camOfValve, cylinderOfCam, valvePlaces, type Cam } from '../../geometry/valvetrain'
import { phasesDeg, pistonDropMm, topsDeg, type Crank } from '../../geometry/crank'
import { rootBetween, rootOr } from '../../numerics/roots'
import type { Place } from '../../document/place'
import type { Truth, TwinState } from '../../twin/truth'
import { checkLift, lashOf, ratioRead, valueOr } from '../../shared/camCard'
import type { CamCharacteristic } from './definition'
import { lobeExpectedDeg } from '../../shared/camMotion/eachLobe'
import { dwellHalfDeg } from '../../shared/camMotion/wheel'

/** Piston below its top at the stop, or where the dial is turned back to. */
const STOP_MM = { stop: 20, drop: 1.27 } as const

const camAt = ({ cam = 'intake' }: Place) => cam

function crankOf({ paper }: TwinState['spec']): Crank {
  return { strokeMm: paper.stroke?.value ?? 90, rodMm: paper.rodLength?.value ?? 150, pinOffsetMm: paper.pinOffset?.value ?? 0 }
}

/** What a dial on the piston shows below its top when the wheel shows an angle, mm. */
export function dropOnDial({ spec, engine }: TwinState, wheelDeg: number): number {
  return pistonDropMm(crankOf(spec), wheelDeg - engine.wheelOffDeg)
}

/** What the wheel, left as it was set at number one, shows at the top of a cylinder. */
function topOnWheelDeg({ spec, engine }: TwinState, cylinder = 1): number {
  return engine.wheelOffDeg + wrapped(topsDeg(spec.layout).get(cylinder)!)
}

/** What it shows at the overlap TDC a cam is degreed from. */
function zeroDeg(twin: TwinState, cam: Cam): number {
  return topOnWheelDeg(twin, cylinderOfCam(twin.spec.layout, cam))
}

/** A stop deeper than a piston goes by here is met here. */
const MOST_STOP_DEG = 120

function stopDeg(twin: TwinState, { cylinder, spot }: Place): number {
  const crank = crankOf(twin.spec)
  const half = rootOr(
    rootBetween((deg) => dropAtMm(crank, deg) - STOP_MM[twin.spec.methods.camTdc], 1, MOST_STOP_DEG),
    MOST_STOP_DEG,
  )
  return middleOffDeg(crank, half) + (spot === 'before' ? -half : half) + topOnWheelDeg(twin, cylinder)
}

function dwellDeg(twin: TwinState, { spot }: Place): number {
  const { strokeMm, rodMm } = crankOf(twin.spec)
  const half = dwellHalfDeg(strokeMm, rodMm)
  return topOnWheelDeg(twin) + (spot === 'before' ? -half : half)
}

/** Where a lobe has a lift, before its centreline or after. */
function angleAtLift(twin: TwinState, cam: Cam, liftMm: number, isBefore: boolean): number {
  const { lobe, centreDeg } = twin.engine.cams.get(cam)!
  const half = closedHalfDurationDeg(lobe, liftMm) ?? 0
  return centreDeg + (isBefore ? -half : half) + zeroDeg(twin, cam)
}

/** One lobe of an engine: where its centreline stands on the wheel, and how far it lifts. */
function lobeTruth(twin: TwinState, valve: string | undefined) {
  const { layout } = twin.spec
  const places = valvePlaces(layout)
  const number = places.findIndex((place) => place.valve === valve) + 1
  const place = places[number - 1]!
  const { lobe, centreDeg } = twin.engine.cams.get(camOfValve(layout, place))!
  return {
    lobe,
    liftMm: lobe.liftMm - twin.engine.lobeLowMm.get(number)!,
    centreDeg: topOnWheelDeg(twin) + phasesDeg(layout).get(place.cylinder)! + centreDeg + twin.engine.lobeLateDeg.get(number)!,
    about: lobeExpectedDeg(twin.unread, place),
  }
}

function lobeAngle(twin: TwinState, { valve, spot }: Place): number {
  const { lobe, liftMm, centreDeg, about } = lobeTruth(twin, valve)
  const half = closedHalfDurationDeg({ ...lobe, liftMm }, liftMm - checkLift(twin.unread).value.value) ?? 0
  return about + wrapped(centreDeg - about) + (spot === 'before' ? -half : half)
}

/** What a dial shows with the cam where it stands when the wheel shows an angle in the running direction, mm. */
export function liftOnDial(twin: TwinState, cam: Cam, wheelDeg: number): number {
  const { lobe, centreDeg } = twin.engine.cams.get(cam)!
  return closedLiftMm(lobe, wheelDeg - zeroDeg(twin, cam) - centreDeg) * ratioRead(twin.unread)
}

/** A drive that is set as makers ask. */
const TENSION_MM = 8

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<CamCharacteristic, Truth>> = {
  'cam.stop': stopDeg,
  'cam.dwell': dwellDeg,
  'cam.mark': (twin) => topOnWheelDeg(twin),
  'cam.event': (twin, place) => angleAtLift(twin, camAt(place), checkLift(twin.unread).value.value, place.spot === 'opens'),
  'cam.equalLift': (twin, place) => {
    const belowMm = twin.engine.cams.get(camAt(place))!.lobe.liftMm - checkLift(twin.unread).value.value
    return angleAtLift(twin, camAt(place), belowMm, place.spot === 'before')
  },
  'cam.markFound': (twin, place) => zeroDeg(twin, camAt(place)),
  'cam.tension': () => TENSION_MM,
  'cam.sprocketDepth': ({ engine }, { spot = '' }) => engine.sprocketMm.get(Number(spot.slice(1)))!,
  'cam.lobeAngle': lobeAngle,
  'cam.lobePeak': (twin, { valve }) => lobeTruth(twin, valve).liftMm * ratioRead(twin.unread),
  'cam.overlapLift': (twin, place) => {
    const lash = twin.spec.methods.camReadAt === 'valve' ? valueOr(lashOf(twin.unread, camAt(place)), 0) : 0
    return Math.max(0, liftOnDial(twin, camAt(place), zeroDeg(twin, camAt(place))) - lash)
  },
  'cam.lift': (twin, place) => liftOnDial(twin, camAt(place), place.degree ?? 0),
}
