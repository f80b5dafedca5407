import type { BenchDefinition } from '../../bench/bench'
import type { Figure } from '../../metrology'
import type { ClampEstimate, Lube } from '../../joints/bolts/clamp'
import type { methods } from './methods'
import type { stock } from './stock'

declare module '../../document/ids' {
  interface Definitions {
    fasteners: typeof definition & { methods: typeof methods; stock: typeof stock }
  }
}

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    /** The last two cycles differ by more than their uncertainty: another is wanted. */
    frictionUnsettled: { readonly apart: Figure; readonly cycles: readonly [number, number] }
    /** From this torque on the bolt left its straight line: it stretches more than it should, or less. */
    leavesLine: { readonly fromNm: number; readonly cycle: number; readonly how: 'yields' | 'galls' }
    /** It has left its line: its stretch is not all load. */
    notElastic: object
    /** Less than the gauge can tell from nothing: the gears may touch end on. */
    gearsAbut: object
    /** What the torque would do on another lube: its load over this one’s, less one. */
    onOtherLubes: { readonly lube: Lube; readonly others: ClampEstimate['onOtherLubes'] }
    /** What the uncertainty of a torque is for. */
    torqueHolds: { readonly for: 'thisBolt' | 'otherBolt' | 'otherWrench' }
  }
  interface ChangeFields {
    lowerTorque: { readonly joint: string; readonly toNm: number }
    retireBolts: { readonly bolts: readonly number[] }
    pullOn: { readonly byNm: ReadonlyMap<number, number> }
    pullAgain: { readonly toNm: ReadonlyMap<number, number> }
  }
  interface CostFields {
    newBolts: { readonly count: number }
    oneMoreCycle: object
  }
}

const SIZE = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const LENGTH = { ...SIZE, gauges: ['micrometer', 'other', 'dial'], grows: { as: 'bolt' } } as const
const STRETCH = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 2 } } as const
const TORQUE = { kind: 'torque', units: { metric: 'Nm', inch: 'lbfft' } } as const
const SHOWN_TORQUE = { ...TORQUE, digits: { metric: 1, inch: 1 } } as const
const SHARE = { kind: 'ratio', units: { metric: 'percent', inch: 'percent' }, digits: { metric: 1, inch: 1 } } as const

const TIMES = { kind: 'ratio', units: { metric: 'one', inch: 'one' }, digits: { metric: 2, inch: 2 } } as const

const TIGHT_CAUTION = 'Rod in a fixture or on the crank; the same gauge and temperature as for the free length'

export const definition = {
  title: 'Fasteners',
  stage: 'Bolts',
  characteristics: {
    'fasteners.freeLength': { label: 'Free length', ...LENGTH },
    'fasteners.lengthAt': { label: 'Length at a torque', ...LENGTH, judgedBy: 'fasteners.bend', passing: true, caution: TIGHT_CAUTION },
    'fasteners.tightLength': { label: 'Tight length', ...LENGTH, judgedBy: 'fasteners.stretch', caution: TIGHT_CAUTION },
    'fasteners.tightTorque': { label: 'Torque it took', ...TORQUE, gauges: ['torque'] },
    'fasteners.gearGap': {
      label: 'Gear clearance',
      ...SIZE,
      units: { metric: 'mm', inch: 'thou' },
      gauges: ['feeler', 'dial'],
      judgedBy: 'fasteners.gearGap',
    },
    'fasteners.lengthAfter': { label: 'Free length after', ...LENGTH, judgedBy: 'fasteners.growth' },
  },
  outputs: {
    'fasteners.stretch': { label: 'Stretch', ...STRETCH, limit: 'fasteners.stretch' },
    'fasteners.ofYield': { label: 'Share of yield', ...SHARE, limit: 'fasteners.ofYield' },
    'fasteners.ofProof': { label: 'Share of proof', ...SHARE, limit: 'fasteners.ofProof' },
    'fasteners.load': { label: 'Load', kind: 'force', units: { metric: 'kN', inch: 'lbf' }, digits: { metric: 1, inch: 0 } },
    'fasteners.growth': { label: 'Growth', ...STRETCH, limit: 'fasteners.growth' },
    'fasteners.bend': { label: 'Off its straight line', ...STRETCH, limit: 'fasteners.bend' },
    'fasteners.slopeApart': { label: 'Stretch for its torque, against the others', ...SHARE, limit: 'fasteners.slopeApart' },
    'fasteners.nutFactor': { label: 'Nut factor', kind: 'ratio', units: { metric: 'one', inch: 'one' }, digits: { metric: 3, inch: 3 } },
    'fasteners.stretchSpread': { label: 'Stretch spread', ...STRETCH, limit: 'fasteners.stretchSpread', spread: true },
    'fasteners.torqueHere': { label: 'Torque found, this bolt and wrench', ...SHOWN_TORQUE },
    'fasteners.torqueOtherBolt': { label: 'Torque found, for another bolt', ...SHOWN_TORQUE, estimate: true },
    'fasteners.torqueOtherWrench': { label: 'Torque found, by another wrench', ...SHOWN_TORQUE, estimate: true },
    'fasteners.gearGap': { label: 'Gear clearance', ...STRETCH, limit: 'fasteners.gearGap' },
    'fasteners.gearShims': { label: 'Gear shims wanted', ...STRETCH },
    'fasteners.torqueLoad': {
      label: 'Load by its torque',
      kind: 'force',
      units: { metric: 'kN', inch: 'lbf' },
      digits: { metric: 1, inch: 0 },
      estimate: true,
    },
    'fasteners.pulledOfYield': { label: 'Share of yield while torqued', ...SHARE, limit: 'fasteners.pulledOfYield', estimate: true },
    'fasteners.torqueOfProof': { label: 'Share of proof by its torque', ...SHARE, limit: 'fasteners.ofProof', estimate: true },
    'fasteners.clampOverGas': { label: 'Clamp over gas', ...TIMES, limit: 'fasteners.clampOverGas', estimate: true },
    'fasteners.evenness': { label: 'Loads round a cylinder apart', ...SHARE, limit: 'fasteners.evenness', estimate: true },
    'fasteners.warmLoad': {
      label: 'Load added when warm',
      kind: 'force',
      units: { metric: 'kN', inch: 'lbf' },
      digits: { metric: 1, inch: 0 },
      estimate: true,
    },
    'fasteners.warmOfYield': { label: 'Share of yield when warm', ...SHARE, limit: 'fasteners.pulledOfYield', estimate: true },
    'fasteners.engaged': { label: 'Thread engaged, diameters', ...TIMES, limit: 'fasteners.engaged' },
  },
  limits: {
    'fasteners.pulledOfYield': { label: 'Share of yield while torqued, tension and twist', ...SHARE },
    'fasteners.clampOverGas': { label: 'Clamp over gas at peak pressure', ...TIMES },
    'fasteners.evenness': { label: 'Loads round a cylinder apart, of their mean', ...SHARE },
    'fasteners.engaged': { label: 'Thread engaged in the casting, diameters', ...TIMES },
    'fasteners.gearGap': { label: 'Gear clearance', ...STRETCH },
    'fasteners.stretch': { label: 'Stretch', ...STRETCH },
    'fasteners.ofYield': { label: 'Share of yield, smallest section', ...SHARE },
    'fasteners.ofProof': { label: 'Share of proof, stress area', ...SHARE },
    'fasteners.growth': { label: 'Growth for good', ...STRETCH },
    'fasteners.bend': { label: 'Off its straight line', ...STRETCH },
    'fasteners.slopeApart': { label: 'Stretch for its torque, against the others', ...SHARE },
    'fasteners.stretchSpread': { label: 'Stretch spread', ...STRETCH },
  },
  paper: {
    boltStretch: { label: 'Rod bolt stretch', ...STRETCH, low: 0.02, high: 0.6, hint: 'the card’s; without one, 70 to 75 % of yield' },
    boltStepFrom: { label: 'Find the torque from', ...TORQUE, low: 5, high: 250, hint: 'the lowest pull' },
    boltStepTo: { label: 'Find the torque up to', ...TORQUE, low: 10, high: 400, hint: 'never above the maker’s most' },
    gearClearance: { label: 'Gear clearance wanted', ...STRETCH, low: 0.02, high: 3, hint: 'shims behind a gear take up what is more' },
    gearShims: { label: 'Gear shims in now', ...STRETCH, low: 0, high: 10 },
    headRise: {
      label: 'Aluminium head warms by',
      kind: 'rise',
      units: { metric: 'K', inch: 'riseF' },
      low: 20,
      high: 200,
      hint: 'under steel studs or bolts: their clamp grows; left out for an iron head',
    },
    boltStepBy: { label: 'Find the torque in steps of', ...TORQUE, low: 1, high: 50 },
  },
  checks: {
    'fasteners.threadsClean': { label: 'Bolt threads and rod threads clean and dry', why: 'Dirt is friction that no figure knows of.' },
    'fasteners.lubed': {
      label: 'Bolts lubed as their maker says, threads and under the head',
      why: 'The torque belongs to the lube; the stretch does not.',
    },
    'fasteners.driveKey': {
      label: 'Driving key fits, offset the right way round; taper seated, blued over',
      why: 'A key takes no torque: a taper that does not seat shears it.',
    },
    'fasteners.flywheelSealed': {
      label: 'Flywheel bolts that break into the crankcase sealed under their heads',
      why: 'Oil comes out along the thread.',
    },
    'fasteners.sealsIn': {
      label: 'Seals and protective washers in, lips oiled, the right way round',
      why: 'Behind the flywheel they are seen once more after it has leaked.',
    },
    'fasteners.boltsMarked': { label: 'Bolts marked, each stays with its rod', why: 'A bolt’s history outlives the build.' },
  },
} as const satisfies BenchDefinition<'fasteners'>

export type BoltCharacteristic = keyof typeof definition.characteristics
export type BoltOutput = keyof typeof definition.outputs
