/** How near the lobes of a cam bring its valves to their pistons, whatever the drop of each: over the turn, and over phasing. */
import type { Build } from '../../document/build'
import { paperAt } from '../../document/figures'
import { derivation } from '../../document/remembered'
import { workOn } from '../../document/work'
import { closestApproach, gapMm, overPhasing, type Phased, type ValveSweep } from '../../geometry/valvetrain/closest'
import { camKind, camsOf, type Cam, type CamKind } from '../../geometry/valvetrain'
import { crankTurns } from '../../geometry/crank'
import { formula, leftOut, type Figure } from '../../metrology'
import type { Missing, Remark } from '../../bench/bench'
import { allOf, type Derived } from '../../bench/finding'
import { fromPaper } from '../../shared/fromPaper'
import { crankOnPaper, lobeMotionBefore, withinCycle, type LobeMotion } from '../../shared/camMotion/lobeMotion'
import { otherLobe, type OtherLobe } from '../../shared/camMotion/otherCam'
import { valveRatio } from '../../shared/camMotion/valveMotion'

const RAD_PER_DEG = Math.PI / 180

/** Angle between the valves of a kind and their bore, as the paper has it. */
export function valveAngle(build: Build, kind: CamKind): Derived {
  return fromPaper(build, `${kind}ValveAngle`)
}

/** Travel along a valve for each millimetre its piston is further from its head. */
export function alongValve(build: Build, angleDeg: number): number {
  const cosine = Math.cos(angleDeg * RAD_PER_DEG)
  return build.spec.methods.valveSurface === 'pocket' ? cosine : 1 / cosine
}

/** What a cam's lobes do of the gap of its valves, drop at TDC and lash left out. */
export interface Nearest {
  /** The least, over the turn, of what the piston has fallen along the valve less what the lobe lifts it: never above zero. */
  readonly figure: Figure
  /** Crank degrees after overlap TDC. */
  readonly atDeg: number
  /** With a drop of zero and no lash. */
  readonly sweep: ValveSweep
  /** Of the lobe. */
  readonly peakMm: number
  readonly isPartial: boolean
  readonly remarks: readonly Remark[]
}
export type KnownNearest = Nearest | { readonly missing: readonly Missing[] }

const INPUTS = {
  centreDeg: { label: 'Centreline after overlap TDC', kind: 'angle' },
  peakMm: { label: 'Lobe lift', kind: 'length' },
  formMm: { label: 'Off at this angle', kind: 'length' },
  ratio: { label: 'Ratio', kind: 'ratio' },
  strokeMm: { label: 'Stroke', kind: 'length' },
  rodMm: { label: 'Rod length', kind: 'length' },
  pinOffsetMm: { label: 'Pin offset', kind: 'length' },
  angleDeg: { label: 'Valve to its bore', kind: 'angle' },
} as const
type Values = Readonly<Record<keyof typeof INPUTS, number>>

/** The nearest that a cam brings its valves, as it stands or is planned to; where profiles switch, the lobe that comes nearer. */
export function nearest(build: Build, cam: Cam): KnownNearest {
  return nearestBefore(build, cam, 0, 0, 0)
}

/** The same as it was when something was read at a station: before what is still to be done to the cam, or another comes in. */
export function nearestWhenRead(build: Build, cam: Cam, station: string): KnownNearest {
  const { liftMm, durationDeg } = otherLobe(build, cam, station)
  return nearestBefore(build, cam, workOn(build, `turnCam/${cam}`, station), liftMm, durationDeg)
}

const nearestBefore = derivation('valveNearest', (build, cam: Cam, laterDeg: number, liftMm: number, durationDeg: number): KnownNearest => {
  const lobes = camsOf(build.spec.layout).filter((one) => one === cam || one === `${cam}-high`)
  const found = lobes.map((one) => nearestOfLobe(build, one, laterDeg, { liftMm, durationDeg }))
  const missing = found.flatMap((one) => ('missing' in one ? one.missing : []))
  if (missing.length > 0) return { missing }
  return found.reduce((a, b) => ('figure' in a && 'figure' in b && b.figure.value.value < a.figure.value.value ? b : a))
})

function nearestOfLobe(build: Build, cam: Cam, laterDeg: number, before: OtherLobe): KnownNearest {
  const motion = lobeMotionBefore(build, cam, before.liftMm, before.durationDeg)
  const inputs = allOf({
    angleDeg: valveAngle(build, camKind(cam)),
    strokeMm: fromPaper(build, 'stroke'),
    rodMm: fromPaper(build, 'rodLength'),
    ratio: valveRatio(build),
  })
  if (inputs.missing || 'missing' in motion) return { missing: [...(inputs.missing ?? []), ...('missing' in motion ? motion.missing : [])] }
  if (!crankTurns(crankOnPaper(build))) return { missing: [{ kind: 'impossible', reason: 'crankDoesNotTurn' }] }
  const pinOffsetMm = paperAt(build, 'pinOffset') ?? leftOut()
  const { surface, sweepOf } = sweeping(build, motion, laterDeg)
  const values = valuesOf({ ...inputs.figures, pinOffsetMm, ...lobeFigures(motion, 0) })
  const { atDeg } = closestApproach(sweepOf(values))
  const figure = formula({
    id: 'nearest',
    title: 'What the lobe takes of the drop',
    kind: 'length',
    expression: surface === 'pocket' ? 'least over θ of s · cos α − ratio · lobe' : 'least over θ of s ÷ cos α − ratio · lobe',
    source: 'geometry of valve, bore, crank and rod',
    inputs: INPUTS,
    // At a minimum what moves its place changes nothing of it: the uncertainty is that of the gap there (envelope theorem).
    evaluate: (at) => gapMm(sweepOf(at), atDeg),
  }).of({ ...inputs.figures, pinOffsetMm, ...lobeFigures(motion, atDeg - values.centreDeg - laterDeg) })
  return { figure, atDeg, sweep: sweepOf(values), peakMm: values.peakMm, isPartial: motion.isPartial, remarks: motion.remarks }
}

function lobeFigures({ varied }: LobeMotion, fromCentreDeg: number) {
  return { centreDeg: varied.centreDeg, peakMm: varied.peakMm, formMm: varied.offMm(withinCycle(fromCentreDeg)) }
}

function valuesOf(figures: Readonly<Record<keyof typeof INPUTS, Figure>>): Values {
  return Object.fromEntries(Object.entries(figures).map(([name, { value }]) => [name, value.value])) as Values
}

function sweeping(build: Build, motion: LobeMotion, laterDeg: number) {
  const surface = build.spec.methods.valveSurface
  const peakMm = motion.peakMm.value.value
  const sweepOf = (at: Values): ValveSweep => ({
    over: { dropAtTdcMm: 0, angleDeg: at.angleDeg, surface },
    crank: { strokeMm: at.strokeMm, rodMm: at.rodMm, pinOffsetMm: at.pinOffsetMm },
    liftMm: (deg) => {
      const lobeMm = motion.liftMm(withinCycle(deg - at.centreDeg - laterDeg))
      return lobeMm > 0 ? ((lobeMm * at.peakMm) / peakMm + at.formMm) * at.ratio : 0
    },
  })
  return { surface, sweepOf }
}

/** The nearest over every setting of a cam about where it stands, crank degrees earlier, drop and lash left out; undefined: not known. */
export const phasing = derivation('valvePhasing', (build, cam: Cam): readonly Phased[] | undefined => {
  const found = nearest(build, cam)
  return 'missing' in found ? undefined : overPhasing(found.sweep)
})
