/** What a joint clamps by the torque it is planned with: estimates, for nobody has measured its friction. */
import type { Build } from '../../document/build'
import type { Joint, JointGroup } from '../../document/types'
import { paperAt } from '../../document/figures'
import { derivation } from '../../document/remembered'
import { cylinderPlaces } from '../../geometry/crank'
import { EXPANSION, type Expansion } from '../../geometry/materials'
import { assumedFigure, formula, resultOf, statedFigure, type Figure } from '../../metrology'
import { bankOf, jointPitchMm, jointsOf } from '../../joints'
import type { Finding } from '../../bench/bench'
import { finding, type Derived } from '../../bench/finding'
import {
  NUT_FACTORS,
  onOtherLubes,
  PEAK_OVER_COMPRESSION,
  peakPressure,
  pulledShare,
  type Lube,
  type Range,
} from '../../joints/bolts/clamp'
import { definition, type BoltOutput } from './definition'
import {
  boltStiffness,
  clampMargin,
  gasForce,
  loadByNutFactor,
  partsStiffness,
  roundSection,
  shareOf,
  stressArea,
  tensileStress,
  warmClamp,
} from '../../joints/bolts/formulas'
import { wantedRatio } from '../../shared/wantedRatio'
import { THREAD_PROFILE } from '../../joints/bolts/profile'
import { STEEL_MODULUS } from '../../joints/bolts/steelModulus'
import { isThread, readThread, type Thread } from '../../joints/bolts/thread'

type FastenerType = Joint['types'][number]

/** A click wrench, as hard limits of what it was set to (ISO 6789-1). */
const WRENCH_SHARE = 0.04

/** One type of fastener in one group, with all that a load by torque wants. */
interface Pulled {
  readonly type: FastenerType
  readonly thread: Thread
  readonly count: number
  /** The fasteners of its group. */
  readonly order: readonly number[]
  readonly torqueNm: Figure
  readonly nutFactor: Figure
  readonly lube: Lube
}

/** What is found of a joint, by its output; undefined where nothing is to be said. */
const OF_JOINT: Readonly<Partial<Record<BoltOutput, (build: Build, joint: string) => Derived | undefined>>> = {
  'fasteners.torqueLoad': (build, joint) => withLubes(build, joint, ofWorst(build, joint, loadOf)),
  'fasteners.pulledOfYield': (build, joint) => ofWorst(build, joint, pulledOf),
  'fasteners.torqueOfProof': (build, joint) => ofWorst(build, joint, proofOf),
  'fasteners.clampOverGas': (build, joint) => clampOverGas(build, joint),
  'fasteners.evenness': (build, joint) => evennessOf(build, joint),
  'fasteners.warmLoad': (build, joint) => ofWorst(build, joint, (one) => warmLoadOf(build, joint, one)),
  'fasteners.warmOfYield': (build, joint) => ofWorst(build, joint, (one) => warmShareOf(build, joint, one)),
  'fasteners.engaged': (build, joint) => engagedOf(build, joint),
}
const OUTPUTS = Object.keys(OF_JOINT) as BoltOutput[]

/** Remembered also where it is nothing: whether there is a finding is asked at every key. */
const derivedOf = derivation('jointDerived', (build, output: BoltOutput, joint: string) => OF_JOINT[output]!(build, joint))

export function jointFindings(build: Build): Finding[] {
  return jointIds(build).flatMap((joint) =>
    OUTPUTS.filter((output) => derivedOf(build, output, joint)).map((output) =>
      finding(build, definition, output, (recorded) => derivedOf(recorded, output, joint)!, { joint }),
    ),
  )
}

const SEPARATOR = ' '
/** As one text: what has the same text is the same to who asks. */
const idsOf = derivation('jointIds', ({ spec }) =>
  jointsOf(spec)
    .map(({ id }) => id)
    .join(SEPARATOR),
)
const jointIds = (build: Build): readonly string[] => idsOf(build).split(SEPARATOR).filter(Boolean)

const jointAt = derivation('joint', ({ spec }, id: string): Joint | undefined => jointsOf(spec).find((joint) => joint.id === id))

/** Types that are tightened by torque, on a lube, with a thread that can be read; by angle, stretch or no figure nothing follows. */
const pulledIn = derivation('jointPulled', (build, id: string): readonly Pulled[] => {
  const joint = jointAt(build, id)
  return joint ? joint.groups.flatMap((group) => pulledInGroup(joint, group)) : []
})

function pulledInGroup(joint: Joint, { order, targetNm, targetFrom, dress, stages }: JointGroup): readonly Pulled[] {
  const lube = dress?.lube
  if (targetNm === undefined || !lube || stages.some(({ pull }) => pull === 'angle')) return []
  const source = `${targetFrom?.source ?? 'the plan'}; wrench ±4 %, ISO 6789-1`
  const torqueNm = assumedFigure(`torque of ${joint.id}`, { value: targetNm, tolerance: WRENCH_SHARE * targetNm, source })
  return joint.types.flatMap((type): Pulled[] => {
    const count = order.filter((number) => joint.fasteners[number - 1]?.type === type.letter).length
    const thread = type.thread === undefined ? undefined : readThread(type.thread)
    return count > 0 && thread && isThread(thread) ? [{ type, thread, count, order, torqueNm, nutFactor: nutFactorOf(lube), lube }] : []
  })
}

function nutFactorOf(lube: Lube): Figure {
  return assumedFigure(`nut factor, ${lube}`, { ...middleOf(NUT_FACTORS[lube]), source: 'from memory' })
}

function middleOf({ low, high }: Range): { readonly value: number; readonly tolerance: number } {
  return { value: (low + high) / 2, tolerance: (high - low) / 2 }
}

const onSheet = (name: string, value: number) => statedFigure(`sheet/${name}`, value)

function loadOf({ thread, torqueNm, nutFactor }: Pulled): Figure {
  return loadByNutFactor.of({ torqueNm, nutFactor, diameterMm: onSheet('diameter', thread.diameterMm) })
}

function stressAreaOf({ thread: { diameterMm, pitchMm, standard } }: Pulled): Figure {
  const factor = onSheet('profile', THREAD_PROFILE.stressDiameter[standard])
  return stressArea.of({ diameterMm: onSheet('diameter', diameterMm), pitchMm: onSheet('pitch', pitchMm), factor })
}

function smallestOf(pulled: Pulled): Figure {
  const sections = (pulled.type.sections ?? []).map(({ diameterMm }) => roundSection.of({ diameterMm: onSheet('section', diameterMm) }))
  return [stressAreaOf(pulled), ...sections].reduce((least, area) => (area.value.value < least.value.value ? area : least))
}

function pulledOf(pulled: Pulled): Figure | undefined {
  const { type, thread, torqueNm, nutFactor } = pulled
  if (type.yieldMpa === undefined) return undefined
  return pulledShare.of({
    torqueNm,
    nutFactor,
    diameterMm: onSheet('diameter', thread.diameterMm),
    pitchMm: onSheet('pitch', thread.pitchMm),
    areaMm2: smallestOf(pulled),
    yieldMpa: onSheet('yield', type.yieldMpa),
  })
}

function proofOf(pulled: Pulled): Figure | undefined {
  const { proofMpa } = pulled.type
  if (proofMpa === undefined) return undefined
  const stressMpa = tensileStress.of({ loadN: loadOf(pulled), areaMm2: stressAreaOf(pulled) })
  return shareOf.of({ stressMpa, strengthMpa: onSheet('proof', proofMpa) })
}

/** The figure belongs to its lube: what the same torque does on another is said beside it. */
function withLubes(build: Build, joint: string, load: Derived | undefined): Derived | undefined {
  const [lube, ...others] = [...new Set(pulledIn(build, joint).map((one) => one.lube))]
  if (!load || lube === undefined || others.length > 0) return load
  return { ...load, remarks: [{ code: 'onOtherLubes', lube, others: onOtherLubes(lube) }] }
}

/** Of several types and groups the one that bears most: the others are better off. */
function ofWorst(build: Build, joint: string, of: (pulled: Pulled) => Figure | undefined): Derived | undefined {
  const figures = pulledIn(build, joint).flatMap((pulled) => of(pulled) ?? [])
  return figures.length === 0 ? undefined : { figure: figures.reduce((a, b) => (b.value.value > a.value.value ? b : a)) }
}

/** A head against the gas of one cylinder; only where every fastener of it has a load. */
function clampOverGas(build: Build, id: string): Derived | undefined {
  const joint = jointAt(build, id)!
  const pulled = pulledIn(build, id)
  const counted = pulled.reduce((sum, { count }) => sum + count, 0)
  const gasN = gasOf(build)
  if (joint.kind !== 'head' || counted < joint.fasteners.length || !gasN) return undefined
  const cylinders = cylindersUnder(build, joint)
  const clampN = resultOf(
    {
      id: 'clampOfCylinder',
      title: 'Clamp of one cylinder',
      kind: 'force',
      expression: 'Σ load · fasteners ÷ cylinders',
      source: 'common practice: all studs over the cylinders',
    },
    pulled.map((one) => ({ label: `Load, type ${one.type.letter}`, weight: one.count / cylinders, figure: loadOf(one) })),
  )
  return { figure: clampMargin.of({ clampN, gasN }) }
}

/** Of the stud: what it clamps gives that much less (from memory: three to six times as stiff). */
const PARTS_STIFFER = { value: 4.5, tolerance: 1.5, source: 'from memory: three to six times the stud' }

/** What a head of aluminium adds to its steel studs as it warms; only where its rise is on paper and the stud’s sections are known. */
function warmLoadOf(build: Build, id: string, { type }: Pulled): Figure | undefined {
  const riseK = paperAt(build, 'headRise')
  const sections = (type.sections ?? []).map(({ lengthMm, diameterMm }, index) => ({
    lengthMm: onSheet(`length ${index + 1}`, lengthMm),
    diameterMm: onSheet(`diameter ${index + 1}`, diameterMm),
  }))
  if (jointAt(build, id)?.kind !== 'head' || !riseK || sections.length === 0) return undefined
  const boltNPerMm = boltStiffness(sections, assumedFigure('modulus of steel', STEEL_MODULUS))
  return warmClamp.of({
    lengthMm: onSheet(
      'clamped length',
      sections.reduce((sum, { lengthMm }) => sum + lengthMm.value.value, 0),
    ),
    partPerK: grows(EXPANSION.part.castAluminium),
    studPerK: grows(EXPANSION.part.steel),
    riseK,
    boltNPerMm,
    partsNPerMm: partsStiffness.of({ boltNPerMm, stiffer: assumedFigure('stiffness of the parts', PARTS_STIFFER) }),
  })
}

function grows({ label, perK, tolerancePerK }: Expansion): Figure {
  return assumedFigure(label, { value: perK, tolerance: tolerancePerK, source: 'from memory' })
}

/** By its torque and warm, in tension: nobody turns it any more. */
function warmShareOf(build: Build, id: string, pulled: Pulled): Figure | undefined {
  const added = warmLoadOf(build, id, pulled)
  const { yieldMpa } = pulled.type
  if (!added || yieldMpa === undefined) return undefined
  const loadN = resultOf(
    {
      id: 'warmLoad',
      title: 'Load when warm',
      kind: 'force',
      expression: 'load by its torque + load added when warm',
      source: 'definition',
    },
    [
      { label: 'By its torque', weight: 1, figure: loadOf(pulled) },
      { label: 'Added when warm', weight: 1, figure: added },
    ],
  )
  return shareOf.of({ stressMpa: tensileStress.of({ loadN, areaMm2: smallestOf(pulled) }), strengthMpa: onSheet('yield', yieldMpa) })
}

function cylindersUnder({ spec }: Build, joint: Joint): number {
  const bank = bankOf(joint)
  return cylinderPlaces(spec.layout).filter((place) => bank === undefined || place.bank === bank).length
}

/** Of a bore spacing: no further from the middle of a cylinder stands what clamps it. */
const ROUND_CYLINDER = 1

const loadsApart = formula({
  id: 'loadsApart',
  title: 'Loads round a cylinder apart',
  kind: 'ratio',
  expression: '(largest − smallest) ÷ mean of the two',
  source: 'definition',
  inputs: { largestN: { label: 'Largest', kind: 'force' }, smallestN: { label: 'Smallest', kind: 'force' } },
  evaluate: ({ largestN, smallestN }) => (2 * (largestN - smallestN)) / (largestN + smallestN),
})

/** The cylinder round which the loads are furthest apart; what friction and wrench do to all alike cancels. */
function evennessOf(build: Build, id: string): Derived | undefined {
  const joint = jointAt(build, id)!
  const pulled = pulledIn(build, id)
  if (joint.kind !== 'head' || pulled.reduce((sum, { count }) => sum + count, 0) < joint.fasteners.length) return undefined
  const loadAt = (number: number) =>
    pulled.find(({ type, order }) => order.includes(number) && joint.fasteners[number - 1]!.type === type.letter)
  const pitchMm = jointPitchMm(joint, build.spec.layout)
  if (pitchMm === undefined) return undefined
  const apart = Array.from({ length: cylindersUnder(build, joint) }, (_, row) => {
    const loads = joint.fasteners.flatMap(({ xMm }, index) => {
      const one = Math.abs(xMm - row * pitchMm) < ROUND_CYLINDER * pitchMm ? loadAt(index + 1) : undefined
      return one ? [loadOf(one)] : []
    })
    const byLoad = loads.toSorted((a, b) => b.value.value - a.value.value)
    return byLoad.length > 1 ? loadsApart.of({ largestN: byLoad[0]!, smallestN: byLoad.at(-1)! }) : undefined
  }).filter((figure) => figure !== undefined)
  return apart.length === 0 ? undefined : { figure: apart.reduce((a, b) => (b.value.value > a.value.value ? b : a)) }
}

/** Gas at the peak that this boost and the ratio meant may come to, on the gasket's bore. */
const gasOf = derivation('peakGas', (build): Figure | undefined => {
  const { duty, stock, choice, paper } = build.spec
  const ratio = wantedRatio(build.spec)
  const boreMm = stock.gaskets.find(({ id }) => id === choice.gasket)?.boreMm ?? paper.bore?.value
  if (ratio === undefined || boreMm === undefined) return undefined
  const peakKpa = peakPressure.of({
    boostKpa: onSheet('boost', duty.boostKpa),
    ratio: onSheet('ratio', ratio),
    peakOver: assumedFigure('peak over compression', { ...middleOf(PEAK_OVER_COMPRESSION), source: 'from memory: 2.5 to 3.5' }),
  })
  return gasForce.of({ peakKpa, gasketBoreMm: onSheet('gasket bore', boreMm) })
})

/** Thread in the casting, in diameters; of several types the least. */
function engagedOf(build: Build, id: string): Derived | undefined {
  const shares = (jointAt(build, id)?.types ?? []).flatMap(({ thread, engagedMm }) => {
    const read = thread === undefined ? undefined : readThread(thread)
    return engagedMm !== undefined && read && isThread(read) ? [engagedMm / read.diameterMm] : []
  })
  return shares.length === 0 ? undefined : { figure: onSheet(`engaged ${id}`, Math.min(...shares)) }
}
