import type { BenchDefinition, OutputId } from '../../bench/bench'
import type { Figure } from '../../metrology'
import { ENGINE_PAPER } from '../../shared/enginePaper'
import type { methods } from './methods'
import type { stock } from './stock'

declare module '../../document/ids' {
  interface Definitions {
    compression: typeof definition & { methods: typeof methods; stock: typeof stock }
  }
}

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    repeatsDisagree: { readonly apart: Figure }
    oddOneOut: { readonly others: Figure; readonly apart: Figure }
  }
  interface ChangeFields {
    lookAgain: { readonly cylinder: number; readonly output: OutputId }
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

const SIZE = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const CC = { kind: 'volume', units: { metric: 'cm3', inch: 'cm3' } } as const
const ONE = { kind: 'ratio', units: { metric: 'one', inch: 'one' } } as const
const LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 1 } } as const
const VOLUME = { ...CC, digits: { metric: 2, inch: 2 } } as const
const RATIO = { ...ONE, digits: { metric: 2, inch: 2 } } as const
const PRESSURE = { kind: 'pressure', units: { metric: 'bar', inch: 'psi' }, digits: { metric: 1, inch: 0 } } as const

const SPIRIT = 'Spirit and its vapour: away from grinding, flame and heat.'
const BURETTE = { ...CC, gauges: ['burette'], judgedBy: 'compression.chamberVolume', caution: SPIRIT } as const
const DIAL_LENGTH = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, gauges: ['dial'] } as const

/** What the compression bench measures, finds and is judged by. The reading line, sheet, files and command line all read it. */
export const definition = {
  title: 'Deck and compression',
  stage: 'Deck',
  characteristics: {
    'compression.deck': {
      label: 'Deck',
      ...DIAL_LENGTH,
      judgedBy: 'compression.deckClearance',
      signed: true,
      sense: { positive: 'below deck', negative: 'above deck' },
    },
    'compression.chamberStart': { label: 'Chamber, burette before', ...BURETTE, passing: true },
    'compression.chamberEnd': { label: 'Chamber, burette after', ...BURETTE, passing: true },
    'compression.chamber': { label: 'Chamber', ...BURETTE },
    'compression.chamberMass': {
      label: 'Chamber, fluid',
      kind: 'mass',
      units: { metric: 'g', inch: 'g' },
      gauges: ['scales'],
      judgedBy: 'compression.chamberVolume',
      caution: SPIRIT,
    },
    'compression.pistonDrop': { label: 'Piston drop', ...DIAL_LENGTH, passing: true },
    'compression.pistonFill': { label: 'Fill above the piston', ...BURETTE, judgedBy: 'compression.pistonVolume', passing: true },
    'compression.gasketThickness': {
      ofChosen: 'gasket',
      label: 'Gasket, compressed',
      kind: 'length',
      units: { metric: 'mm', inch: 'thou' },
      gauges: ['micrometer'],
    },
    'compression.gasketBore': {
      ofChosen: 'gasket',
      label: 'Gasket bore',
      kind: 'length',
      units: { metric: 'mm', inch: 'in' },
      gauges: ['boreGauge', 'micrometer', 'other'],
    },
  },
  outputs: {
    'compression.compressionRatio': { label: 'Ratio', ...RATIO, limit: 'compression.compressionRatio' },
    'compression.ratioSpread': { label: 'Ratio spread', ...RATIO, limit: 'compression.ratioSpread', spread: true },
    'compression.quench': { label: 'Quench', ...LENGTH, limit: 'compression.quench' },
    'compression.deckClearance': { label: 'Deck clearance', ...LENGTH, limit: 'compression.deckClearance' },
    'compression.deckSpread': { label: 'Deck spread', ...LENGTH, limit: 'compression.deckSpread', spread: true },
    'compression.deckFall': { label: 'Deck, front to rear', ...LENGTH, limit: 'compression.deckFall' },
    'compression.chamberVolume': { label: 'Chamber', ...VOLUME, limit: 'compression.chamberVolume' },
    'compression.chamberSpread': { label: 'Chamber spread', ...VOLUME, limit: 'compression.chamberSpread', spread: true },
    'compression.pistonVolume': { label: 'Piston volume', ...VOLUME },
    'compression.effectiveRatio': { label: 'Effective ratio', ...RATIO, limit: 'compression.effectiveRatio' },
    'compression.endPressure': { label: 'End of compression', ...PRESSURE, estimate: true },
    'compression.endTemperature': {
      label: 'End of compression, temperature',
      kind: 'temperature',
      units: { metric: 'degC', inch: 'degF' },
      digits: { metric: 0, inch: 0 },
      estimate: true,
    },
    'compression.crankingPressure': { label: 'Cranking pressure, gauge', ...PRESSURE, estimate: true },
  },
  limits: {
    'compression.compressionRatio': { label: 'Compression ratio', ...RATIO },
    'compression.ratioSpread': { label: 'Ratio spread across cylinders', ...RATIO },
    'compression.effectiveRatio': { label: 'Effective ratio', ...RATIO },
    'compression.quench': { label: 'Quench', ...LENGTH },
    'compression.deckClearance': { label: 'Deck clearance', ...LENGTH },
    'compression.deckSpread': { label: 'Deck spread across cylinders', ...LENGTH },
    'compression.deckFall': { label: 'Deck, front to rear', ...LENGTH },
    'compression.chamberVolume': { label: 'Chamber volume', ...VOLUME },
    'compression.chamberSpread': { label: 'Chamber spread', ...VOLUME },
    'compression.deckCut': { label: 'Deck cut', ...LENGTH },
    'compression.headCut': { label: 'Head cut', ...LENGTH },
  },
  paper: {
    compressionRatio: { label: 'Ratio wanted', ...ONE, low: 4, high: 25, hint: 'by the fuel and the tuner; the limit follows it' },
    bore: ENGINE_PAPER.bore,
    stroke: ENGINE_PAPER.stroke,
    rodLength: ENGINE_PAPER.rodLength,
    pinOffset: ENGINE_PAPER.pinOffset,
    blockHeight: ENGINE_PAPER.blockHeight,
    compressionHeight: ENGINE_PAPER.compressionHeight,
    deckClearance: { label: 'Deck clearance wanted', ...SIZE, low: -5, high: 5, signed: true, hint: 'below deck is positive' },
    chamberVolume: { label: 'Chamber volume', ...CC, low: 3, high: 400 },
    chamberOpenArea: {
      label: 'Chamber open area',
      kind: 'area',
      units: { metric: 'cm2', inch: 'cm2' },
      low: 1,
      high: 500,
      hint: 'outline at the head face: what a head cut takes away',
    },
    pistonVolume: {
      eachPiece: true,
      label: 'Piston volume',
      ...CC,
      low: -100,
      high: 150,
      signed: true,
      hint: 'dish and pockets positive, dome negative',
    },
    crownDiameter: { eachPiece: true, label: 'Top land diameter', ...SIZE, low: 20, high: 250 },
    landHeight: { eachPiece: true, label: 'Top land height', ...SIZE, low: 0, high: 40, hint: 'crown to top ring' },
    intakeClosing: {
      label: 'Intake closing',
      kind: 'angle',
      units: { metric: 'deg', inch: 'deg' },
      low: 180,
      high: 300,
      hint: 'as 48 ABDC; say at which lift in the source',
    },
    intakeRetard: ENGINE_PAPER.intakeRetard,
    fluidDensity: {
      label: 'Fluid density',
      kind: 'density',
      units: { metric: 'gPerCm3', inch: 'gPerCm3' },
      low: 0.6,
      high: 1.3,
      hint: 'for chambers by mass',
    },
    ambientPressure: {
      label: 'Ambient pressure',
      kind: 'pressure',
      units: { metric: 'kPa', inch: 'psi' },
      low: 60,
      high: 110,
      hint: 'absolute',
    },
    intakeTemperature: {
      label: 'Charge temperature',
      kind: 'temperature',
      units: { metric: 'degC', inch: 'degF' },
      low: -20,
      high: 150,
      hint: 'at intake closing',
    },
  },
} as const satisfies BenchDefinition<'compression'>

export type CompressionOutput = keyof typeof definition.outputs
export type CompressionCharacteristic = keyof typeof definition.characteristics
