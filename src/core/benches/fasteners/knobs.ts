import { inThou, paperKnob, type Knob } from '../../bench/knob'
import { definition } from './definition'

export const knobs: readonly Knob[] = [
  paperKnob(definition.paper, 'boltStretch', { group: 'running', reach: 0.05, step: inThou(0.002, 0.1) }),
]
