import type { Presets } from '../../bench/bench'
import { inThou } from '../../bench/inThou'

const PRACTICE = 'Preset: common practice'
const ASSUMED = 'Preset: assumed'

export const presets: Presets = ({ units }) => ({
  'rods.pinClearance': {
    lower: inThou(0.6, units),
    upper: inThou(1, units),
    source: PRACTICE,
    reason: 'A floating pin, 0.0006 to 0.0010 in.',
  },
  'rods.bigEndRound': { upper: inThou(0.5, units), source: ASSUMED, reason: 'The rod maker’s sheet outranks it.' },
  'rods.centreSpread': { upper: inThou(2, units), source: ASSUMED, reason: 'Shows at once as deck clearance.' },
  'rods.reciprocatingSpread': { upper: 1, source: PRACTICE, reason: 'Matched to the gram.' },
  'rods.rotatingSpread': { upper: 1, source: PRACTICE, reason: 'Matched to the gram.' },
  'rods.stackApart': {
    lower: inThou(-2, units),
    upper: inThou(2, units),
    source: ASSUMED,
    reason: 'Measured and computed deck should be one and the same.',
  },
})
