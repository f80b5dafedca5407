import type { BenchDefinition } from '../../bench/bench'
import type { Figure } from '../../metrology'

declare module '../../bench/vocabulary' {
  interface BenchNames {
    rods: true
  }
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
const WEIGHED = { ...MASS, gauges: ['scales'], judgedBy: 'reciprocating' } as const

export const definition = {
  title: 'Rods and balance',
  stage: 'Rods',
  characteristics: {
    bigEnd: { label: 'Big end', ...SIZE, gauges: ['boreGauge'], judgedBy: 'bigEnd' },
    pinBush: { label: 'Pin bush', ...SIZE, gauges: ['boreGauge'], judgedBy: 'pinClearance' },
    pin: { label: 'Piston pin', ...SIZE, gauges: ['micrometer'], judgedBy: 'pinClearance' },
    centreDistance: { label: 'Rod, centre to centre', ...SIZE, gauges: ['other', 'boreGauge'], judgedBy: 'centreDistance' },
    pistonMass: { label: 'Piston', ...WEIGHED },
    pinMass: { label: 'Pin', ...WEIGHED },
    ringsMass: { label: 'Rings and clips', ...WEIGHED },
    rodSmall: { label: 'Rod, small end', ...WEIGHED },
    rodBig: { label: 'Rod, big end', ...MASS, gauges: ['scales'], judgedBy: 'rotating' },
    shellsMass: { label: 'Rod shells', ...MASS, gauges: ['scales'], judgedBy: 'rotating' },
  },
  outputs: {
    pinClearance: { label: 'Pin in its bush', ...SMALL, limit: 'pinClearance' },
    bigEndRound: { label: 'Big end out-of-round', ...SMALL, limit: 'bigEndRound', neverNegative: true },
    bigEnd: { label: 'Big end', ...SHOWN_SIZE, limit: 'bigEnd' },
    centreDistance: { label: 'Centre to centre', ...SHOWN_SIZE },
    centreSpread: { label: 'Centre distance spread', ...SMALL, limit: 'centreSpread', spread: true },
    reciprocating: { label: 'Reciprocating', ...SHOWN_MASS },
    reciprocatingSpread: { label: 'Reciprocating spread', ...SHOWN_MASS, limit: 'reciprocatingSpread', spread: true },
    rotating: { label: 'Rotating', ...SHOWN_MASS },
    rotatingSpread: { label: 'Rotating spread', ...SHOWN_MASS, limit: 'rotatingSpread', spread: true },
    bobweight: { label: 'Bobweight of the pin', ...SHOWN_MASS },
    stackApart: { label: 'Deck against the stack', ...SMALL, limit: 'stackApart' },
  },
  limits: {
    pinClearance: { label: 'Pin in its bush', ...SMALL },
    bigEnd: { label: 'Big end, bolts tight', ...SHOWN_SIZE },
    bigEndRound: { label: 'Big end out-of-round', ...SMALL },
    centreSpread: { label: 'Centre distance spread', ...SMALL },
    reciprocatingSpread: { label: 'Reciprocating mass spread', ...SHOWN_MASS },
    rotatingSpread: { label: 'Rotating mass spread', ...SHOWN_MASS },
    stackApart: { label: 'Measured deck against the stack', ...SMALL },
  },
  paper: ['stroke', 'rodLength', 'blockHeight', 'compressionHeight', 'pinOffset', 'pinDiameter', 'oilAllowance', 'balanceShare'],
  checks: {
    rodChamfer: {
      label: 'Rod chamfer to the crank cheek, numbers to numbers',
      why: 'The plain side would ride on the fillet.',
      each: 'cylinder',
    },
    pinClips: { label: 'Pin clips seated, open end as the maker says', why: 'A clip the wrong way round walks out.', each: 'cylinder' },
    boltsSleeved: { label: 'Rod bolts sleeved, rod guided down by hand', why: 'A nick in the crank is a new crank.' },
    balancedTogether: { label: 'Flywheel and clutch balanced with the crank are marked', why: 'Split them and it wants balancing again.' },
  },
} as const satisfies BenchDefinition

export type RodCharacteristic = keyof typeof definition.characteristics
export type RodOutput = keyof typeof definition.outputs
