import type { BenchDefinition } from '../../bench/bench'
import type { Figure } from '../../metrology'

declare module '../../bench/vocabulary' {
  interface BenchNames {
    compression: true
  }
  interface RemarkFields {
    repeatsDisagree: { readonly apart: Figure }
  }
  interface ChangeFields {
    setup: {
      readonly gasket: { readonly id: string; readonly name: string }
      readonly piston?: { readonly id: string; readonly name: string }
      readonly deckCutMm: number
      readonly headCutMm: number
      readonly equalise: boolean
    }
    openChambers: { readonly byCylinder: ReadonlyMap<number, number> }
  }
  interface CostFields {
    valvesCloser: { readonly mm: number }
    metal: { readonly mm: number }
    newPistons: object
    grinding: { readonly cylinders: number; readonly cm3: number }
    spreadStays: object
  }
}

const LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 1 } } as const
const VOLUME = { kind: 'volume', units: { metric: 'cm3', inch: 'cm3' }, digits: { metric: 2, inch: 2 } } as const
const RATIO = { kind: 'ratio', units: { metric: 'one', inch: 'one' }, digits: { metric: 2, inch: 2 } } as const
const PRESSURE = { kind: 'pressure', units: { metric: 'bar', inch: 'psi' }, digits: { metric: 1, inch: 0 } } as const

const SPIRIT = 'Spirit and its vapour: away from grinding, flame and heat.'
const BURETTE = {
  kind: 'volume',
  units: { metric: 'cm3', inch: 'cm3' },
  gauges: ['burette'],
  judgedBy: 'chamberVolume',
  caution: SPIRIT,
} as const
const DIAL_LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, gauges: ['dial'] } as const

/** What the compression bench measures, finds and is judged by. The reading line, sheet, files and command line all read it. */
export const definition = {
  title: 'Deck and compression',
  stage: 'Deck',
  characteristics: {
    deck: {
      label: 'Deck',
      ...DIAL_LENGTH,
      judgedBy: 'deckClearance',
      signed: true,
      sense: { positive: 'below deck', negative: 'above deck' },
    },
    chamberStart: { label: 'Chamber, burette before', ...BURETTE, passing: true },
    chamberEnd: { label: 'Chamber, burette after', ...BURETTE, passing: true },
    chamber: { label: 'Chamber', ...BURETTE },
    chamberMass: {
      label: 'Chamber, fluid',
      kind: 'mass',
      units: { metric: 'g', inch: 'g' },
      gauges: ['scales'],
      judgedBy: 'chamberVolume',
      caution: SPIRIT,
    },
    pistonDrop: { label: 'Piston drop', ...DIAL_LENGTH, passing: true },
    pistonFill: { label: 'Fill above the piston', ...BURETTE, judgedBy: 'pistonVolume', passing: true },
    gasketThickness: { label: 'Gasket, compressed', kind: 'length', units: { metric: 'mm', inch: 'thou' }, gauges: ['micrometer'] },
    gasketBore: { label: 'Gasket bore', kind: 'length', units: { metric: 'mm', inch: 'in' }, gauges: ['boreGauge', 'micrometer', 'other'] },
  },
  outputs: {
    compressionRatio: { label: 'Ratio', ...RATIO, limit: 'compressionRatio' },
    ratioSpread: { label: 'Ratio spread', ...RATIO, limit: 'ratioSpread', spread: true },
    quench: { label: 'Quench', ...LENGTH, limit: 'quench' },
    deckClearance: { label: 'Deck clearance', ...LENGTH, limit: 'deckClearance' },
    deckSpread: { label: 'Deck spread', ...LENGTH, limit: 'deckSpread', spread: true },
    deckFall: { label: 'Deck, front to rear', ...LENGTH, limit: 'deckFall' },
    chamberVolume: { label: 'Chamber', ...VOLUME, limit: 'chamberVolume' },
    chamberSpread: { label: 'Chamber spread', ...VOLUME, limit: 'chamberSpread', spread: true },
    pistonVolume: { label: 'Piston volume', ...VOLUME },
    effectiveRatio: { label: 'Effective ratio', ...RATIO, limit: 'effectiveRatio' },
    endPressure: { label: 'End of compression', ...PRESSURE, estimate: true },
    endTemperature: {
      label: 'End of compression, temperature',
      kind: 'temperature',
      units: { metric: 'degC', inch: 'degF' },
      digits: { metric: 0, inch: 0 },
      estimate: true,
    },
    crankingPressure: { label: 'Cranking pressure, gauge', ...PRESSURE, estimate: true },
  },
  limits: {
    compressionRatio: { label: 'Compression ratio', ...RATIO },
    ratioSpread: { label: 'Ratio spread across cylinders', ...RATIO },
    effectiveRatio: { label: 'Effective ratio', ...RATIO },
    quench: { label: 'Quench', ...LENGTH },
    deckClearance: { label: 'Deck clearance', ...LENGTH },
    deckSpread: { label: 'Deck spread across cylinders', ...LENGTH },
    deckFall: { label: 'Deck, front to rear', ...LENGTH },
    chamberVolume: { label: 'Chamber volume', ...VOLUME },
    chamberSpread: { label: 'Chamber spread', ...VOLUME },
    deckCut: { label: 'Deck cut', ...LENGTH },
    headCut: { label: 'Head cut', ...LENGTH },
  },
  paper: [
    'bore',
    'stroke',
    'rodLength',
    'pinOffset',
    'blockHeight',
    'compressionHeight',
    'deckClearance',
    'chamberVolume',
    'chamberOpenArea',
    'pistonVolume',
    'crownDiameter',
    'landHeight',
    'intakeClosing',
    'fluidDensity',
    'ambientPressure',
    'intakeTemperature',
  ],
} as const satisfies BenchDefinition

export type CompressionOutput = keyof typeof definition.outputs
export type CompressionCharacteristic = keyof typeof definition.characteristics
