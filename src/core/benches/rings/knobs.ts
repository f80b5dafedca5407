import { alike, eachCylinder, inThou, MM, paperKnob, upTo, type Knob } from '../../bench/knob'
import { definition } from './definition'

const ringKnob: Knob = {
  id: 'topGap',
  group: 'fits',
  label: 'Top rings filed by',
  ...MM,
  step: inThou(0.02, 1),
  part: 'rings',
  today: () => 0,
  ...upTo(0.4),
  changes: (build, value) => eachCylinder(build, (cylinder) => ({ what: 'ringGap', ring: 'top', cylinder, by: value })),
}

export const knobs: readonly Knob[] = [
  ringKnob,
  paperKnob(definition.paper, 'ringTemperature', { group: 'running', reach: 100, step: alike(10) }),
]
