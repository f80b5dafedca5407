import type { BenchDefinition } from '../../bench/bench'

declare module '../../bench/vocabulary' {
  interface BenchNames {
    bearings: true
  }
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
const SPIN = { kind: 'torque', units: { metric: 'Nm', inch: 'lbfft' }, digits: { metric: 1, inch: 1 } } as const

export const definition = {
  title: 'Crank and bearings',
  stage: 'Bearings',
  characteristics: {
    mainJournal: { label: 'Main journal', ...JOURNAL, gauges: ['micrometer'], judgedBy: 'mainJournal' },
    rodJournal: { label: 'Rod journal', ...JOURNAL, gauges: ['micrometer'], judgedBy: 'rodJournal' },
    mainClearance: { label: 'Main clearance', ...CLEARANCE, gauges: ['boreGauge'], judgedBy: 'mainClearance' },
    rodClearance: { label: 'Rod clearance', ...CLEARANCE, gauges: ['boreGauge'], judgedBy: 'rodClearance' },
    mainInside: { label: 'Inside main shells', ...JOURNAL, gauges: ['boreGauge'], judgedBy: 'mainClearance' },
    rodInside: { label: 'Inside rod shells', ...JOURNAL, gauges: ['boreGauge'], judgedBy: 'rodClearance' },
    mainStrip: {
      label: 'Main, strip',
      ...CLEARANCE,
      gauges: ['strip'],
      judgedBy: 'mainClearance',
      caution: 'The crank stays still while the strip is in.',
    },
    rodStrip: {
      label: 'Rod, strip',
      ...CLEARANCE,
      gauges: ['strip'],
      judgedBy: 'rodClearance',
      caution: 'The crank stays still while the strip is in.',
    },
    spin: {
      label: 'Torque to turn',
      kind: 'torque',
      units: { metric: 'Nm', inch: 'lbfft' },
      gauges: ['torque'],
      judgedBy: 'spinRise',
      passing: true,
    },
    endFloat: { label: 'End float', ...CLEARANCE, gauges: ['dial'], judgedBy: 'endFloat' },
    runOut: { label: 'Run-out', ...CLEARANCE, gauges: ['dial'], judgedBy: 'runOut' },
    rodSide: { label: 'Rod side clearance', ...CLEARANCE, gauges: ['feeler'], judgedBy: 'rodSide' },
  },
  outputs: {
    mainClearance: { label: 'Main clearance', ...SMALL, limit: 'mainClearance' },
    mainPlanned: { label: 'Main clearance, planned shells', ...SMALL, limit: 'mainClearance' },
    mainSpread: { label: 'Main spread', ...SMALL, limit: 'mainSpread', spread: true },
    rodClearance: { label: 'Rod clearance', ...SMALL, limit: 'rodClearance' },
    rodPlanned: { label: 'Rod clearance, planned shells', ...SMALL, limit: 'rodClearance' },
    rodSpread: { label: 'Rod spread', ...SMALL, limit: 'rodSpread', spread: true },
    mainRound: { label: 'Main journal out-of-round', ...SMALL, limit: 'journalRound', neverNegative: true },
    mainTaper: { label: 'Main journal taper', ...SMALL, limit: 'journalTaper', neverNegative: true },
    rodRound: { label: 'Rod journal out-of-round', ...SMALL, limit: 'journalRound', neverNegative: true },
    rodTaper: { label: 'Rod journal taper', ...SMALL, limit: 'journalTaper', neverNegative: true },
    mainJournal: { label: 'Main journal', ...SIZE, limit: 'mainJournal' },
    rodJournal: { label: 'Rod journal', ...SIZE, limit: 'rodJournal' },
    endFloat: { label: 'End float', ...SMALL, limit: 'endFloat' },
    runOut: { label: 'Run-out', ...SMALL, limit: 'runOut', neverNegative: true },
    rodSide: { label: 'Rod side clearance', ...SMALL, limit: 'rodSide' },
    spinRise: { label: 'Added by the cap', ...SPIN, limit: 'spinRise' },
    mainWarm: { label: 'Main clearance, warm', ...SMALL, estimate: true },
  },
  limits: {
    mainClearance: { label: 'Main bearing clearance', ...SMALL },
    mainSpread: { label: 'Main clearance spread', ...SMALL },
    rodClearance: { label: 'Rod bearing clearance', ...SMALL },
    rodSpread: { label: 'Rod clearance spread', ...SMALL },
    mainJournal: { label: 'Main journal', ...SIZE },
    rodJournal: { label: 'Rod journal', ...SIZE },
    journalRound: { label: 'Journal out-of-round', ...SMALL },
    journalTaper: { label: 'Journal taper', ...SMALL },
    endFloat: { label: 'Crank end float', ...SMALL },
    runOut: { label: 'Crank run-out', ...SMALL },
    rodSide: { label: 'Rod side clearance', ...SMALL },
    spinRise: { label: 'Turning torque a cap may add', ...SPIN },
  },
  paper: ['mainJournal', 'rodJournal', 'shellWall', 'bearingTemperature', 'crankTemperature'],
  checks: {
    housings: { label: 'Housing bores and shell crush recorded without shells', why: 'Alignment and crush come before clearances.' },
    oilHoles: { label: 'Oil holes line up, tangs in their notches', why: 'A shell a notch off starves its journal.', each: 'main' },
    journalFinish: { label: 'Journal finish, oil holes chamfered', why: 'What the shell will run on.' },
    thrustAligned: {
      label: 'Crank bumped fore and aft, last time forward',
      why: 'Lines the thrust halves up before the caps are torqued.',
    },
    mainsTorqued: { label: 'Mains at final torque', why: 'End float counts for nothing before.' },
    spinsFree: {
      label: 'Crank spins by hand with every cap torqued',
      why: 'Check after every cap: the one that binds is the last one done.',
    },
    sealer: {
      label: 'Girdle faces: thin anaerobic sealer only',
      why: 'A thick sealer changes the bore. Where the caps are separate there is none.',
    },
  },
} as const satisfies BenchDefinition

export type BearingCharacteristic = keyof typeof definition.characteristics
export type BearingOutput = keyof typeof definition.outputs
