/** The valves of one shaft over their pistons, for the map of crank against cam. */
import type { Build } from '../../build/build'
import type { PaperKey } from '../../build/paper'
import { crankCamMap, safeRoute, type MappedValve, type Route, type Standing } from '../../clearance/crankCamMap'
import { closedLiftMm, lobeOfDuration } from '../../cam/closedLobe'
import { snatchAnglesDeg } from '../../cam/snatch'
import { camKind, isHighProfile, onOneShaft, phasesDeg, pistonDropMm, topsDeg, type Cam, type Crank } from '../../engine'
import { splineAt } from '../../numerics/smoothingSpline'
import { isKnown } from '../../bench/finding'
import type { Missing } from '../../bench/bench'
import { cardCentreline, cardDuration, cardLobeLift, checkLift } from '../../quantities/camCard'
import { curveOf } from './curve'
import { lobeLabel, valvesOfCam } from './lobes'
import { centreline, signOf } from './schools'
import { runningLash, valveRatio } from './valveMotion'
import { tdcOf } from './wheel'

const CYCLE_DEG = 720

/** What a lobe does at so many crank degrees from its cylinder's overlap TDC, mm; and whether only its card is known of it. */
interface LobeMotion {
  readonly liftMm: (deg: number) => number
  readonly isSynthetic: boolean
}

export type ShaftValves =
  | {
      readonly valves: readonly MappedValve[]
      /** Cams whose lobe is made of their card. */
      readonly synthetic: readonly Cam[]
      readonly snatchDeg: readonly number[]
    }
  | { readonly missing: readonly Missing[] }

/** Every valve of a shaft, by the measured lobes where there are curves, else by lobes made of their cards. */
export function valvesOfShaft(build: Build, shaft: Cam): ShaftValves {
  const cams = onOneShaft(build.spec.layout, shaft).filter((cam) => !isHighProfile(cam))
  const crank = crankOf(build)
  const each = cams.map((cam) => ({ cam, found: valvesOfOne(build, cam, crank) }))
  const missing = [
    ...missingPaper(build, ['stroke', 'rodLength']),
    ...each.flatMap(({ found }) => ('missing' in found ? found.missing : [])),
  ]
  if (missing.length > 0) return { missing }
  const known = each.flatMap(({ cam, found }) => ('valves' in found ? [{ cam, ...found }] : []))
  const valves = known.flatMap((one) => one.valves)
  return {
    valves,
    synthetic: known.flatMap(({ cam, isSynthetic }) => (isSynthetic ? [cam] : [])),
    snatchDeg: snatchAnglesDeg(valves.map(({ liftMm }) => liftMm)),
  }
}

function crankOf({ spec: { paper } }: Build): Crank {
  return { strokeMm: paper.stroke?.value ?? 0, rodMm: paper.rodLength?.value ?? 0, pinOffsetMm: paper.pinOffset?.value ?? 0 }
}

function missingPaper({ spec }: Build, keys: readonly PaperKey[]): readonly Missing[] {
  return keys.filter((key) => spec.paper[key] === undefined).map((key) => ({ kind: 'paper', key }))
}

function valvesOfOne(
  build: Build,
  cam: Cam,
  crank: Crank,
): { readonly valves: readonly MappedValve[]; readonly isSynthetic: boolean } | { readonly missing: readonly Missing[] } {
  const { layout, paper, methods } = build.spec
  const kind = camKind(cam)
  const keys = [`${kind}ValveDrop`, `${kind}ValveAngle`] as const
  const motion = lobeMotion(build, cam)
  const ratio = valveRatio(build)
  const lash = runningLash(build, cam)
  const missing = [
    ...missingPaper(build, keys),
    ...('missing' in motion ? motion.missing : []),
    ...(isKnown(ratio) ? [] : ratio.missing),
    ...(isKnown(lash) ? [] : lash.missing),
  ]
  if (missing.length > 0 || 'missing' in motion || !isKnown(ratio) || !isKnown(lash)) return { missing }
  const over = { dropAtTdcMm: paper[keys[0]]!.value, angleDeg: paper[keys[1]]!.value, surface: methods.valveSurface }
  const [tops, phases] = [topsDeg(layout), phasesDeg(layout)]
  const valves = valvesOfCam(build, cam).map((place): MappedValve => {
    const [topDeg, phaseDeg] = [tops.get(place.cylinder)!, phases.get(place.cylinder)!]
    return {
      name: lobeLabel(layout, place),
      over,
      pistonDropMm: (crankDeg) => pistonDropMm(crank, crankDeg - topDeg),
      liftMm: (camDeg) => Math.max(0, motion.liftMm(withinCycle(camDeg - phaseDeg)) * ratio.figure.value.value - lash.figure.value.value),
    }
  })
  return { valves, isSynthetic: motion.isSynthetic }
}

/** Within half a cycle of overlap TDC. */
function withinCycle(deg: number): number {
  const turned = ((deg % CYCLE_DEG) + CYCLE_DEG) % CYCLE_DEG
  return turned > CYCLE_DEG / 2 ? turned - CYCLE_DEG : turned
}

function lobeMotion(build: Build, cam: Cam): LobeMotion | { readonly missing: readonly Missing[] } {
  const [curve, tdc] = [curveOf(build, cam), tdcOf(build, cam)]
  if (curve && isKnown(tdc)) {
    const { spline } = curve.curve
    const { from, to } = spline.knots
    const zeroDeg = tdc.figure.value.value
    return {
      isSynthetic: false,
      liftMm: (deg) => {
        // The lobe reaches past half a cycle on neither side; which turn of the cycle it was read in does not matter.
        const at = [deg, deg - CYCLE_DEG, deg + CYCLE_DEG].map((one) => one + zeroDeg).find((one) => one > from && one < to)
        return at === undefined ? 0 : Math.max(0, splineAt(spline, at))
      },
    }
  }
  return motionByCard(build, cam)
}

/** Where it was found where that is known, else where its card puts it. */
function motionByCard(build: Build, cam: Cam): LobeMotion | { readonly missing: readonly Missing[] } {
  const [lift, duration, card, found] = [
    cardLobeLift(build, cam),
    cardDuration(build, cam),
    cardCentreline(build, cam),
    centreline(build, cam),
  ]
  const stands = isKnown(found) ? found : card
  if (!isKnown(lift) || !isKnown(duration) || !isKnown(stands))
    return { missing: [lift, duration, stands].flatMap((one) => (isKnown(one) ? [] : one.missing)) }
  const lobe = lobeOfDuration(lift.figure.value.value, duration.figure.value.value, checkLift(build).value.value)
  if (!lobe) return { missing: [{ kind: 'impossible', reason: 'noSuchLift' }] }
  const centreDeg = signOf(cam) * stands.figure.value.value
  return { isSynthetic: true, liftMm: (deg) => closedLiftMm(lobe, withinCycle(deg - centreDeg)) }
}

/** What is asked of a shaft that is out of step: where crank and shaft stand, where they are wanted, and the least gap on the way. */
export interface OutOfStepQuestion {
  readonly shaft: Cam
  readonly from?: Standing
  readonly to: Standing
  readonly marginMm: number
}

/** The map of a shaft as plain data, and the way asked for. */
export interface OutOfStep {
  readonly stepDeg: number
  readonly columns: number
  readonly rows: number
  /** Column by column, crank first, mm. */
  readonly gapMm: Float32Array
  readonly route?: Route
  readonly synthetic: readonly Cam[]
  readonly snatchDeg: readonly number[]
}

/** Undefined where numbers are wanted that `valvesOfShaft` names. */
export function outOfStep(build: Build, { shaft, from, to, marginMm }: OutOfStepQuestion): OutOfStep | undefined {
  const found = valvesOfShaft(build, shaft)
  if ('missing' in found) return undefined
  const { valves, synthetic, snatchDeg } = found
  const map = crankCamMap(valves)
  const { stepDeg, columns, rows, gapMm } = map
  return { stepDeg, columns, rows, gapMm, synthetic, snatchDeg, ...(from && { route: safeRoute(map, from, to, marginMm) }) }
}
