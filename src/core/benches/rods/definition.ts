import type { BenchDefinition } from '../../bench/bench'
import type { Figure } from '../../metrology'
import { ENGINE_PAPER } from '../../shared/enginePaper'

declare module '../../document/ids' {
  interface Definitions {
    rods: typeof definition
  }
}

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    rodsOnPin: { readonly cylinders: readonly number[] }
    stackOwn: { readonly apart: Figure }
    stackShared: object
  }
  interface ChangeFields {
    pairMasses: { readonly setOnRod: readonly number[]; readonly fromG: number; readonly toG: number }
    lighten: { readonly byCylinder: ReadonlyMap<number, number> }
  }
  interface CostFields {
    otherBores: object
  }
}

const SIZE = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const SHOWN_SIZE = { ...SIZE, digits: { metric: 3, inch: 4 } } as const
const SMALL = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 2 } } as const
const MASS = { kind: 'mass', units: { metric: 'g', inch: 'g' } } as const
const SHOWN_MASS = { ...MASS, digits: { metric: 1, inch: 1 } } as const
const WEIGHED = { ...MASS, gauges: ['scales'], judgedBy: 'rods.reciprocating' } as const

export const definition = {
  title: 'Rods and balance',
  stage: 'Rods',
  characteristics: {
    'rods.bigEnd': { label: 'Big end', ...SIZE, gauges: ['boreGauge'], judgedBy: 'rods.bigEnd', grows: { as: 'rod' } },
    'rods.pinBush': { label: 'Pin bush', ...SIZE, gauges: ['boreGauge'], judgedBy: 'rods.pinClearance', grows: { as: 'bush' } },
    'rods.pin': { label: 'Piston pin', ...SIZE, gauges: ['micrometer'], judgedBy: 'rods.pinClearance', grows: { as: 'pin' } },
    'rods.centreDistance': {
      label: 'Rod, centre to centre',
      ...SIZE,
      gauges: ['other', 'boreGauge'],
      judgedBy: 'rods.centreDistance',
      grows: { as: 'rod' },
    },
    'rods.pistonMass': { label: 'Piston', ...WEIGHED },
    'rods.pinMass': { label: 'Pin', ...WEIGHED },
    'rods.ringsMass': { label: 'Rings and clips', ...WEIGHED },
    'rods.rodSmall': { label: 'Rod, small end', ...WEIGHED },
    'rods.rodBig': { label: 'Rod, big end', ...MASS, gauges: ['scales'], judgedBy: 'rods.rotating' },
    'rods.shellsMass': { label: 'Rod shells', ...MASS, gauges: ['scales'], judgedBy: 'rods.rotating' },
  },
  outputs: {
    'rods.pinClearance': { label: 'Pin in its bush', ...SMALL, limit: 'rods.pinClearance' },
    'rods.bigEndRound': { label: 'Big end out-of-round', ...SMALL, limit: 'rods.bigEndRound', neverNegative: true },
    'rods.bigEnd': { label: 'Big end', ...SHOWN_SIZE, limit: 'rods.bigEnd' },
    'rods.centreDistance': { label: 'Centre to centre', ...SHOWN_SIZE },
    'rods.centreSpread': { label: 'Centre distance spread', ...SMALL, limit: 'rods.centreSpread', spread: true },
    'rods.reciprocating': { label: 'Reciprocating', ...SHOWN_MASS },
    'rods.reciprocatingSpread': { label: 'Reciprocating spread', ...SHOWN_MASS, limit: 'rods.reciprocatingSpread', spread: true },
    'rods.rotating': { label: 'Rotating', ...SHOWN_MASS },
    'rods.rotatingSpread': { label: 'Rotating spread', ...SHOWN_MASS, limit: 'rods.rotatingSpread', spread: true },
    'rods.bobweight': { label: 'Bobweight of the pin', ...SHOWN_MASS },
    'rods.stackApart': { label: 'Deck against the stack', ...SMALL, limit: 'rods.stackApart' },
  },
  limits: {
    'rods.pinClearance': { label: 'Pin in its bush', ...SMALL },
    'rods.bigEnd': { label: 'Big end, bolts tight', ...SHOWN_SIZE },
    'rods.bigEndRound': { label: 'Big end out-of-round', ...SMALL },
    'rods.centreSpread': { label: 'Centre distance spread', ...SMALL },
    'rods.reciprocatingSpread': { label: 'Reciprocating mass spread', ...SHOWN_MASS },
    'rods.rotatingSpread': { label: 'Rotating mass spread', ...SHOWN_MASS },
    'rods.stackApart': { label: 'Measured deck against the stack', ...SMALL },
  },
  paper: {
    stroke: ENGINE_PAPER.stroke,
    rodLength: ENGINE_PAPER.rodLength,
    blockHeight: ENGINE_PAPER.blockHeight,
    compressionHeight: ENGINE_PAPER.compressionHeight,
    pinOffset: ENGINE_PAPER.pinOffset,
    pinDiameter: { label: 'Piston pin', ...SIZE, low: 8, high: 60 },
    oilAllowance: { label: 'Oil on a crank pin', ...MASS, low: 0, high: 30, hint: 'for the bobweight' },
    balanceShare: {
      label: 'Share of reciprocating mass',
      kind: 'ratio',
      units: { metric: 'percent', inch: 'percent' },
      low: 0.3,
      high: 0.7,
      hint: 'for the bobweight; 50 % for a 90° V on common pins',
    },
  },
  checks: {
    'rods.rodChamfer': {
      label: 'Rod chamfer to the crank cheek, numbers to numbers',
      why: 'The plain side would ride on the fillet.',
      each: 'cylinder',
    },
    'rods.pinClips': {
      label: 'Pin clips seated, gap away from the slot, rags in the crankcase mouth',
      why: 'Turned in its groove it clicks home; by its slot it walks out and falls into the engine. The maker’s way round first.',
      each: 'cylinder',
    },
    'rods.boltsSleeved': { label: 'Rod bolts sleeved, rod guided down by hand', why: 'A nick in the crank is a new crank.' },
    'rods.balancedTogether': {
      label: 'Flywheel and clutch balanced with the crank are marked',
      why: 'Split them and it wants balancing again.',
    },
  },
} as const satisfies BenchDefinition<'rods'>

export type RodCharacteristic = keyof typeof definition.characteristics
export type RodOutput = keyof typeof definition.outputs
