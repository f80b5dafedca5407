import type { BenchDefinition } from '../bench'
import { boreMean } from '../boreDiameter'

const BORE = { kind: 'length', units: { metric: 'mm', inch: 'in' } } as const
const SMALL = { kind: 'length', units: { metric: 'mm', inch: 'thou' }, digits: { metric: 3, inch: 2 } } as const

export const definition = {
  title: 'Bores',
  stage: 'Bores',
  characteristics: { bore: { label: 'Bore', ...BORE, gauges: ['boreGauge', 'other'], judgedBy: 'boreDiameter' } },
  outputs: {
    boreDiameter: { label: 'Bore', ...BORE, digits: { metric: 3, inch: 4 }, limit: 'boreDiameter' },
    boreSpread: { label: 'Bore spread', ...SMALL, limit: 'boreSpread' },
  },
  limits: {
    boreDiameter: { label: 'Bore', ...BORE, digits: { metric: 3, inch: 4 } },
    boreSpread: { label: 'Bore spread across cylinders', ...SMALL },
  },
  paper: ['bore'],
  formulas: [boreMean],
} as const satisfies BenchDefinition
