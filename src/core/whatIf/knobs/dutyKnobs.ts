/** How the engine is run, and what ratio is wanted of it. */
import { FUELS } from '../../document/duty'
import { alike, paperKnob, type Knob } from './knob'

export const redlineKnob: Knob = {
  id: 'redline',
  label: 'Redline',
  kind: 'rotation',
  units: { metric: 'rpm', inch: 'rpm' },
  step: alike(100),
  today: ({ spec }) => spec.duty.redlineRpm,
  low: (_, today) => Math.max(1000, today - 3000),
  high: (_, today) => today + 3000,
  changes: (_, value) => [{ choose: 'duty', redlineRpm: value }],
}

export const boostKnob: Knob = {
  id: 'boost',
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
export const fuelKnob: Knob = {
  id: 'fuel',
  label: 'Fuel',
  kind: 'ratio',
  units: { metric: 'one', inch: 'one' },
  step: alike(1),
  today: ({ spec }) => FUELS.indexOf(spec.duty.fuel),
  low: () => 0,
  high: () => FUELS.length - 1,
  choices: () => FUELS.map((_, index) => index),
  changes: (_, value) => [{ choose: 'duty', fuel: FUELS[Math.round(value)] ?? 'unsaid' }],
}

/** A limit somebody has set does not follow what is wanted on paper. */
export const wantedRatioKnob: Knob = {
  ...paperKnob('compressionRatio', 3, alike(0.1)),
  label: 'Ratio wanted',
  today: ({ spec: { paper, limits } }) => (limits['compression.compressionRatio']?.follows ? paper.compressionRatio?.value : undefined),
}
