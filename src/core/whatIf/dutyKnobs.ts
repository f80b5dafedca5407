/** How the engine is run. */
import { FUELS, NOT_SAID } from '../document/duty'
import { alike, type Knob } from '../bench/knob'

const redlineKnob: Knob = {
  id: 'redline',
  group: 'running',
  label: 'Redline',
  kind: 'rotation',
  units: { metric: 'rpm', inch: 'rpm' },
  step: alike(100),
  today: ({ spec }) => spec.duty.redlineRpm,
  low: (_, today) => Math.max(1000, today - 3000),
  high: (_, today) => today + 3000,
  changes: (_, value) => [{ choose: 'duty', redlineRpm: value }],
}

const boostKnob: Knob = {
  id: 'boost',
  group: 'running',
  label: 'Boost',
  kind: 'pressure',
  units: { metric: 'bar', inch: 'psi' },
  step: alike(5),
  today: ({ spec }) => spec.duty.boostKpa,
  low: () => 0,
  high: (_, today) => Math.max(200, today + 100),
  changes: (_, value) => [{ choose: 'duty', boostKpa: value }],
}

/** By its place in the list. What ratio it stands no figure here knows: that is the tuner's. */
const fuelKnob: Knob = {
  id: 'fuel',
  group: 'running',
  label: 'Fuel',
  kind: 'ratio',
  units: { metric: 'one', inch: 'one' },
  step: alike(1),
  today: ({ spec }) => FUELS.indexOf(spec.duty.fuel),
  low: () => 0,
  high: () => FUELS.length - 1,
  choices: () => FUELS.map((_, index) => index),
  changes: (_, value) => [{ choose: 'duty', fuel: FUELS[Math.round(value)] ?? NOT_SAID }],
}

export const dutyKnobs: readonly Knob[] = [fuelKnob, boostKnob, redlineKnob]
