/** The valves of one shaft over their pistons, for the map of crank against cam. */
import type { Build } from '../../build/build'
import type { PaperKey } from '../../build/paper'
import { crankCamMap, safeRoute, type MappedValve, type Route, type Standing } from '../../clearance/crankCamMap'
import { snatchAnglesDeg } from '../../cam/snatch'
import { camKind, isHighProfile, onOneShaft, phasesDeg, pistonDropMm, topsDeg, type Cam, type Crank } from '../../engine'
import { isKnown } from '../../bench/finding'
import type { Missing } from '../../bench/bench'
import { valvesOfCam } from '../../quantities/camMotion/eachLobe'
import { lobeLabel } from './lobes'
import { crankOnPaper, lobeMotion, withinCycle } from '../../quantities/camMotion/lobeMotion'
import { runningLash, valveRatio } from '../../quantities/camMotion/valveMotion'

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
  const crank = crankOnPaper(build)
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
  const centreDeg = motion.centreDeg.value.value
  const over = { dropAtTdcMm: paper[keys[0]]!.value, angleDeg: paper[keys[1]]!.value, surface: methods.valveSurface }
  const [tops, phases] = [topsDeg(layout), phasesDeg(layout)]
  const valves = valvesOfCam(build, cam).map((place): MappedValve => {
    const [topDeg, phaseDeg] = [tops.get(place.cylinder)!, phases.get(place.cylinder)!]
    return {
      name: lobeLabel(layout, place),
      over,
      pistonDropMm: (crankDeg) => pistonDropMm(crank, crankDeg - topDeg),
      liftMm: (camDeg) =>
        Math.max(0, motion.liftMm(withinCycle(camDeg - phaseDeg - centreDeg)) * ratio.figure.value.value - lash.figure.value.value),
    }
  })
  return { valves, isSynthetic: motion.isSynthetic }
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
