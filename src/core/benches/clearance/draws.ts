/** The closest approach of every valve by chance: all that is uncertain drawn many times, and the sweep searched each time. */
import type { Build } from '../../document/build'
import { leastBetween, type ValveSweep } from '../../geometry/valvetrain/closest'
import { camKind, camsOf, isHighProfile, valvesOf, type Cam } from '../../geometry/valvetrain'
import { exactly, oneByOne, type MonteCarloModel, type Uncertain } from '../../metrology'
import { paperAt } from '../../document/figures'
import { isKnown } from '../../bench/finding'
import { fromPaper } from '../../shared/fromPaper'
import { crankOnPaper, lobeMotion, withinCycle, type LobeMotion } from '../../shared/camMotion/lobeMotion'
import { valveRatio } from '../../shared/camMotion/valveMotion'
import { camOf, isBound, valveDrop } from './drop'
import { judgedLash } from './lash'
import { ownLobeTakes } from './ownLobe'
import { nearest, valveAngle } from './sweep'

/** What a draw sets of a cam, in the order it is drawn in. */
const OF_CAM = ['centreDeg', 'peakMm', 'formMm', 'ratio', 'lashMm', 'strokeMm', 'rodMm'] as const
type CamDraw = { -readonly [Name in (typeof OF_CAM)[number]]: number }

interface DrawnCam {
  readonly cam: Cam
  readonly motion: LobeMotion
  readonly angleDeg: number
  /** Where it is closest as it stands: it is looked for about there. */
  readonly atDeg: number
  readonly inputs: readonly Uncertain[]
}

/** A cam's closest approach is looked for so far to either side of where it is. */
const ABOUT_DEG = 12
const STEPS = 16

/**
 * A Monte Carlo model of the closest approach of every valve that was read or taken from others: drops, centrelines, lobes, lash,
 * ratio, crank and rod are drawn, what they share once a draw, and the least of the sweep is found for each. Where a lobe hardly
 * reaches its valve the least has a kink that a linear budget does not see.
 */
export function closestModel(build: Build): MonteCarloModel & { readonly valves: readonly string[] } {
  const cams = camsOf(build.spec.layout)
    .filter((cam) => !isHighProfile(cam))
    .flatMap((cam) => drawnCam(build, cam) ?? [])
  const valves = valvesOf(build.spec.layout).flatMap((valve) => {
    const [drop, at] = [valveDrop(build, valve), cams.findIndex(({ cam }) => cam === camOf(build, valve))]
    const own = ownLobeTakes(build, valve)?.value ?? exactly(0)
    return at >= 0 && !isBound(drop) && isKnown(drop) ? [{ valve, at, drop: drop.figure.value, own }] : []
  })
  const { surface, crank } = { surface: build.spec.methods.valveSurface, crank: crankOnPaper(build) }
  const nearestMm = new Float64Array(cams.length)
  const lashMm = new Float64Array(cams.length)
  const drawn = {} as CamDraw
  return {
    valves: valves.map(({ valve }) => valve),
    inputs: [...cams.flatMap(({ inputs }) => inputs), ...valves.flatMap(({ drop, own }) => [drop, own])],
    results: valves.length,
    bounds: valves.map(({ at }) => build.spec.limits[`clearance.${camKind(cams[at]!.cam)}`]),
    evaluate: oneByOne((values, out) => {
      for (const [index, cam] of cams.entries()) {
        for (const [place, name] of OF_CAM.entries()) drawn[name] = values[index * OF_CAM.length + place]!
        lashMm[index] = drawn.lashMm
        const sweep = sweepOf(cam, drawn, { surface, pinOffsetMm: crank.pinOffsetMm })
        nearestMm[index] = leastBetween(sweep, cam.atDeg - ABOUT_DEG, cam.atDeg + ABOUT_DEG, STEPS).gapMm
      }
      const first = cams.length * OF_CAM.length
      for (const [index, { at }] of valves.entries()) {
        const [dropMm, ownMm] = [values[first + 2 * index]!, values[first + 2 * index + 1]!]
        out[index] = dropMm + Math.min(0, nearestMm[at]! + ownMm + lashMm[at]!)
      }
    }),
  }
}

function sweepOf(
  { motion, angleDeg }: DrawnCam,
  { centreDeg, peakMm, formMm, ratio, strokeMm, rodMm }: CamDraw,
  { surface, pinOffsetMm }: { readonly surface: 'pocket' | 'flat'; readonly pinOffsetMm: number },
): ValveSweep {
  const scale = peakMm / motion.peakMm.value.value
  return {
    over: { dropAtTdcMm: 0, angleDeg, surface },
    crank: { strokeMm, rodMm, pinOffsetMm },
    liftMm: (deg) => {
      const lobeMm = motion.liftMm(withinCycle(deg - centreDeg))
      return lobeMm > 0 ? (lobeMm * scale + formMm) * ratio : 0
    },
  }
}

/** Undefined where the closest approach of a cam's valves is not known. */
function drawnCam(build: Build, cam: Cam): DrawnCam | undefined {
  const [motion, found, ratio, lash] = [lobeMotion(build, cam), nearest(build, cam), valveRatio(build), judgedLash(build, cam)]
  const [angle, stroke, rod] = [valveAngle(build, camKind(cam)), fromPaper(build, 'stroke'), paperAt(build, 'rodLength')]
  if ('missing' in motion || 'missing' in found || !isKnown(ratio) || !isKnown(lash) || !isKnown(angle) || !isKnown(stroke) || !rod)
    return undefined
  const { centreDeg, peakMm, offMm } = motion.varied
  const off = offMm(withinCycle(found.atDeg - centreDeg.value.value))
  const figures = [centreDeg, peakMm, off, ratio.figure, lash.figure, stroke.figure, rod]
  return { cam, motion, angleDeg: angle.figure.value.value, atDeg: found.atDeg, inputs: figures.map(({ value }) => value) }
}
