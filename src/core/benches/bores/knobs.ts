import { eachCylinder, inThou, MM, upTo, type Knob } from '../../bench/knob'

const boreKnob: Knob = {
  id: 'bore',
  group: 'volume',
  label: 'Bores honed by',
  ...MM,
  step: inThou(0.01, 0.5),
  part: 'block',
  today: () => 0,
  ...upTo(0.3),
  changes: (build, value) => eachCylinder(build, (cylinder) => ({ what: 'hone', cylinder, by: value })),
}

export const knobs: readonly Knob[] = [boreKnob]
