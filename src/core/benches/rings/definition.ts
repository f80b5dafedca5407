import type { BenchDefinition } from '../../bench/bench'
import { ENGINE_PAPER } from '../../shared/enginePaper'
import type { Ring } from '../../shared/ringNames'
import type { methods } from './methods'

declare module '../../document/ids' {
  interface Definitions {
    rings: typeof definition & { methods: typeof methods }
  }
}

declare module '../../bench/vocabulary' {
  interface RemarkFields {
    filedSince: { readonly places: number }
  }
  interface ChangeFields {
    file: { readonly ring: Ring; readonly cylinder: number; readonly mm: number; readonly toMm: number }
    swapRings: { readonly ring: Ring; readonly after: readonly number[] }
  }
}

const GAP = { kind: 'length', units: { metric: 'mm', inch: 'thou' } } as const
const SHOWN = { ...GAP, digits: { metric: 3, inch: 1 } } as const
const WARM = { kind: 'temperature', units: { metric: 'degC', inch: 'degF' } } as const
const HEAT = { ...WARM, digits: { metric: 0, inch: 0 } } as const
const FEELER = { ...GAP, gauges: ['feeler'], filed: true } as const
const SIDE = { ...GAP, gauges: ['feeler'] } as const
const BACK = { ...GAP, gauges: ['dial', 'other'], signed: true, sense: { positive: 'below its land', negative: 'above its land' } } as const

const FROM_FRONT = { kind: 'angle', units: { metric: 'deg', inch: 'deg' }, low: 0, high: 360 } as const

export const definition = {
  title: 'Rings',
  stage: 'Rings',
  characteristics: {
    'rings.topGap': { label: 'Top ring gap', ...FEELER, judgedBy: 'rings.topGap' },
    'rings.secondGap': { label: 'Second ring gap', ...FEELER, judgedBy: 'rings.secondGap' },
    'rings.upperRailGap': { label: 'Upper rail gap', ...FEELER, judgedBy: 'rings.railGap' },
    'rings.lowerRailGap': { label: 'Lower rail gap', ...FEELER, judgedBy: 'rings.railGap' },
    'rings.topSide': { label: 'Top ring, side clearance', ...SIDE, judgedBy: 'rings.topSide' },
    'rings.secondSide': { label: 'Second ring, side clearance', ...SIDE, judgedBy: 'rings.secondSide' },
    'rings.topBack': { label: 'Top ring, below its land', ...BACK, judgedBy: 'rings.topBack' },
    'rings.secondBack': { label: 'Second ring, below its land', ...BACK, judgedBy: 'rings.secondBack' },
  },
  outputs: {
    'rings.topGap': { label: 'Top ring gap', ...SHOWN, limit: 'rings.topGap' },
    'rings.secondGap': { label: 'Second ring gap', ...SHOWN, limit: 'rings.secondGap' },
    'rings.secondOverTop': { label: 'Second over top', ...SHOWN, limit: 'rings.secondOverTop' },
    'rings.railGap': { label: 'Tighter oil rail', ...SHOWN, limit: 'rings.railGap' },
    'rings.buttingTemperature': { label: 'Top ring butts at', ...HEAT, limit: 'rings.buttingTemperature', estimate: true },
    'rings.topSide': { label: 'Top ring, side clearance', ...SHOWN, limit: 'rings.topSide' },
    'rings.secondSide': { label: 'Second ring, side clearance', ...SHOWN, limit: 'rings.secondSide' },
    'rings.topBack': { label: 'Top ring, back clearance', ...SHOWN, limit: 'rings.backClearance' },
    'rings.secondBack': { label: 'Second ring, back clearance', ...SHOWN, limit: 'rings.backClearance' },
    'rings.hotGap': { label: 'Top gap left hot', ...SHOWN, estimate: true },
  },
  limits: {
    'rings.topGap': { label: 'Top ring gap', ...SHOWN },
    'rings.secondGap': { label: 'Second ring gap', ...SHOWN },
    'rings.secondOverTop': { label: 'Second ring over top ring', ...SHOWN },
    'rings.railGap': { label: 'Oil rail gap', ...SHOWN },
    'rings.buttingTemperature': { label: 'Ring temperature to stand', ...HEAT },
    'rings.topSide': { label: 'Top ring side clearance', ...SHOWN },
    'rings.secondSide': { label: 'Second ring side clearance', ...SHOWN },
    'rings.backClearance': { label: 'Ring back clearance', ...SHOWN },
  },
  paper: {
    bore: ENGINE_PAPER.bore,
    ringTemperature: {
      label: 'Top ring, running hot',
      ...WARM,
      low: 80,
      high: 450,
      hint: 'about 200–250 °C unboosted, 300 under heavy boost',
    },
    boreTemperature: { label: 'Cylinder wall, running hot', ...WARM, low: 60, high: 300 },
    gapTop: { label: 'Top gap at, by the ring maker', ...FROM_FRONT, hint: 'degrees from the front, clockwise as seen from above' },
    gapSecond: { label: 'Second gap at, by the ring maker', ...FROM_FRONT },
    gapUpperRail: { label: 'Upper rail gap at, by the ring maker', ...FROM_FRONT },
    gapExpander: { label: 'Expander ends at, by the ring maker', ...FROM_FRONT },
    gapLowerRail: { label: 'Lower rail gap at, by the ring maker', ...FROM_FRONT },
    ringFactor: {
      label: 'Top ring, gap per bore',
      kind: 'ratio',
      units: { metric: 'one', inch: 'one' },
      low: 0.002,
      high: 0.015,
      hint: 'own factor, such as 0.0055; left out: by the duty',
    },
  },
  checks: {
    'rings.ringSide': { label: 'Ring side and back clearance, land depth', why: 'By the piston and ring makers’ numbers.' },
    'rings.ringsLabelled': { label: 'Each set labelled with its cylinder', why: 'No two bores are the same.' },
    'rings.ringsUp': {
      label: 'Marks up, expander ends butted and not overlapped',
      why: 'Oil rails first, then the second (scraper edge down), then the top; spread no more than needed.',
      each: 'cylinder',
    },
  },
} as const satisfies BenchDefinition<'rings'>

export type RingOutput = keyof typeof definition.outputs
export type RingCharacteristic = keyof typeof definition.characteristics
