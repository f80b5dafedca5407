import { closedHalfDurationDeg, closedLiftMm } from '../../cam/closedLobe'
import { dropAtMm, middleOffDeg } from '../../cam/trueTdc'
import { camKind, pistonDropMm, type Cam, type Crank } from '../../engine'
import { rootBetween } from '../../numerics/roots'
import type { Place } from '../../build/place'
import type { Truth, VirtualHand } from '../../twin/truth'
import { CARD_OF, checkLift, ratioRead } from '../../quantities/camCard'
import type { CamCharacteristic } from './definition'

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

function stopDeg({ spec, engine }: VirtualHand, { spot }: Place): number {
  const { methods } = spec
  const crank = crankOf(spec)
  const half = rootBetween((deg) => dropAtMm(crank, deg) - STOP_MM[methods.camTdc], 1, 120)
  return middleOffDeg(crank, half) + (spot === 'before' ? -half : half) + engine.wheelOffDeg
}

/** Where a lobe has a lift, before its centreline or after. */
function angleAtLift(hand: VirtualHand, cam: Cam, liftMm: number, isBefore: boolean): number {
  const { lobe, centreDeg } = hand.engine.cams.get(cam)!
  const half = closedHalfDurationDeg(lobe, liftMm) ?? 0
  return centreDeg + (isBefore ? -half : half) + hand.engine.wheelOffDeg
}

/** What a dial shows with the cam where it stands when the wheel shows an angle in the running direction, mm. */
export function liftOnDial({ engine, unread }: VirtualHand, cam: Cam, wheelDeg: number): number {
  const { lobe, centreDeg } = engine.cams.get(cam)!
  return closedLiftMm(lobe, wheelDeg - engine.wheelOffDeg - centreDeg) * ratioRead(unread)
}

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<CamCharacteristic, Truth>> = {
  'cam.stop': stopDeg,
  'cam.event': (hand, place) => angleAtLift(hand, camAt(place), checkLift(hand.unread).value.value, place.spot === 'opens'),
  'cam.equalLift': (hand, place) => {
    const belowMm = hand.engine.cams.get(camAt(place))!.lobe.liftMm - checkLift(hand.unread).value.value
    return angleAtLift(hand, camAt(place), belowMm, place.spot === 'before')
  },
  'cam.overlapLift': (hand, place) => {
    const lash = hand.spec.methods.camReadAt === 'valve' ? (hand.spec.paper[CARD_OF[camKind(camAt(place))].lash]?.value ?? 0) : 0
    return Math.max(0, liftOnDial(hand, camAt(place), hand.engine.wheelOffDeg) - lash)
  },
  'cam.lift': (hand, place) => liftOnDial(hand, camAt(place), place.degree ?? 0),
}
