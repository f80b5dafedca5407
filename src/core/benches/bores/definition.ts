import type { BenchDefinition } from '../../bench/bench'
import type { Figure } from '../../metrology'

declare module '../../bench/vocabulary' {
  interface BenchNames {
    bores: true
  }
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
const FINISH = { kind: 'roughness', units: { metric: 'umRa', inch: 'uinRa' }, digits: { metric: 2, inch: 0 } } as const

export const definition = {
  title: 'Bores and pistons',
  stage: 'Bores',
  characteristics: {
    bore: { label: 'Bore', ...BORE, gauges: ['boreGauge', 'other'], judgedBy: 'boreDiameter' },
    skirt: { label: 'Skirt', ...BORE, gauges: ['micrometer'], judgedBy: 'clearance' },
    deckFinish: { label: 'Deck finish', kind: 'roughness', units: { metric: 'umRa', inch: 'uinRa' }, gauges: ['roughness'] },
  },
  outputs: {
    clearance: { label: 'Piston to wall', ...SMALL, limit: 'clearance' },
    clearanceSpread: { label: 'Clearance spread', ...SMALL, limit: 'clearanceSpread', spread: true },
    outOfRound: { label: 'Out-of-round', ...SMALL, limit: 'outOfRound', neverNegative: true },
    taper: { label: 'Taper', ...SMALL, limit: 'taper', neverNegative: true },
    boreDiameter: { label: 'Bore', ...BORE, digits: { metric: 3, inch: 4 }, limit: 'boreDiameter' },
    boreSpread: { label: 'Bore spread', ...SMALL, limit: 'boreSpread', spread: true },
    boreOffPaper: { label: 'Bore against paper', ...SMALL, limit: 'boreOffPaper' },
    deckFinish: { label: 'Deck finish', ...FINISH, limit: 'deckFinish' },
  },
  limits: {
    clearance: { label: 'Piston to wall', ...SMALL },
    clearanceSpread: { label: 'Clearance spread across cylinders', ...SMALL },
    outOfRound: { label: 'Bore out-of-round', ...SMALL },
    taper: { label: 'Bore taper', ...SMALL },
    boreDiameter: { label: 'Bore', ...BORE, digits: { metric: 3, inch: 4 } },
    boreSpread: { label: 'Bore spread across cylinders', ...SMALL },
    boreOffPaper: { label: 'Bore against paper', ...SMALL },
    deckFinish: { label: 'Deck finish', ...FINISH },
  },
  paper: ['bore'],

  checks: {
    cracks: { label: 'Block looked over for cracks', why: 'By dye, magnet or pressure, before any hour goes into it.' },
    threadsChased: {
      label: 'Threads chased and blown out',
      why: 'Fluid left under a bolt in a blind hole can crack the casting when the bolt is driven down. Eyes protected when blowing out.',
    },
    galleryPlugs: { label: 'Gallery plugs out, galleries brushed, plugs back', why: 'Honing grit sits behind them.' },
    deckFlat: { label: 'Deck flat', why: 'Usual: 0.05 to 0.08 mm overall (0.002–0.003 in), 0.025 mm in any 75 (0.001 in 3).' },
    boresClean: { label: 'Bores wiped until the cloth stays clean, then oiled', why: 'Bare iron rusts in minutes.' },
  },
} as const satisfies BenchDefinition
