import { formula, type Figure, type FormulaText } from '../../metrology'
import { THREAD_PROFILE } from './profile'

const VDI = 'VDI 2230; ISO 16047'
const N_MM_PER_N_M = 1000
const FULL_TURN_DEG = 360
const KPA_PER_MPA = 1000

const LENGTH = (label: string) => ({ label, kind: 'length' }) as const
const RATIO = (label: string) => ({ label, kind: 'ratio' }) as const
const LOAD = { label: 'Load', kind: 'force' } as const
const TORQUE = { label: 'Torque', kind: 'torque' } as const
const AREA = { label: 'Section', kind: 'section' } as const
const STIFFNESS = (label: string) => ({ label, kind: 'stiffness' }) as const

export const stressArea = formula({
  id: 'stressArea',
  title: 'Stress area of the thread',
  kind: 'section',
  expression: 'π/4 · (d − c · P)²',
  source: 'ISO 898-1: c = 0.9382; ASME B1.1: c = 0.9743; nominal',
  inputs: { diameterMm: LENGTH('Diameter'), pitchMm: LENGTH('Pitch'), factor: RATIO('c') },
  evaluate: ({ diameterMm, pitchMm, factor }) => (Math.PI / 4) * (diameterMm - factor * pitchMm) ** 2,
})

export const pitchDiameter = formula({
  id: 'pitchDiameter',
  title: 'Pitch diameter',
  kind: 'length',
  expression: 'd − 0.6495 · P',
  source: 'ISO 724; ASME B1.1',
  inputs: { diameterMm: LENGTH('Diameter'), pitchMm: LENGTH('Pitch') },
  evaluate: ({ diameterMm, pitchMm }) => diameterMm - THREAD_PROFILE.pitchDiameter * pitchMm,
})

/** Where the torque goes, as arms of the load in mm: up the thread, into its flanks, under the head. */
interface Arms {
  readonly pitchMm: number
  readonly pitchDiameterMm: number
  readonly muThread: number
  readonly muHead: number
  readonly headDiameterMm: number
}

function threadArmMm({ pitchMm, pitchDiameterMm, muThread }: Omit<Arms, 'muHead' | 'headDiameterMm'>): number {
  return pitchMm / (2 * Math.PI) + THREAD_PROFILE.flank * muThread * pitchDiameterMm
}

function armMm(arms: Arms): number {
  return threadArmMm(arms) + (arms.muHead * arms.headDiameterMm) / 2
}

const ARMS = {
  pitchMm: LENGTH('Pitch'),
  pitchDiameterMm: LENGTH('Pitch diameter'),
  muThread: RATIO('Friction in the thread'),
  muHead: RATIO('Friction under the head'),
  headDiameterMm: LENGTH('Mean bearing diameter'),
} as const

export const tighteningTorque = formula({
  id: 'tighteningTorque',
  title: 'Tightening torque',
  kind: 'torque',
  expression: 'F · (P/2π + 0.577 · μ thread · d₂ + ½ · μ head · D head)',
  source: VDI,
  inputs: { loadN: LOAD, ...ARMS },
  evaluate: ({ loadN, ...arms }) => (loadN * armMm(arms)) / N_MM_PER_N_M,
})

export const loadFromTorque = formula({
  id: 'loadFromTorque',
  title: 'Load from torque',
  kind: 'force',
  expression: 'T ÷ (P/2π + 0.577 · μ thread · d₂ + ½ · μ head · D head)',
  source: VDI,
  inputs: { torqueNm: TORQUE, ...ARMS },
  evaluate: ({ torqueNm, ...arms }) => (torqueNm * N_MM_PER_N_M) / armMm(arms),
})

export const torqueByNutFactor = formula({
  id: 'torqueByNutFactor',
  title: 'Torque by nut factor',
  kind: 'torque',
  expression: 'K · d · F',
  source: 'definition of the nut factor',
  inputs: { nutFactor: RATIO('Nut factor'), diameterMm: LENGTH('Diameter'), loadN: LOAD },
  evaluate: ({ nutFactor, diameterMm, loadN }) => (nutFactor * diameterMm * loadN) / N_MM_PER_N_M,
})

export const loadByNutFactor = formula({
  id: 'loadByNutFactor',
  title: 'Load by nut factor',
  kind: 'force',
  expression: 'T ÷ (K · d)',
  source: 'definition of the nut factor',
  inputs: { torqueNm: TORQUE, nutFactor: RATIO('Nut factor'), diameterMm: LENGTH('Diameter') },
  evaluate: ({ torqueNm, nutFactor, diameterMm }) => (torqueNm * N_MM_PER_N_M) / (nutFactor * diameterMm),
})

export const nutFactor = formula({
  id: 'nutFactor',
  title: 'Nut factor',
  kind: 'ratio',
  expression: 'T ÷ (d · F)',
  source: 'definition of the nut factor',
  inputs: { torqueNm: TORQUE, diameterMm: LENGTH('Diameter'), loadN: LOAD },
  evaluate: ({ torqueNm, diameterMm, loadN }) => (torqueNm * N_MM_PER_N_M) / (diameterMm * loadN),
})

export const roundSection = formula({
  id: 'roundSection',
  title: 'Round section',
  kind: 'section',
  expression: 'π/4 · d²',
  source: 'area of a circle',
  inputs: { diameterMm: LENGTH('Diameter') },
  evaluate: ({ diameterMm }) => (Math.PI / 4) * diameterMm ** 2,
})

export const tensileStress = formula({
  id: 'tensileStress',
  title: 'Tensile stress',
  kind: 'stress',
  expression: 'F ÷ A',
  source: 'definition of stress',
  inputs: { loadN: LOAD, areaMm2: AREA },
  evaluate: ({ loadN, areaMm2 }) => loadN / areaMm2,
})

/** A bolt tightened by torque is twisted too, by what its thread takes: tension and torsion of its thinnest place together. */
export const combinedStress = formula({
  id: 'combinedStress',
  title: 'Stress while it is torqued, tension and torsion',
  kind: 'stress',
  expression: '√((F/A)² + 3 · (F · (P/2π + 0.577 · μ thread · d₂) ÷ (π · d³/16))²), d the diameter of A',
  source: VDI,
  inputs: { loadN: LOAD, areaMm2: AREA, pitchMm: ARMS.pitchMm, pitchDiameterMm: ARMS.pitchDiameterMm, muThread: ARMS.muThread },
  evaluate: ({ loadN, areaMm2, ...arms }) => {
    const diameterMm = Math.sqrt((4 * areaMm2) / Math.PI)
    const twist = (loadN * threadArmMm(arms)) / ((Math.PI * diameterMm ** 3) / 16)
    return Math.sqrt((loadN / areaMm2) ** 2 + 3 * twist ** 2)
  },
})

export const shareOf = formula({
  id: 'shareOf',
  title: 'Share of what it bears',
  kind: 'ratio',
  expression: 'stress ÷ strength',
  source: 'definition',
  inputs: { stressMpa: { label: 'Stress', kind: 'stress' }, strengthMpa: { label: 'Strength', kind: 'stress' } },
  evaluate: ({ stressMpa, strengthMpa }) => stressMpa / strengthMpa,
})

/** One length of a bolt with one diameter; effective lengths, with what the engaged thread and the head add. */
export interface Section {
  readonly lengthMm: Figure
  readonly diameterMm: Figure
}

/** A bolt is its sections one behind the other, as springs: their compliances add up. */
export function boltStiffness(sections: readonly Section[], eModulusMpa: Figure): Figure {
  const inputs = Object.fromEntries([
    ['eModulusMpa', { label: 'Modulus of elasticity', kind: 'stress' as const }],
    ...sections.flatMap((_, index) => [
      [`length${index}`, LENGTH(`Length ${index + 1}`)],
      [`diameter${index}`, LENGTH(`Diameter ${index + 1}`)],
    ]),
  ])
  const figures = Object.fromEntries([
    ['eModulusMpa', eModulusMpa],
    ...sections.flatMap(({ lengthMm, diameterMm }, index) => [
      [`length${index}`, lengthMm],
      [`diameter${index}`, diameterMm],
    ]),
  ])
  return formula({
    id: 'boltStiffness',
    title: 'Stiffness of the bolt',
    kind: 'stiffness',
    expression: 'E ÷ Σ (L ÷ (π/4 · d²))',
    source: 'Hooke’s law; VDI 2230',
    inputs,
    evaluate: (values) => {
      const perMm = sections.reduce(
        (sum, _, index) => sum + values[`length${index}`]! / ((Math.PI / 4) * values[`diameter${index}`]! ** 2),
        0,
      )
      return values.eModulusMpa! / perMm
    },
  }).of(figures)
}

export const stretchOf = formula({
  id: 'stretch',
  title: 'Stretch',
  kind: 'length',
  expression: 'F ÷ k bolt',
  source: 'Hooke’s law; VDI 2230',
  inputs: { loadN: LOAD, boltNPerMm: STIFFNESS('Bolt') },
  evaluate: ({ loadN, boltNPerMm }) => loadN / boltNPerMm,
})

export const loadFromStretch = formula({
  id: 'loadFromStretch',
  title: 'Load from stretch',
  kind: 'force',
  expression: 'stretch · k bolt',
  source: 'Hooke’s law; VDI 2230',
  inputs: { stretchMm: LENGTH('Stretch'), boltNPerMm: STIFFNESS('Bolt') },
  evaluate: ({ stretchMm, boltNPerMm }) => stretchMm * boltNPerMm,
})

/** The stretch at which a bolt bears a share of its yield where it is thinnest. */
export const stretchAtYieldShare = formula({
  id: 'stretchAtYieldShare',
  title: 'Stretch at a share of yield',
  kind: 'length',
  expression: 'share · yield · smallest section ÷ k bolt',
  source: 'Hooke’s law; VDI 2230',
  inputs: { share: RATIO('Share of yield'), yieldMpa: { label: 'Yield', kind: 'stress' }, areaMm2: AREA, boltNPerMm: STIFFNESS('Bolt') },
  evaluate: ({ share, yieldMpa, areaMm2, boltNPerMm }) => (share * yieldMpa * areaMm2) / boltNPerMm,
})

export const meanLength: FormulaText = {
  id: 'meanLength',
  title: 'Length',
  kind: 'length',
  expression: 'mean of the readings',
  source: 'JCGM 100:2008, 4.2.1',
}

export const lengthened = formula({
  id: 'lengthened',
  title: 'Longer by',
  kind: 'length',
  expression: 'length after − length before',
  source: 'definition',
  inputs: { afterMm: LENGTH('After'), beforeMm: LENGTH('Before') },
  evaluate: ({ afterMm, beforeMm }) => afterMm - beforeMm,
})

/** Bolt and clamped parts as springs in a row: what each gives of a common displacement. */
function bothGiveMmPerN(boltNPerMm: number, partsNPerMm: number): number {
  return 1 / boltNPerMm + 1 / partsNPerMm
}

export const loadFromAngle = formula({
  id: 'loadFromAngle',
  title: 'Load from angle, elastic',
  kind: 'force',
  expression: 'angle/360° · P ÷ (1/k bolt + 1/k parts)',
  source: VDI,
  inputs: {
    angleDeg: { label: 'Angle after snug', kind: 'angle' },
    pitchMm: ARMS.pitchMm,
    boltNPerMm: STIFFNESS('Bolt'),
    partsNPerMm: STIFFNESS('Parts'),
  },
  evaluate: ({ angleDeg, pitchMm, boltNPerMm, partsNPerMm }) =>
    ((angleDeg / FULL_TURN_DEG) * pitchMm) / bothGiveMmPerN(boltNPerMm, partsNPerMm),
})

export const partsStiffness = formula({
  id: 'partsStiffness',
  title: 'Stiffness of the parts',
  kind: 'stiffness',
  expression: 'k bolt · how much stiffer the parts are',
  source: 'definition',
  inputs: { boltNPerMm: STIFFNESS('Stud'), stiffer: RATIO('Parts over stud') },
  evaluate: ({ boltNPerMm, stiffer }) => boltNPerMm * stiffer,
})

export const warmClamp = formula({
  id: 'warmClamp',
  title: 'Load added by warmth',
  kind: 'force',
  expression: 'L · (α parts − α stud) · rise ÷ (1/k stud + 1/k parts)',
  source: 'linear thermal expansion; VDI 2230',
  inputs: {
    lengthMm: LENGTH('Clamped length'),
    partPerK: { label: 'Parts grow', kind: 'expansion' },
    studPerK: { label: 'Stud grows', kind: 'expansion' },
    riseK: { label: 'Rise', kind: 'rise' },
    boltNPerMm: STIFFNESS('Stud'),
    partsNPerMm: STIFFNESS('Parts'),
  },
  evaluate: ({ lengthMm, partPerK, studPerK, riseK, boltNPerMm, partsNPerMm }) =>
    (lengthMm * (partPerK - studPerK) * riseK) / bothGiveMmPerN(boltNPerMm, partsNPerMm),
})

/** Shims stand behind a gear and take up its clearance. */
export const gearShims = formula({
  id: 'gearShims',
  title: 'Gear shims wanted',
  kind: 'length',
  expression: 'shims in now + clearance − clearance wanted',
  source: 'definition',
  inputs: { nowMm: LENGTH('Shims in now'), gapMm: LENGTH('Clearance'), wantedMm: LENGTH('Clearance wanted') },
  evaluate: ({ nowMm, gapMm, wantedMm }) => nowMm + gapMm - wantedMm,
})

export const gasForce = formula({
  id: 'gasForce',
  title: 'Force of the gas',
  kind: 'force',
  expression: 'peak pressure · π/4 · (gasket bore)²',
  source: 'definition of pressure',
  inputs: { peakKpa: { label: 'Peak pressure', kind: 'pressure' }, gasketBoreMm: LENGTH('Gasket bore') },
  evaluate: ({ peakKpa, gasketBoreMm }) => (peakKpa / KPA_PER_MPA) * (Math.PI / 4) * gasketBoreMm ** 2,
})

export const clampForce = formula({
  id: 'clampForce',
  title: 'Clamp of one cylinder',
  kind: 'force',
  expression: 'load of a stud · studs, each by its share',
  source: 'common practice: a stud between two cylinders counts half to each',
  inputs: { loadN: LOAD, studs: RATIO('Studs, each by its share') },
  evaluate: ({ loadN, studs }) => loadN * studs,
})

export const clampMargin = formula({
  id: 'clampMargin',
  title: 'Clamp over gas',
  kind: 'ratio',
  expression: 'clamp ÷ gas force',
  source: 'definition',
  inputs: { clampN: { label: 'Clamp', kind: 'force' }, gasN: { label: 'Gas', kind: 'force' } },
  evaluate: ({ clampN, gasN }) => clampN / gasN,
})
