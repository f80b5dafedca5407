import {
  boltStiffness,
  clampForce,
  clampMargin,
  combinedStress,
  gasForce,
  isThread,
  lengthened,
  loadByNutFactor,
  loadFromAngle,
  loadFromStretch,
  loadFromTorque,
  nutFactor as nutFactorOf,
  pitchDiameter,
  readSections,
  readThread,
  roundSection,
  shareOf,
  STEEL_MODULUS,
  stressArea,
  stretchOf,
  tensileStress,
  THREAD_PROFILE,
  tighteningTorque,
  torqueByNutFactor,
  warmClamp,
  type Section,
  type Thread,
} from '../../joints/bolts'
import { assumedFigure, statedFigure, type Figure } from '../../metrology'
import { impossible, type Given, type QuickSum, type SumInput, type SumOutcome, type SumResult } from '../../bench/quickSum'

const BIG = { metric: 'mm', inch: 'in' } as const
const SMALL = { metric: 'mm', inch: 'thou' } as const
const PLAIN = { metric: 'one', inch: 'one' } as const
const STRESS = { metric: 'MPa', inch: 'ksi' } as const
const STIFF = { metric: 'NPerMm', inch: 'NPerMm' } as const
const FORCE = { metric: 'N', inch: 'lbf' } as const

const optional = (label: string, kind: SumInput['kind'], units: SumInput['units'], example: string): SumInput => ({
  label,
  kind,
  units,
  required: false,
  example,
})
const wanted = (label: string, kind: SumInput['kind'], units: SumInput['units'], example: string): SumInput => ({
  ...optional(label, kind, units, example),
  required: true,
})

const THREAD = wanted('Thread', 'words', BIG, 'M10x1.25')
const SECTIONS = 'Sections, length × diameter'
const MODULUS = optional('Modulus of elasticity', 'stress', { metric: 'GPa', inch: 'Msi' }, '205 GPa')

function threadOf(text: string): Thread | SumOutcome {
  const read = readThread(text)
  if (isThread(read)) return read
  return impossible(THREAD_WORDS[read.code], 'thread')
}

const THREAD_WORDS = {
  noPitch: 'the pitch is wanted too: M10x1.25 or M10x1.5',
  unreadable: 'a thread is written M10x1.25 or 7/16-20',
  impossible: 'there is no such thread',
} as const

function isOutcome(value: object): value is SumOutcome {
  return 'ok' in value
}

const MOST_FRICTION = 1

/** What is wrong with numbers that are there and cannot be. */
function notPositive(figures: Given['figures'], ...names: string[]): SumOutcome | undefined {
  const name = names.find((one) => figures[one] && figures[one].value.value <= 0)
  return name === undefined ? undefined : impossible('is more than nothing', name)
}

/** How the torque becomes load: by friction of thread and head, by one factor for both, or not at all. */
type Friction =
  | { readonly by: 'friction'; readonly muThread: Figure; readonly muHead: Figure; readonly headDiameterMm: Figure }
  | { readonly by: 'nutFactor'; readonly nutFactor: Figure }
  | { readonly by: 'nothing' }

function frictionOf({ muThread, muHead, headDiameter, nutFactor }: Given['figures']): Friction | SumOutcome {
  const parts = { muThread, muHead, headDiameter }
  const given = Object.values(parts).filter(Boolean).length
  if (given > 0 && nutFactor) return impossible('friction is said twice: by the nut factor, or by thread and head', 'nutFactor')
  if (nutFactor) return { by: 'nutFactor', nutFactor }
  if (given === 0) return { by: 'nothing' }
  const missing = Object.keys(parts).find((name) => !parts[name as keyof typeof parts])
  if (missing) return { ok: false, issues: [{ code: 'missing', path: [missing] }] }
  const tooMuch = (['muThread', 'muHead'] as const).find((name) => parts[name]!.value.value >= MOST_FRICTION)
  if (tooMuch) return impossible('no thread rubs so hard: 0.08 to 0.25 is usual', tooMuch)
  return { by: 'friction', muThread: muThread!, muHead: muHead!, headDiameterMm: headDiameter! }
}

interface Bolt {
  readonly diameterMm: Figure
  readonly pitchMm: Figure
  readonly areaMm2: Figure
  readonly friction: Friction
  readonly stiffness: Figure | undefined
  readonly smallestMm2: Figure
}

function boltOf(thread: Thread, friction: Friction, sections: readonly Section[], figures: Given['figures']): Bolt {
  const diameterMm = statedFigure('thread/diameter', thread.diameterMm)
  const pitchMm = statedFigure('thread/pitch', thread.pitchMm)
  const factor = statedFigure('thread/c', THREAD_PROFILE.stressDiameter[thread.standard])
  const areaMm2 = stressArea.of({ diameterMm, pitchMm, factor })
  const areas = [areaMm2, ...sections.map((section) => roundSection.of({ diameterMm: section.diameterMm }))]
  return {
    diameterMm,
    pitchMm,
    areaMm2,
    friction,
    stiffness: sections.length > 0 ? boltStiffness(sections, modulusOf(figures)) : undefined,
    smallestMm2: areas.reduce((least, area) => (area.value.value < least.value.value ? area : least)),
  }
}

function modulusOf({ eModulus }: Given['figures']): Figure {
  return eModulus ?? assumedFigure('modulus of steel', STEEL_MODULUS)
}

function armsOf({ pitchMm, diameterMm }: Bolt, { muThread, muHead, headDiameterMm }: Extract<Friction, { by: 'friction' }>) {
  return { pitchMm, pitchDiameterMm: pitchDiameter.of({ diameterMm, pitchMm }), muThread, muHead, headDiameterMm }
}

/** The load, from the one thing that is known; undefined where the way to it is not. */
function loadOf(bolt: Bolt, { load, stretch, torque }: Given['figures']): Figure | undefined {
  if (load) return load
  if (stretch) return bolt.stiffness && loadFromStretch.of({ stretchMm: stretch, boltNPerMm: bolt.stiffness })
  const { friction } = bolt
  if (friction.by === 'friction') return loadFromTorque.of({ torqueNm: torque!, ...armsOf(bolt, friction) })
  return friction.by === 'nutFactor'
    ? loadByNutFactor.of({ torqueNm: torque!, nutFactor: friction.nutFactor, diameterMm: bolt.diameterMm })
    : undefined
}

function torqueOf(bolt: Bolt, loadN: Figure, given: Figure | undefined): Figure | undefined {
  if (given) return given
  const { friction, diameterMm } = bolt
  if (friction.by === 'friction') return tighteningTorque.of({ loadN, ...armsOf(bolt, friction) })
  return friction.by === 'nutFactor' ? torqueByNutFactor.of({ nutFactor: friction.nutFactor, diameterMm, loadN }) : undefined
}

const result = (
  id: string,
  label: string,
  kind: SumResult['kind'],
  figure: Figure | undefined,
  more: Partial<SumResult> = {},
): SumResult[] => (figure ? [{ id, label, kind, figure, ...more }] : [])

function boltResults(bolt: Bolt, loadN: Figure, figures: Given['figures']): SumResult[] {
  const { areaMm2, smallestMm2, friction, stiffness } = bolt
  const torqueNm = torqueOf(bolt, loadN, figures.torque)
  const stressMpa = tensileStress.of({ loadN, areaMm2 })
  const sectionMpa = tensileStress.of({ loadN, areaMm2: smallestMm2 })
  const twisted =
    friction.by === 'friction' &&
    combinedStress.of({
      loadN,
      areaMm2: smallestMm2,
      pitchMm: bolt.pitchMm,
      pitchDiameterMm: pitchDiameter.of(bolt),
      muThread: friction.muThread,
    })
  const share = (strengthMpa: Figure | undefined, of: Figure) => strengthMpa && shareOf.of({ stressMpa: of, strengthMpa })
  return [
    ...result('load', 'Load', 'force', loadN, { estimate: !figures.load && !figures.stretch }),
    ...result('torque', 'Torque', 'torque', torqueNm, { estimate: !figures.torque }),
    ...result('nutFactor', 'Nut factor', 'ratio', torqueNm && nutFactorOf.of({ torqueNm, diameterMm: bolt.diameterMm, loadN })),
    ...result('stressArea', 'Stress area', 'section', areaMm2),
    ...result('stress', 'Stress on the stress area', 'stress', stressMpa),
    ...result('sectionStress', 'Stress on the smallest section', 'stress', sectionMpa),
    ...result('combinedStress', 'While it is torqued, with the twist', 'stress', twisted || undefined),
    ...result('ofProof', 'Share of proof', 'ratio', share(figures.proof, stressMpa), { unit: 'percent' }),
    ...result('ofYield', 'Share of yield, smallest section', 'ratio', share(figures.yield, sectionMpa), { unit: 'percent' }),
    ...result('stretch', 'Stretch', 'length', figures.stretch ?? (stiffness && stretchOf.of({ loadN, boltNPerMm: stiffness }))),
  ]
}

/** Which of torque, load and stretch are given: one of them, or torque and stretch, from which friction follows. */
function whatIsWrong({ torque, load, stretch, nutFactor, muThread }: Given['figures'], hasSections: boolean): SumOutcome | undefined {
  if (!torque && !load && !stretch) return impossible('one of torque, load and stretch is wanted', 'torque')
  if (load && (torque || stretch)) return impossible('load follows from the other: give one of them', 'load')
  if (stretch && !hasSections) return { ok: false, issues: [{ code: 'missing', path: ['sections'] }] }
  if (torque && stretch && (nutFactor || muThread))
    return impossible('friction follows from torque and stretch', nutFactor ? 'nutFactor' : 'muThread')
  return undefined
}

export const bolt: QuickSum = {
  id: 'bolt',
  title: 'Bolt: torque, load, stretch',
  question: 'What does this torque, load or stretch do to this bolt?',
  inputs: {
    thread: THREAD,
    torque: optional('Torque', 'torque', { metric: 'Nm', inch: 'lbfft' }, '60 N·m'),
    load: optional('Load', 'force', FORCE, '30000 N'),
    stretch: optional('Stretch', 'length', SMALL, '0.145 mm'),
    muThread: optional('Friction in the thread', 'ratio', PLAIN, '0.12'),
    muHead: optional('Friction under the head', 'ratio', PLAIN, '0.12'),
    headDiameter: optional('Mean bearing diameter', 'length', BIG, '13.5 mm'),
    // Dry and galled to the slickest lube (common practice: 0.10 to 0.20).
    nutFactor: { ...optional('Nut factor', 'ratio', PLAIN, '0.15'), range: { low: 0.05, high: 0.5 } },
    sections: optional(SECTIONS, 'words', BIG, '33x8.8,12x10'),
    proof: optional('Proof stress', 'stress', STRESS, '830 MPa'),
    yield: optional('Yield', 'stress', STRESS, '940 MPa'),
    eModulus: MODULUS,
  },
  evaluate({ figures, names }) {
    const thread = threadOf(names.thread!)
    if (isOutcome(thread)) return thread
    const sections = names.sections === undefined ? [] : sectionsOf(names.sections)
    if (isOutcome(sections)) return sections
    const friction = frictionOf(figures)
    if (isOutcome(friction)) return friction
    const wrong = notPositive(figures, ...Object.keys(figures)) ?? whatIsWrong(figures, sections.length > 0)
    if (wrong) return wrong
    const asked = boltOf(thread, friction, sections, figures)
    const loadN = loadOf(asked, figures)
    if (!loadN)
      return impossible('torque says nothing of the load without friction: the nut factor, or that of thread and head', 'nutFactor')
    return { ok: true, results: boltResults(asked, loadN, figures) }
  },
}

function sectionsOf(text: string): readonly Section[] | SumOutcome {
  const read = readSections(text)
  return 'code' in read ? impossible(`section ${read.number} is no length × diameter, as 33x8.8: “${read.text}”`, 'sections') : read
}

const BOLT_STIFFNESS = wanted('Stiffness of the bolt', 'stiffness', STIFF, '150 kN/mm')
const PARTS_STIFFNESS = wanted('Stiffness of the parts', 'stiffness', STIFF, '600 kN/mm')

export const boltangle: QuickSum = {
  id: 'boltangle',
  title: 'Bolt: load from angle',
  question: 'What load does this angle after snug add, while all is elastic?',
  inputs: {
    thread: THREAD,
    angle: wanted('Angle after snug', 'angle', { metric: 'deg', inch: 'deg' }, '90°'),
    boltStiffness: BOLT_STIFFNESS,
    partsStiffness: PARTS_STIFFNESS,
  },
  evaluate({ figures, names }) {
    const thread = threadOf(names.thread!)
    if (isOutcome(thread)) return thread
    const wrong = notPositive(figures, ...Object.keys(figures))
    if (wrong) return wrong
    const figure = loadFromAngle.of({
      angleDeg: figures.angle!,
      pitchMm: statedFigure('thread/pitch', thread.pitchMm),
      boltNPerMm: figures.boltStiffness!,
      partsNPerMm: figures.partsStiffness!,
    })
    return { ok: true, results: result('load', 'Load, elastic', 'force', figure, { estimate: true }) }
  },
}

export const boltlength: QuickSum = {
  id: 'boltlength',
  title: 'Bolt: load from its length',
  question: 'What load does a bolt carry that is so much longer than free?',
  inputs: {
    free: wanted('Free length', 'length', BIG, '40.000 mm'),
    tight: wanted('Tight length', 'length', BIG, '40.145 mm'),
    sections: wanted(SECTIONS, 'words', BIG, '33x8.8,7x8'),
    eModulus: MODULUS,
  },
  evaluate({ figures, names }) {
    const sections = sectionsOf(names.sections!)
    if (isOutcome(sections)) return sections
    const stretchMm = lengthened.of({ afterMm: figures.tight!, beforeMm: figures.free! })
    if (stretchMm.value.value <= 0) return impossible('a tight bolt is longer than a free one', 'tight')
    const loadN = loadFromStretch.of({ stretchMm, boltNPerMm: boltStiffness(sections, modulusOf(figures)) })
    const areas = sections.map(({ diameterMm }) => roundSection.of({ diameterMm }))
    const areaMm2 = areas.reduce((least, area) => (area.value.value < least.value.value ? area : least))
    return {
      ok: true,
      results: [
        ...result('stretch', 'Stretch', 'length', stretchMm),
        ...result('load', 'Load', 'force', loadN),
        ...result('stress', 'Stress on the smallest section', 'stress', tensileStress.of({ loadN, areaMm2 })),
      ],
    }
  },
}

export const boltgrowth: QuickSum = {
  id: 'boltgrowth',
  title: 'Bolt: growth',
  question: 'How much longer has this bolt become for good?',
  inputs: {
    before: wanted('Free length when new', 'length', BIG, '40.000 mm'),
    after: wanted('Free length after', 'length', BIG, '40.008 mm'),
  },
  evaluate: ({ figures }) => ({
    ok: true,
    results: result('growth', 'Growth', 'length', lengthened.of({ afterMm: figures.after!, beforeMm: figures.before! })),
  }),
}

export const warmclamp: QuickSum = {
  id: 'warmclamp',
  title: 'Bolt: clamp when warm',
  question: 'How much load does an aluminium head add under steel studs as it warms?',
  inputs: {
    length: wanted('Clamped length', 'length', BIG, '100 mm'),
    partAlpha: wanted('Parts grow, ×10⁻⁶/K', 'expansion', { metric: 'perMK', inch: 'perMK' }, '22'),
    studAlpha: wanted('Stud grows, ×10⁻⁶/K', 'expansion', { metric: 'perMK', inch: 'perMK' }, '11.5'),
    rise: { ...wanted('Rise', 'rise', { metric: 'K', inch: 'riseF' }, '70'), signed: true },
    boltStiffness: { ...BOLT_STIFFNESS, label: 'Stiffness of the stud' },
    partsStiffness: PARTS_STIFFNESS,
  },
  evaluate({ figures }) {
    const wrong = notPositive(figures, 'length', 'boltStiffness', 'partsStiffness')
    if (wrong) return wrong
    const figure = warmClamp.of({
      lengthMm: figures.length!,
      partPerK: figures.partAlpha!,
      studPerK: figures.studAlpha!,
      riseK: figures.rise!,
      boltNPerMm: figures.boltStiffness!,
      partsNPerMm: figures.partsStiffness!,
    })
    return { ok: true, results: result('load', 'Load added', 'force', figure, { estimate: true }) }
  },
}

/** `10` with `1`, or `4,6` with `1,0.5`: studs, and the share of each that this cylinder has. */
function studsByShare(studs: string, shares: string): number | SumOutcome {
  const [counts, parts] = [studs, shares].map((text) => text.split(',').map((one) => (one.trim() === '' ? Number.NaN : Number(one))))
  if (counts!.some((count) => !Number.isInteger(count) || count < 1)) return impossible('studs are counted: 10, or 4,6', 'studs')
  if (parts!.some((share) => !(share > 0 && share <= 1))) return impossible('a share is more than 0 and at most 1', 'share')
  if (parts!.length !== counts!.length) return impossible(`a share for each of ${counts!.length} is wanted, as 1,0.5`, 'share')
  return counts!.reduce((sum, count, index) => sum + count * parts![index]!, 0)
}

export const clampmargin: QuickSum = {
  id: 'clampmargin',
  title: 'Bolt: clamp against gas',
  question: 'Does the clamp of a cylinder hold its peak pressure?',
  inputs: {
    load: wanted('Load of a stud', 'force', FORCE, '45000 N'),
    studs: wanted('Studs round the cylinder', 'words', PLAIN, '4'),
    share: wanted('Share of each', 'words', PLAIN, '0.5'),
    peakPressure: wanted('Peak pressure', 'pressure', { metric: 'bar', inch: 'psi' }, '90 bar'),
    gasketBore: wanted('Gasket bore', 'length', BIG, '84 mm'),
  },
  evaluate({ figures, names }) {
    const studs = studsByShare(names.studs!, names.share!)
    if (typeof studs !== 'number') return studs
    const wrong = notPositive(figures, 'load', 'peakPressure', 'gasketBore')
    if (wrong) return wrong
    const clampN = clampForce.of({ loadN: figures.load!, studs: statedFigure('studs', studs) })
    const gasN = gasForce.of({ peakKpa: figures.peakPressure!, gasketBoreMm: figures.gasketBore! })
    return {
      ok: true,
      results: [
        ...result('clampForce', 'Clamp', 'force', clampN),
        ...result('gasForce', 'Gas', 'force', gasN, { estimate: true }),
        ...result('margin', 'Clamp over gas', 'ratio', clampMargin.of({ clampN, gasN }), { estimate: true }),
      ],
    }
  },
}

export const sums: readonly QuickSum[] = [bolt, boltlength, boltgrowth, boltangle, warmclamp, clampmargin]
