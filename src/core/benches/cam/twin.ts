import { closedHalfDurationDeg, closedLiftMm, type ClosedLobe } from '../../cam/closedLobe'
import { dropAtMm, middleOffDeg } from '../../cam/trueTdc'
import { camKind, camsOf, pistonDropMm, type Cam, type Crank } from '../../engine'
import { rootBetween } from '../../numerics/roots'
import { isKnown } from '../../bench/finding'
import type { Place } from '../../build/place'
import type { Truth, VirtualHand } from '../../twin/truth'
import { CARD_OF, cardCentreline, cardDuration, checkLift, ratioRead } from './camPaper'
import type { CamCharacteristic } from './definition'
import { signOf } from './schools'

/** Where no card says it. */
const USUAL = { liftMm: 10, centrelineDeg: 108, durationDeg: 225, power: 2.6 }
/** Piston below its top at the stop, or where the dial is turned back to. */
const STOP_MM = { stop: 20, drop: 1.27 } as const
/** What one hand reads a wheel by, standard deviation, degrees. */
const WHEEL_READ_DEG = 0.2

const numberOr = (derived: Parameters<typeof isKnown>[0], usual: number) => (isKnown(derived) ? derived.figure.value.value : usual)

/** The lobe a cam truly has: as its card says. */
export function trueLobe({ unread, spec }: VirtualHand, cam: Cam): ClosedLobe {
  const kind = camKind(cam)
  const liftMm = spec.paper[CARD_OF[kind].lobeLift]?.value ?? USUAL.liftMm
  const half = numberOr(cardDuration(unread, cam), USUAL.durationDeg) / 2
  const unit = closedHalfDurationDeg({ liftMm, halfWidthDeg: 1, power: USUAL.power }, checkLift(unread).value.value) ?? 1
  return { liftMm, halfWidthDeg: half / unit, power: USUAL.power }
}

/** Where its centreline truly stands, crank degrees after overlap TDC. */
function trueCentreDeg({ engine, unread, spec }: VirtualHand, cam: Cam): number {
  const card = signOf(cam) * numberOr(cardCentreline(unread, cam), USUAL.centrelineDeg)
  return card + engine.camLateDeg.get(camsOf(spec.layout).indexOf(cam) + 1)!
}

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
  const half = closedHalfDurationDeg(trueLobe(hand, cam), liftMm) ?? 0
  return trueCentreDeg(hand, cam) + (isBefore ? -half : half) + hand.engine.wheelOffDeg
}

/** What a dial shows with the cam where it stands when the wheel shows an angle in the running direction, mm. */
export const liftOnDial = (hand: VirtualHand, cam: Cam, wheelDeg: number) =>
  closedLiftMm(trueLobe(hand, cam), wheelDeg - hand.engine.wheelOffDeg - trueCentreDeg(hand, cam)) * ratioRead(hand.unread)

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<CamCharacteristic, Truth>> = {
  'cam.stop': stopDeg,
  'cam.event': (hand, place) => angleAtLift(hand, camAt(place), checkLift(hand.unread).value.value, place.spot === 'opens'),
  'cam.equalLift': (hand, place) => {
    const belowMm = trueLobe(hand, camAt(place)).liftMm - checkLift(hand.unread).value.value
    return angleAtLift(hand, camAt(place), belowMm, place.spot === 'before')
  },
  'cam.overlapLift': (hand, place) => {
    const lash = hand.spec.methods.camReadAt === 'valve' ? (hand.spec.paper[CARD_OF[camKind(camAt(place))].lash]?.value ?? 0) : 0
    return Math.max(0, liftOnDial(hand, camAt(place), hand.engine.wheelOffDeg) - lash)
  },
  // The wheel is brought to the angle by eye: the dial reads where it truly stands.
  'cam.lift': (hand, place) => liftOnDial(hand, camAt(place), (place.degree ?? 0) + WHEEL_READ_DEG * hand.random.normal()),
}
