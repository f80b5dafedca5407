import type { BenchDefinition } from '../../bench/bench'
import type { methods } from './methods'
import type { stock } from './stock'

declare module '../../document/ids' {
  interface Definitions {
    bearings: typeof definition & { methods: typeof methods; stock: typeof stock }
  }
}

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    narrowBeside: { readonly side: 'left' | 'right'; readonly byMm: number }
    shellsPlanned: { readonly upper: string; readonly lower: string }
  }
  interface ChangeFields {
    shells: {
      readonly kind: 'main' | 'rod'
      readonly lands: boolean
      readonly pairs: readonly { readonly number: number; readonly upper: string; readonly lower: string }[]
    }
  }
  interface CostFields {
    buyHalves: { readonly name: string; readonly halves: number }
    fromShelf: object
  }
}

const JOURNAL = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const SIZE = { ...JOURNAL, digits: { metric: 3, inch: 4 } } as const
const CLEARANCE = { kind: 'length', units: { metric: 'mm', inch: 'thou' } } as const
const SMALL = { ...CLEARANCE, digits: { metric: 3, inch: 2 } } as const
const WARM = { kind: 'temperature', units: { metric: 'degC', inch: 'degF' }, low: 20, high: 180 } as const
const SPIN = { kind: 'torque', units: { metric: 'Nm', inch: 'lbfft' }, digits: { metric: 1, inch: 1 } } as const

/** Read as such: what is outside grows away from the crank inside it, by the journal on paper. */
const IN_BLOCK = { outside: 'block', inside: 'crank', sizeOnPaper: 'mainJournal' } as const
const IN_ROD = { outside: 'rod', inside: 'crank', sizeOnPaper: 'rodJournal' } as const

export const definition = {
  title: 'Crank and bearings',
  stage: 'Bearings',
  characteristics: {
    'bearings.mainJournal': {
      label: 'Main journal',
      ...JOURNAL,
      gauges: ['micrometer'],
      judgedBy: 'bearings.mainJournal',
      grows: { as: 'crank' },
    },
    'bearings.rodJournal': {
      label: 'Rod journal',
      ...JOURNAL,
      gauges: ['micrometer'],
      judgedBy: 'bearings.rodJournal',
      grows: { as: 'crank' },
    },
    'bearings.mainClearance': {
      label: 'Main clearance',
      ...CLEARANCE,
      gauges: ['boreGauge'],
      judgedBy: 'bearings.mainClearance',
      grows: IN_BLOCK,
    },
    'bearings.rodClearance': {
      label: 'Rod clearance',
      ...CLEARANCE,
      gauges: ['boreGauge'],
      judgedBy: 'bearings.rodClearance',
      grows: IN_ROD,
    },
    'bearings.mainInside': {
      label: 'Inside main shells',
      ...JOURNAL,
      gauges: ['boreGauge'],
      judgedBy: 'bearings.mainClearance',
      grows: { as: 'block' },
    },
    'bearings.rodInside': {
      label: 'Inside rod shells',
      ...JOURNAL,
      gauges: ['boreGauge'],
      judgedBy: 'bearings.rodClearance',
      grows: { as: 'rod' },
    },
    'bearings.mainStrip': {
      label: 'Main, strip',
      ...CLEARANCE,
      gauges: ['strip'],
      judgedBy: 'bearings.mainClearance',
      grows: IN_BLOCK,
      caution: 'The crank stays still while the strip is in.',
    },
    'bearings.rodStrip': {
      label: 'Rod, strip',
      ...CLEARANCE,
      gauges: ['strip'],
      judgedBy: 'bearings.rodClearance',
      grows: IN_ROD,
      caution: 'The crank stays still while the strip is in.',
    },
    'bearings.spin': {
      label: 'Torque to turn',
      kind: 'torque',
      units: { metric: 'Nm', inch: 'lbfft' },
      gauges: ['torque'],
      judgedBy: 'bearings.spinRise',
      passing: true,
    },
    'bearings.endFloat': { label: 'End float', ...CLEARANCE, gauges: ['dial'], judgedBy: 'bearings.endFloat' },
    'bearings.runOut': { label: 'Run-out', ...CLEARANCE, gauges: ['dial'], judgedBy: 'bearings.runOut' },
    'bearings.rodSide': { label: 'Rod side clearance', ...CLEARANCE, gauges: ['feeler'], judgedBy: 'bearings.rodSide' },
  },
  outputs: {
    'bearings.mainClearance': { label: 'Main clearance', ...SMALL, limit: 'bearings.mainClearance' },
    'bearings.mainPlanned': { label: 'Main clearance, planned shells', ...SMALL, limit: 'bearings.mainClearance' },
    'bearings.mainSpread': { label: 'Main spread', ...SMALL, limit: 'bearings.mainSpread', spread: true },
    'bearings.rodClearance': { label: 'Rod clearance', ...SMALL, limit: 'bearings.rodClearance' },
    'bearings.rodPlanned': { label: 'Rod clearance, planned shells', ...SMALL, limit: 'bearings.rodClearance' },
    'bearings.rodSpread': { label: 'Rod spread', ...SMALL, limit: 'bearings.rodSpread', spread: true },
    'bearings.mainRound': { label: 'Main journal out-of-round', ...SMALL, limit: 'bearings.journalRound', neverNegative: true },
    'bearings.mainTaper': { label: 'Main journal taper', ...SMALL, limit: 'bearings.journalTaper', neverNegative: true },
    'bearings.rodRound': { label: 'Rod journal out-of-round', ...SMALL, limit: 'bearings.journalRound', neverNegative: true },
    'bearings.rodTaper': { label: 'Rod journal taper', ...SMALL, limit: 'bearings.journalTaper', neverNegative: true },
    'bearings.mainJournal': { label: 'Main journal', ...SIZE, limit: 'bearings.mainJournal' },
    'bearings.rodJournal': { label: 'Rod journal', ...SIZE, limit: 'bearings.rodJournal' },
    'bearings.endFloat': { label: 'End float', ...SMALL, limit: 'bearings.endFloat' },
    'bearings.runOut': { label: 'Run-out', ...SMALL, limit: 'bearings.runOut', neverNegative: true },
    'bearings.rodSide': { label: 'Rod side clearance', ...SMALL, limit: 'bearings.rodSide' },
    'bearings.spinRise': { label: 'Added by the cap', ...SPIN, limit: 'bearings.spinRise' },
    'bearings.mainWarm': { label: 'Main clearance, warm', ...SMALL, estimate: true },
  },
  limits: {
    'bearings.mainClearance': { label: 'Main bearing clearance', ...SMALL },
    'bearings.mainSpread': { label: 'Main clearance spread', ...SMALL },
    'bearings.rodClearance': { label: 'Rod bearing clearance', ...SMALL },
    'bearings.rodSpread': { label: 'Rod clearance spread', ...SMALL },
    'bearings.mainJournal': { label: 'Main journal', ...SIZE },
    'bearings.rodJournal': { label: 'Rod journal', ...SIZE },
    'bearings.journalRound': { label: 'Journal out-of-round', ...SMALL },
    'bearings.journalTaper': { label: 'Journal taper', ...SMALL },
    'bearings.endFloat': { label: 'Crank end float', ...SMALL },
    'bearings.runOut': { label: 'Crank run-out', ...SMALL },
    'bearings.rodSide': { label: 'Rod side clearance', ...SMALL },
    'bearings.spinRise': { label: 'Turning torque a cap may add', ...SPIN },
  },
  paper: {
    mainJournal: { label: 'Main journal', ...JOURNAL, low: 20, high: 150 },
    rodJournal: { label: 'Rod journal', ...JOURNAL, low: 15, high: 120 },
    shellWall: { label: 'Bearing shell wall', ...JOURNAL, low: 0.8, high: 6, hint: 'for the warm clearance' },
    bearingTemperature: { label: 'Warm bearing temperature', ...WARM, hint: 'block; and the crank, unless said apart' },
    crankTemperature: { label: 'Warm crank temperature', ...WARM, hint: 'left out: as the block' },
  },
  checks: {
    'bearings.housings': {
      label: 'Housing bores and shell crush recorded without shells',
      why: 'Alignment and crush come before clearances.',
    },
    'bearings.oilHoles': {
      label: 'Oil holes line up, tangs in their notches',
      why: 'A shell a notch off starves its journal.',
      each: 'main',
    },
    'bearings.journalFinish': { label: 'Journal finish, oil holes chamfered', why: 'What the shell will run on.' },
    'bearings.thrustAligned': {
      label: 'Crank bumped fore and aft, last time forward',
      why: 'Lines the thrust halves up before the caps are torqued.',
    },
    'bearings.mainsTorqued': { label: 'Mains at final torque', why: 'End float counts for nothing before.' },
    'bearings.spinsFree': {
      label: 'Crank spins by hand with every cap torqued',
      why: 'Check after every cap: the one that binds is the last one done.',
    },
    'bearings.sealer': {
      label: 'Girdle faces: thin anaerobic sealer only',
      why: 'A thick sealer changes the bore. Where the caps are separate there is none.',
    },
  },
} as const satisfies BenchDefinition<'bearings'>

export type BearingCharacteristic = keyof typeof definition.characteristics
export type BearingOutput = keyof typeof definition.outputs
