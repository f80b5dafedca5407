/** The valves of one shaft over their pistons and beside those of other shafts, for the map of crank against cam. */
import type { Build } from '../../document/build'
import type { PaperKey } from '../../document/paper'
import { crankCamMap, type CrankCamMap, type GapField, type MappedValve, type Standing } from '../../geometry/valvetrain/crankCamMap'
import { safeRoute, type Route } from '../../geometry/valvetrain/safeRoute'
import { valveToValveMm } from '../../geometry/valvetrain/valveToValve'
import { snatchAnglesDeg } from '../../geometry/valvetrain/snatch'
import { bankOfCam, camKind, isHighProfile, onOneShaft, type Cam, type CamKind } from '../../geometry/valvetrain'
import { phasesDeg, pistonDropMm, topsDeg, type Crank } from '../../geometry/crank'
import { expand, type Figure } from '../../metrology'
import { isKnown, type Derived } from '../../bench/finding'
import type { Missing } from '../../bench/bench'
import { valvesOfCam } from '../../shared/camMotion/eachLobe'
import { fromPaper } from '../../shared/fromPaper'
import { crankOnPaper, lobeMotion, withinCycle } from '../../shared/camMotion/lobeMotion'
import { runningLash, valveRatio } from '../../shared/camMotion/valveMotion'
import { betweenParts, pairOf, whereValvesLean } from './around'
import { isBound, valveDrop } from './drop'
import { valveAngle } from './sweep'

export type ShaftValves =
  | {
      readonly valves: readonly MappedValve[]
      /** Cams whose lobe is made of their card. */
      readonly synthetic: readonly Cam[]
      readonly snatchDeg: readonly number[]
    }
  | { readonly missing: readonly Missing[] }

/**
 * Every valve of a shaft, by the measured lobes where there are curves, else by lobes made of their cards; each over its own drop as it
 * was read or follows from others, with what is planned, less its uncertainty.
 */
export function valvesOfShaft(build: Build, shaft: Cam): ShaftValves {
  const cams = onOneShaft(build.spec.layout, shaft).filter((cam) => !isHighProfile(cam))
  const crank = crankOnPaper(build)
  const each = cams.map((cam) => ({ cam, found: valvesOfOne(build, cam, crank) }))
  const missing = once([
    ...missingPaper(build, ['stroke', 'rodLength']),
    ...each.flatMap(({ found }) => ('missing' in found ? found.missing : [])),
  ])
  if (missing.length > 0) return { missing }
  const known = each.flatMap(({ cam, found }) => ('valves' in found ? [{ cam, ...found }] : []))
  const valves = known.flatMap((one) => one.valves)
  return {
    valves,
    synthetic: known.flatMap(({ cam, isSynthetic }) => (isSynthetic ? [cam] : [])),
    snatchDeg: snatchAnglesDeg(valves.map(({ liftMm }) => liftMm)),
  }
}

function once(missing: readonly Missing[]): readonly Missing[] {
  return [...new Map(missing.map((one) => [JSON.stringify(one), one])).values()]
}

function missingPaper({ spec }: Build, keys: readonly PaperKey[]): readonly Missing[] {
  return keys.filter((key) => spec.paper[key] === undefined).map((key) => ({ kind: 'paper', key }))
}

function valvesOfOne(
  build: Build,
  cam: Cam,
  crank: Crank,
): { readonly valves: readonly MappedValve[]; readonly isSynthetic: boolean } | { readonly missing: readonly Missing[] } {
  const { layout, methods } = build.spec
  const motion = lobeMotion(build, cam)
  const ratio = valveRatio(build)
  const lash = runningLash(build, cam)
  const angle = valveAngle(build, camKind(cam))
  const places = valvesOfCam(build, cam)
  const drops = places.map(({ valve }) => leastDrop(build, valve, camKind(cam)))
  const missing = [
    ...drops.flatMap((drop) => (typeof drop === 'number' ? [] : drop.missing)),
    ...('missing' in motion ? motion.missing : []),
    ...[ratio, lash, angle].flatMap((one) => (isKnown(one) ? [] : one.missing)),
  ]
  if (missing.length > 0 || 'missing' in motion || !isKnown(ratio) || !isKnown(lash) || !isKnown(angle)) return { missing }
  const centreDeg = motion.centreDeg.value.value
  const [tops, phases] = [topsDeg(layout), phasesDeg(layout)]
  const valves = places.map((place, index): MappedValve => {
    const [topDeg, phaseDeg] = [tops.get(place.cylinder)!, phases.get(place.cylinder)!]
    return {
      name: place.valve,
      cylinder: place.cylinder,
      over: { dropAtTdcMm: drops[index] as number, angleDeg: angle.figure.value.value, surface: methods.valveSurface },
      pistonDropMm: (crankDeg) => pistonDropMm(crank, crankDeg - topDeg),
      liftMm: (camDeg) =>
        Math.max(0, motion.liftMm(withinCycle(camDeg - phaseDeg - centreDeg)) * ratio.figure.value.value - lash.figure.value.value),
    }
  })
  return { valves, isSynthetic: motion.isSynthetic }
}

/** The drop of a valve less its uncertainty, mm; where feelers only bound it, what it has at least; where none was read, as on paper. */
function leastDrop(build: Build, valve: string, kind: CamKind): number | { readonly missing: readonly Missing[] } {
  const drop = valveDrop(build, valve)
  const stated = fromPaper(build, `${kind}ValveDrop`)
  const figure = (isBound(drop) ? drop.bound.low : figureOf(drop)) ?? figureOf(stated)
  if (!figure) return { missing: 'missing' in stated ? stated.missing : [] }
  return figure.value.value - expand(figure.value).U
}

function figureOf(derived: Derived): Figure | undefined {
  return isKnown(derived) ? derived.figure : undefined
}

/** Another shaft that is in, and where it stands: crank degrees of its own cycle. */
export interface OtherShaft {
  readonly shaft: Cam
  readonly camDeg: number
}

/** What is asked of a shaft that is out of step: where crank and shaft stand, where they are wanted, and the least gap on the way. */
export interface OutOfStepQuestion {
  readonly shaft: Cam
  readonly from?: Standing
  readonly to: Standing
  readonly marginMm: number
  /** Every other shaft that is in; one that is out, or whose followers are, is left out. */
  readonly others: readonly OtherShaft[]
}

/** The map of a shaft as plain data, and the way asked for. */
export interface OutOfStep extends CrankCamMap {
  readonly route?: Route
  readonly synthetic: readonly Cam[]
  readonly snatchDeg: readonly number[]
}

/** Undefined where numbers are wanted that `gapField` names. */
export function outOfStep(build: Build, { shaft, from, to, marginMm, others }: OutOfStepQuestion): OutOfStep | undefined {
  const found = gapField(build, shaft, others)
  if ('missing' in found) return undefined
  const { field, synthetic, snatchDeg } = found
  return { ...crankCamMap(field), synthetic, snatchDeg, ...(from && { route: safeRoute(field, from, to, marginMm) }) }
}

type FoundField = { readonly field: GapField; readonly synthetic: readonly Cam[]; readonly snatchDeg: readonly number[] }

/** Everything a shaft, and the crank under every other shaft that is in, can meet. */
export function gapField(build: Build, shaft: Cam, others: readonly OtherShaft[]): FoundField | { readonly missing: readonly Missing[] } {
  const own = valvesOfShaft(build, shaft)
  const standing = others.map((other) => ({ ...other, found: valvesOfShaft(build, other.shaft) }))
  const beside = others.filter(({ shaft: other }) => meets(build, shaft, other)).map((other) => besideOther(build, shaft, other))
  const missing = once([own, ...standing.map(({ found }) => found), ...beside].flatMap((one) => ('missing' in one ? one.missing : [])))
  if (missing.length > 0 || 'missing' in own) return { missing }
  const rooms = beside.flatMap((one) => ('roomMm' in one ? [one.roomMm] : []))
  const field: GapField = {
    valves: own.valves,
    standing: standing.flatMap(({ found, camDeg }) =>
      'valves' in found ? found.valves.map((valve) => ({ ...valve, standsAtMm: valve.liftMm(camDeg) })) : [],
    ),
    ...(rooms.length > 0 && { besideMm: (camDeg: number) => Math.min(...rooms.map((roomMm) => roomMm(camDeg))) }),
  }
  return { field, synthetic: own.synthetic, snatchDeg: own.snatchDeg }
}

/** Whether the valves of two shafts stand in the same chambers, leaning towards each other. */
function meets(build: Build, one: Cam, other: Cam): boolean {
  return bankOfCam(one) === bankOfCam(other) && camKind(one) !== camKind(other) && whereValvesLean(build)
}

/** The least room between the valves of a shaft and those of another that stands still, over all their cylinders. */
function besideOther(
  build: Build,
  shaft: Cam,
  { shaft: other, camDeg: stillDeg }: OtherShaft,
): { readonly roomMm: (camDeg: number) => number } | { readonly missing: readonly Missing[] } {
  const [intake, exhaust] = camKind(shaft) === 'intake' ? [shaft, other] : [other, shaft]
  const parts = betweenParts(build, intake, exhaust)
  const [own, still] = [valvesOfShaft(build, shaft), valvesOfShaft(build, other)]
  if ('missing' in parts) return parts
  if ('missing' in own) return own
  if ('missing' in still) return still
  const pair = pairOf(parts.valuesAt)
  const room = (ownMm: number, stillMm: number) =>
    camKind(shaft) === 'intake' ? valveToValveMm(pair, ownMm, stillMm) : valveToValveMm(pair, stillMm, ownMm)
  // Valves of one kind of a cylinder open together: one of each stands for all.
  const cylinders = [...new Map(own.valves.map((valve) => [valve.cylinder, valve])).values()].map((valve) => ({
    valve,
    stillMm: Math.max(...still.valves.filter(({ cylinder }) => cylinder === valve.cylinder).map(({ liftMm }) => liftMm(stillDeg))),
  }))
  return { roomMm: (camDeg) => Math.min(...cylinders.map(({ valve, stillMm }) => room(valve.liftMm(camDeg), stillMm))) }
}
