import type { LUBES } from '../schema'
import type { Joint, JointGroup, Spec } from '../../document/types'
import { formula } from '../../metrology'
import { runRefusals, type RunRefusal } from '../plan'
import type { RunWay } from '../run'
import { combinedStress, gasForce, loadByNutFactor, pitchDiameter, roundSection, stressArea } from './formulas'
import { THREAD_PROFILE } from './profile'
import { isThread, readThread, type Thread } from './thread'

export type Lube = (typeof LUBES)[number]

/** An estimate from its least to its most. */
export interface Range {
  readonly low: number
  readonly high: number
}

/** Nut factors K of T = K · d · F, from memory: dry about 0.20, oiled 0.15 to 0.18, moly or the maker's own lube 0.10 to 0.13. */
export const NUT_FACTORS: Readonly<Record<Lube, Range>> = {
  dry: { low: 0.18, high: 0.22 },
  oiled: { low: 0.15, high: 0.18 },
  moly: { low: 0.1, high: 0.13 },
}

/** Mean diameter the nut or head turns on, in thread diameters, from memory: between the hole and the flats. */
const BEARING_DIAMETERS = 1.3

/** What a torque makes of a fastener, friction being anything from slick to rough: an estimate throughout. */
export interface ClampEstimate {
  readonly letter: string
  readonly lube: Lube
  readonly loadN: Range
  /** On the stress area. */
  readonly ofProof: Range | undefined
  /** In tension alone, on the smallest section. */
  readonly ofYield: Range | undefined
  /** Twisted as well, while it is pulled. */
  readonly combinedOfYield: Range | undefined
  /** What the same torque does on another lube: its mean load over this one's, less one. */
  readonly onOtherLubes: readonly { readonly lube: Lube; readonly more: number }[]
}

/** One estimate for each type of fastener in a group that has a torque, a thread that can be read, and a lube. */
export function clampEstimates({ types, fasteners }: Pick<Joint, 'types' | 'fasteners'>, group: JointGroup): readonly ClampEstimate[] {
  const { targetNm, dress, order } = group
  const lube = dress?.lube
  if (targetNm === undefined || !lube || group.stages.some(({ pull }) => pull === 'angle')) return []
  const letters = new Set(order.flatMap((number) => fasteners[number - 1]?.type ?? []))
  return types.flatMap((type) => {
    const thread = type.thread === undefined ? undefined : readThread(type.thread)
    return letters.has(type.letter) && thread && isThread(thread) ? [estimate(type, thread, targetNm, lube)] : []
  })
}

/** What a torque does on another lube: its mean load over this one’s, less one. */
export function onOtherLubes(lube: Lube): ClampEstimate['onOtherLubes'] {
  const mean = (of: Lube) => (NUT_FACTORS[of].low + NUT_FACTORS[of].high) / 2
  return (Object.keys(NUT_FACTORS) as Lube[])
    .filter((other) => other !== lube)
    .map((other) => ({ lube: other, more: mean(lube) / mean(other) - 1 }))
}

function estimate(type: Joint['types'][number], thread: Thread, torqueNm: number, lube: Lube): ClampEstimate {
  const { low, high } = NUT_FACTORS[lube]
  const loadAt = (nutFactor: number) => loadByNutFactor.evaluate({ torqueNm, nutFactor, diameterMm: thread.diameterMm })
  const loadN = { low: loadAt(high), high: loadAt(low) }
  const area = stressAreaMm2(thread)
  const smallest = Math.min(area, ...(type.sections ?? []).map(({ diameterMm }) => roundSection.evaluate({ diameterMm })))
  const share = (mm2: number, mpa: number | undefined) => mpa && { low: loadN.low / mm2 / mpa, high: loadN.high / mm2 / mpa }
  const combined = (load: number, nutFactor: number) => combinedMpa(load, smallest, thread, nutFactor)
  return {
    letter: type.letter,
    lube,
    loadN,
    ofProof: share(area, type.proofMpa) || undefined,
    ofYield: share(smallest, type.yieldMpa) || undefined,
    combinedOfYield: type.yieldMpa
      ? { low: combined(loadN.low, high) / type.yieldMpa, high: combined(loadN.high, low) / type.yieldMpa }
      : undefined,
    onOtherLubes: onOtherLubes(lube),
  }
}

/** What the tension and the twist of a pull come to, of what its thinnest place yields at. */
export const pulledShare = formula({
  id: 'pulledShare',
  title: 'Share of yield while it is torqued',
  kind: 'ratio',
  expression: '√(σ² + 3τ²) ÷ yield, with F = T ÷ (K · d) and the friction in the thread that K stands for',
  source: 'VDI 2230; mean bearing diameter 1.3 d from memory',
  inputs: {
    torqueNm: { label: 'Torque', kind: 'torque' },
    nutFactor: { label: 'Nut factor', kind: 'ratio' },
    diameterMm: { label: 'Diameter', kind: 'length' },
    pitchMm: { label: 'Pitch', kind: 'length' },
    areaMm2: { label: 'Smallest section', kind: 'section' },
    yieldMpa: { label: 'Yield', kind: 'stress' },
  },
  evaluate: ({ torqueNm, nutFactor, diameterMm, pitchMm, areaMm2, yieldMpa }) =>
    combinedMpa(loadByNutFactor.evaluate({ torqueNm, nutFactor, diameterMm }), areaMm2, { diameterMm, pitchMm }, nutFactor) / yieldMpa,
})

/** The most the gas may come to, from what the engine is meant to be. */
export const peakPressure = formula({
  id: 'peakPressure',
  title: 'Peak pressure',
  kind: 'pressure',
  expression: '(101.3 kPa + boost) · ratio^1.32 · peak over compression',
  source: 'polytropic compression; its exponent and the peak over it from memory',
  inputs: {
    boostKpa: { label: 'Boost', kind: 'pressure' },
    ratio: { label: 'Ratio', kind: 'ratio' },
    peakOver: { label: 'Peak over compression', kind: 'ratio' },
  },
  evaluate: ({ boostKpa, ratio, peakOver }) => (ATMOSPHERE_KPA + boostKpa) * ratio ** COMPRESSION_EXPONENT * peakOver,
})

function stressAreaMm2({ diameterMm, pitchMm, standard }: Thread): number {
  return stressArea.evaluate({ diameterMm, pitchMm, factor: THREAD_PROFILE.stressDiameter[standard] })
}

/** Tension and torsion together; the friction in the thread is the one the nut factor stands for, alike under the nut. */
function combinedMpa(
  loadN: number,
  areaMm2: number,
  { diameterMm, pitchMm }: Pick<Thread, 'diameterMm' | 'pitchMm'>,
  nutFactor: number,
): number {
  const pitchDiameterMm = pitchDiameter.evaluate({ diameterMm, pitchMm })
  const riseMm = pitchMm / (2 * Math.PI)
  const frictionArmMm = THREAD_PROFILE.flank * pitchDiameterMm + (BEARING_DIAMETERS * diameterMm) / 2
  const muThread = Math.max(0, (nutFactor * diameterMm - riseMm) / frictionArmMm)
  return combinedStress.evaluate({ loadN, areaMm2, pitchMm, pitchDiameterMm, muThread })
}

/** Whether a torque pulls a fastener past its yield however rough it turns: such a plan is refused unless it is meant. */
export function isBeyondYield(joint: Joint, group: JointGroup): boolean {
  return group.method !== 'toYield' && clampEstimates(joint, group).some(({ ofYield }) => ofYield !== undefined && ofYield.low > 1)
}

/** Why a run of a joint may not begin, what its fasteners bear among it. */
export function jointRefusals(joint: Joint, way: RunWay): readonly RunRefusal[] {
  const isBeyond = (way === 'tighten' || way === 'retorque') && joint.groups.some((group) => isBeyondYield(joint, group))
  return [...runRefusals(joint, way), ...(isBeyond ? [{ code: 'beyondYield' } as const] : [])]
}

/** Of the air before compression, and of compression (polytropic, with the losses of a cold wall): from memory. */
const ATMOSPHERE_KPA = 101.3
const COMPRESSION_EXPONENT = 1.32
/** Peak over end of compression for spark ignition, from memory. */
export const PEAK_OVER_COMPRESSION: Range = { low: 2.5, high: 3.5 }

export interface ClampMargin {
  /** All studs ÷ cylinders (common practice). */
  readonly clampN: Range
  readonly gasN: Range
  readonly peakKpa: Range
  readonly margin: Range
}

/** Clamp of one cylinder against its gas, at the peak pressure this boost and ratio may reach: an estimate of estimates, and said so. */
export function clampMarginOf(
  joint: Joint,
  { duty }: Pick<Spec, 'duty'>,
  { ratio, gasketBoreMm, cylinders }: { readonly ratio: number; readonly gasketBoreMm: number; readonly cylinders: number },
): ClampMargin | undefined {
  const loads = joint.groups.flatMap((group) =>
    clampEstimates(joint, group).map(({ letter, loadN }) => ({
      loadN,
      count: group.order.filter((number) => joint.fasteners[number - 1]!.type === letter).length,
    })),
  )
  const counted = loads.reduce((sum, { count }) => sum + count, 0)
  if (counted < joint.fasteners.length) return undefined
  const total = (end: keyof Range) => loads.reduce((sum, { loadN, count }) => sum + loadN[end] * count, 0) / cylinders
  const peakAt = (peakOver: number) => peakPressure.evaluate({ boostKpa: duty.boostKpa, ratio, peakOver })
  const peakKpa = { low: peakAt(PEAK_OVER_COMPRESSION.low), high: peakAt(PEAK_OVER_COMPRESSION.high) }
  const force = (kpa: number) => gasForce.evaluate({ peakKpa: kpa, gasketBoreMm })
  const gasN = { low: force(peakKpa.low), high: force(peakKpa.high) }
  const clampN = { low: total('low'), high: total('high') }
  return { clampN, gasN, peakKpa, margin: { low: clampN.low / gasN.high, high: clampN.high / gasN.low } }
}
