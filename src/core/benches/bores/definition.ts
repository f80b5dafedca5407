import type { BenchDefinition } from '../../bench/bench'
import type { Figure } from '../../metrology'
import { ENGINE_PAPER } from '../../shared/enginePaper'
import type { methods } from './methods'

declare module '../../document/ids' {
  interface Definitions {
    bores: typeof definition & { methods: typeof methods }
  }
}

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    pistonMarked: { readonly mark: number }
    ringOnTaper: { readonly ring: Figure; readonly gauge: Figure; readonly agrees: boolean }
  }
  interface ChangeFields {
    swapPistons: { readonly pistonInBore: readonly number[] }
    hone: { readonly byCylinder: ReadonlyMap<number, number> }
  }
  interface CostFields {
    honing: { readonly cylinders: number }
  }
}

const BORE = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const SMALL = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 2 } } as const
const ROUGH = { kind: 'roughness', units: { metric: 'umRa', inch: 'uinRa' } } as const
const HATCH = { kind: 'angle', units: { metric: 'deg', inch: 'deg' } } as const
const THIN = { kind: 'length', units: { metric: 'mm', inch: 'thou' } } as const
const FINISH = { kind: 'roughness', units: { metric: 'umRa', inch: 'uinRa' }, digits: { metric: 2, inch: 0 } } as const

export const definition = {
  title: 'Bores and pistons',
  stage: 'Bores',
  characteristics: {
    'bores.bore': { label: 'Bore', ...BORE, gauges: ['boreGauge', 'other'], judgedBy: 'bores.boreDiameter', grows: { as: 'bore' } },
    'bores.skirt': { label: 'Skirt', ...BORE, gauges: ['micrometer'], judgedBy: 'bores.clearance', grows: { as: 'piston' } },
    'bores.deckFinish': { label: 'Deck finish', kind: 'roughness', units: { metric: 'umRa', inch: 'uinRa' }, gauges: ['roughness'] },
    'bores.boreFinish': { label: 'Finish of a bore', ...ROUGH, gauges: ['roughness'], judgedBy: 'bores.boreFinish' },
    'bores.crosshatch': { label: 'Crosshatch, between the scratches', ...HATCH, gauges: ['other'], judgedBy: 'bores.crosshatch' },
    'bores.faceGap': { label: 'Leaf that goes under the straight edge', ...THIN, gauges: ['feeler', 'other'] },
    'bores.faceFinish': { label: 'Finish of a face', ...ROUGH, gauges: ['roughness'] },
  },
  outputs: {
    'bores.clearance': { label: 'Piston to wall', ...SMALL, limit: 'bores.clearance' },
    'bores.clearanceSpread': { label: 'Clearance spread', ...SMALL, limit: 'bores.clearanceSpread', spread: true },
    'bores.outOfRound': { label: 'Out-of-round', ...SMALL, limit: 'bores.outOfRound', neverNegative: true },
    'bores.taper': { label: 'Taper', ...SMALL, limit: 'bores.taper', neverNegative: true },
    'bores.boreDiameter': { label: 'Bore', ...BORE, digits: { metric: 3, inch: 4 }, limit: 'bores.boreDiameter' },
    'bores.boreSpread': { label: 'Bore spread', ...SMALL, limit: 'bores.boreSpread', spread: true },
    'bores.boreOffPaper': { label: 'Bore against paper', ...SMALL, limit: 'bores.boreOffPaper' },
    'bores.deckFinish': { label: 'Deck finish', ...FINISH, limit: 'bores.deckFinish' },
    'bores.boreFinish': { label: 'Finish of the bore', ...FINISH, limit: 'bores.boreFinish' },
    'bores.crosshatch': { label: 'Crosshatch', ...HATCH, digits: { metric: 0, inch: 0 }, limit: 'bores.crosshatch' },
    'bores.deckFlatness': { label: 'Deck, out of flat', ...SMALL, limit: 'bores.flatness' },
    'bores.headFlatness': { label: 'Head, out of flat', ...SMALL, limit: 'bores.flatness' },
    'bores.coverFlatness': { label: 'Cover, out of flat', ...SMALL, limit: 'bores.flatness' },
    'bores.headFinish': { label: 'Head finish', ...FINISH, limit: 'bores.deckFinish' },
  },
  limits: {
    'bores.clearance': { label: 'Piston to wall', ...SMALL },
    'bores.clearanceSpread': { label: 'Clearance spread across cylinders', ...SMALL },
    'bores.outOfRound': { label: 'Bore out-of-round', ...SMALL },
    'bores.taper': { label: 'Bore taper', ...SMALL },
    'bores.boreDiameter': { label: 'Bore', ...BORE, digits: { metric: 3, inch: 4 } },
    'bores.boreSpread': { label: 'Bore spread across cylinders', ...SMALL },
    'bores.boreOffPaper': { label: 'Bore against paper', ...SMALL },
    'bores.deckFinish': { label: 'Deck and head finish', ...FINISH },
    'bores.boreFinish': { label: 'Finish of the bore', ...FINISH },
    'bores.crosshatch': { label: 'Crosshatch, between the scratches', ...HATCH, digits: { metric: 0, inch: 0 } },
    'bores.flatness': { label: 'Faces out of flat', ...SMALL },
  },
  paper: { bore: ENGINE_PAPER.bore },

  checks: {
    'bores.cracks': { label: 'Block checked for cracks', why: 'By dye, magnet or pressure, before any hour goes into it.' },
    'bores.threadsChased': {
      label: 'Threads chased and blown out',
      why: 'Fluid left under a bolt in a blind hole can crack the casting when the bolt is driven down. Eyes protected when blowing out.',
    },
    'bores.galleryPlugs': { label: 'Gallery plugs out, galleries brushed, plugs back', why: 'Honing grit sits behind them.' },
    'bores.deckFlat': { label: 'Deck flat', why: 'Usual: 0.05 to 0.08 mm overall (0.002–0.003 in), 0.025 mm in any 75 (0.001 in 3).' },
    'bores.newWashed': {
      label: 'New parts washed and looked at before they are measured',
      why: 'Packing oil and swarf are measured with them; a burr is found by a fingertip, not by a gauge.',
    },
    'bores.boresClean': { label: 'Bores wiped until the cloth stays clean, then oiled', why: 'Bare iron rusts in minutes.' },
  },
} as const satisfies BenchDefinition<'bores'>

export type BoreOutput = keyof typeof definition.outputs
export type BoreCharacteristic = keyof typeof definition.characteristics
