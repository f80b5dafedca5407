import type { BenchDefinition } from '../../bench/bench'
import type { Ring } from '../../quantities/ringNames'

declare module '../../bench/vocabulary' {
  interface BenchNames {
    rings: true
  }
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
const HEAT = { kind: 'temperature', units: { metric: 'degC', inch: 'degF' }, digits: { metric: 0, inch: 0 } } as const
const FEELER = { ...GAP, gauges: ['feeler'], filed: true } as const
const SIDE = { ...GAP, gauges: ['feeler'] } as const
const BACK = { ...GAP, gauges: ['dial', 'other'], signed: true, sense: { positive: 'below its land', negative: 'above its land' } } as const

export const definition = {
  title: 'Rings',
  stage: 'Rings',
  characteristics: {
    ringTop: { label: 'Top ring gap', ...FEELER, judgedBy: 'topGap' },
    ringSecond: { label: 'Second ring gap', ...FEELER, judgedBy: 'secondGap' },
    railUpper: { label: 'Upper rail gap', ...FEELER, judgedBy: 'railGap' },
    railLower: { label: 'Lower rail gap', ...FEELER, judgedBy: 'railGap' },
    sideTop: { label: 'Top ring, side clearance', ...SIDE, judgedBy: 'topSide' },
    sideSecond: { label: 'Second ring, side clearance', ...SIDE, judgedBy: 'secondSide' },
    backTop: { label: 'Top ring, below its land', ...BACK, judgedBy: 'topBack' },
    backSecond: { label: 'Second ring, below its land', ...BACK, judgedBy: 'secondBack' },
  },
  outputs: {
    topGap: { label: 'Top ring gap', ...SHOWN, limit: 'topGap' },
    secondGap: { label: 'Second ring gap', ...SHOWN, limit: 'secondGap' },
    secondOverTop: { label: 'Second over top', ...SHOWN, limit: 'secondOverTop' },
    railGap: { label: 'Tighter oil rail', ...SHOWN, limit: 'railGap' },
    buttingTemperature: { label: 'Top ring butts at', ...HEAT, limit: 'buttingTemperature', estimate: true },
    topSide: { label: 'Top ring, side clearance', ...SHOWN, limit: 'topSide' },
    secondSide: { label: 'Second ring, side clearance', ...SHOWN, limit: 'secondSide' },
    topBack: { label: 'Top ring, back clearance', ...SHOWN, limit: 'backClearance' },
    secondBack: { label: 'Second ring, back clearance', ...SHOWN, limit: 'backClearance' },
    hotGap: { label: 'Top gap left hot', ...SHOWN, estimate: true },
  },
  limits: {
    topGap: { label: 'Top ring gap', ...SHOWN },
    secondGap: { label: 'Second ring gap', ...SHOWN },
    secondOverTop: { label: 'Second ring over top ring', ...SHOWN },
    railGap: { label: 'Oil rail gap', ...SHOWN },
    buttingTemperature: { label: 'Ring temperature to stand', ...HEAT },
    topSide: { label: 'Top ring side clearance', ...SHOWN },
    secondSide: { label: 'Second ring side clearance', ...SHOWN },
    backClearance: { label: 'Ring back clearance', ...SHOWN },
  },
  paper: ['bore', 'ringTemperature', 'boreTemperature'],
  checks: {
    ringSide: { label: 'Ring side and back clearance, land depth', why: 'By the piston and ring makers’ numbers.' },
    ringsLabelled: { label: 'Each set labelled with its cylinder', why: 'No two bores are the same.' },
    ringsUp: {
      label: 'Marks up, expander ends butted and not overlapped',
      why: 'Oil rails first, then the second (scraper edge down), then the top; spread no more than needed.',
      each: 'cylinder',
    },
  },
} as const satisfies BenchDefinition
