import { closedLiftMm } from '../../geometry/valvetrain/closedLobe'
import { closestApproach, gapMm, type ValveSweep } from '../../geometry/valvetrain/closest'
import { camKind, camOfValve, cylinderOfCam, valvePlaces, type ValvePlace } from '../../geometry/valvetrain'
import { type EngineLayout } from '../../geometry/crank'
import type { Place } from '../../document/place'
import { isKnown } from '../../bench/finding'
import { valveRatio } from '../../shared/camMotion/valveMotion'
import type { Truth, TwinState } from '../../twin/truth'
import type { ClearanceCharacteristic } from './definition'
import { judgedLash, lashWhenRead } from './lash'
import { alongValve } from './sweep'

/** Where no paper says it. */
const USUAL = { dropMm: 4, angleDeg: 15, pocketMm: 36, headMm: 33, strokeMm: 90, rodMm: 150 }
/** Seats below the head face, before what each was cut deeper. */
const SEAT_MM = 5
/** Leaves of a feeler set go up by so much. */
const LEAF_MM = 0.05
/** The stack a shop collapses a lifter with, for a feeler. */
const STACK_MM = 1

interface ValveTruth {
  readonly place: ValvePlace
  readonly number: number
  /** At TDC, gasket crushed. */
  readonly dropMm: number
  readonly along: number
  readonly sweep: ValveSweep
}

/** One valve of a virtual engine over its piston: what its paper says, and by how much deck and seat differ from theirs. */
function valveTruth(twin: TwinState, { valve }: Place, lash = lashWhenRead(twin.unread)): ValveTruth {
  const { spec, engine, unread } = twin
  const { paper, layout } = spec
  const places = valvePlaces(layout)
  const index = places.findIndex((place) => place.valve === valve)
  const place = places[index]!
  const angleDeg = paper[`${place.kind}ValveAngle`]?.value ?? USUAL.angleDeg
  const along = alongValve(unread, angleDeg)
  const deckMm = engine.deckMm.get(place.cylinder)! - (paper.deckClearance?.value ?? 0)
  const dropMm = (paper[`${place.kind}ValveDrop`]?.value ?? USUAL.dropMm) + deckMm * along + engine.seatMm.get(index + 1)!
  const { lobe, centreDeg } = ownLobe(engine, layout, place)
  const ratio = valveRatio(unread)
  const ratioIs = isKnown(ratio) ? ratio.figure.value.value : 1
  const lashMm = isKnown(lash) ? lash.figure.value.value : 0
  return {
    place,
    number: index + 1,
    dropMm,
    along,
    sweep: {
      over: { dropAtTdcMm: dropMm + asRead(spec, engine.gasketThicknessMm) * along, angleDeg, surface: spec.methods.valveSurface },
      crank: {
        strokeMm: paper.stroke?.value ?? USUAL.strokeMm,
        rodMm: paper.rodLength?.value ?? USUAL.rodMm,
        pinOffsetMm: paper.pinOffset?.value ?? 0,
      },
      liftMm: (deg) => Math.max(0, closedLiftMm(lobe, deg - centreDeg) * ratioIs - lashMm),
    },
  }
}

/** The lobe of a valve: its cam's is the one at the first valve of the cylinder it is degreed at, and the others differ from that one. */
function ownLobe({ cams, lobeLateDeg, lobeLowMm }: TwinState['engine'], layout: EngineLayout, place: ValvePlace) {
  const cam = camOfValve(layout, place)
  const { lobe, centreDeg } = cams.get(cam)!
  const places = valvePlaces(layout)
  const numberOf = (wanted: ValvePlace) => places.indexOf(wanted) + 1
  const reference = places.find((one) => camOfValve(layout, one) === cam && one.cylinder === cylinderOfCam(layout, cam))!
  const apart = (each: ReadonlyMap<number, number>) =>
    each.get(numberOf(places.find(({ valve }) => valve === place.valve)!))! - each.get(numberOf(reference))!
  return { lobe: { ...lobe, liftMm: lobe.liftMm - apart(lobeLowMm) }, centreDeg: centreDeg + apart(lobeLateDeg) }
}

/** How near a valve of a virtual engine truly comes to its piston as it runs, mm. */
export function trueClosestMm(twin: TwinState, valve: string): number {
  const place = valvePlaces(twin.spec.layout).find((one) => one.valve === valve)!
  const { sweep, dropMm } = valveTruth(twin, { valve }, judgedLash(twin.unread, camOfValve(twin.spec.layout, place)))
  return closestApproach({ ...sweep, over: { ...sweep.over, dropAtTdcMm: dropMm } }).gapMm
}

/** How much thicker the gasket is while it is read than crushed, mm. */
function asRead({ methods, paper }: TwinState['spec'], crushedMm: number): number {
  if (methods.clearanceGasket === 'none') return -crushedMm
  return methods.clearanceGasket === 'snugged' ? (paper.gasketSnugged?.value ?? crushedMm) - crushedMm : 0
}

const leastGap: Truth = (twin, place) => closestApproach(valveTruth(twin, place).sweep).gapMm

/** The gap a feeler is tried in, with the lifter collapsed by the stack. */
const leafGap: Truth = (twin, place) => {
  const ratio = valveRatio(twin.unread)
  return leastGap(twin, place) + STACK_MM * (isKnown(ratio) ? ratio.figure.value.value : 1)
}
const leafThatGoes: Truth = (twin, place) => Math.floor(leafGap(twin, place) / LEAF_MM) * LEAF_MM

/** What a virtual engine has where this bench reads. */
export const truths: Readonly<Record<ClearanceCharacteristic, Truth>> = {
  'clearance.drop': (twin, place) => valveTruth(twin, place).sweep.over.dropAtTdcMm,
  'clearance.travel': (twin, place) => gapMm(valveTruth(twin, place).sweep, place.degree ?? 0),
  'clearance.clay': leastGap,
  'clearance.claySide': (twin, place) => {
    const { kind } = valveTruth(twin, place).place
    const { paper } = twin.spec
    const [pocketMm, headMm] = [paper[`${kind}Pocket`]?.value ?? USUAL.pocketMm, paper[`${kind}ValveHead`]?.value ?? USUAL.headMm]
    return (pocketMm - headMm) / 2 - (paper[`${kind}PocketOffset`]?.value ?? 0)
  },
  'clearance.feelerWent': leafThatGoes,
  'clearance.feelerStopped': (twin, place) => leafThatGoes(twin, place) + LEAF_MM,
  'clearance.extraTravel': (twin, place) => leafGap(twin, place) - leafThatGoes(twin, place),
  'clearance.collapse': () => STACK_MM,
  'clearance.headSize': ({ spec }, place) => spec.paper[`${camKind(place.cam ?? 'intake')}ValveHead`]?.value ?? USUAL.headMm,
  'clearance.pocketSize': ({ spec }, place) => spec.paper[`${camKind(place.cam ?? 'intake')}Pocket`]?.value ?? USUAL.pocketMm,
  'clearance.seat': (twin, place) => SEAT_MM + twin.engine.seatMm.get(valveTruth(twin, place).number)!,
  'clearance.squish': ({ engine }, { cylinder = 1 }) => engine.deckMm.get(cylinder)! + engine.gasketThicknessMm,
}
