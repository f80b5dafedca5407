import type { Presets } from '../../bench/bench'
import { inThou } from '../../bench/inThou'

const PRACTICE = 'Preset: common practice'
const ASSUMED = 'Preset: assumed'

/** A card that gives one figure and no band. */
const CARD_BAND = 0.04
const LEAST_OF_YIELD = 0.7
const MOST_OF_YIELD = 0.75
const MOST_OF_PROOF = 0.9
const ODD_SHARE = 0.25
const GROWTH_THOU = 0.5
const ENGAGED = { aluminium: 2, iron: 1.5 }

export const presets: Presets = ({ paper, units, materials }) => {
  const card = paper.boltStretch
  const band = card && (card.tolerance ?? CARD_BAND * card.value)
  return {
    // A card outranks what is usual: the share it comes to is shown and not judged.
    ...(!card && {
      'fasteners.ofYield': {
        lower: LEAST_OF_YIELD,
        upper: MOST_OF_YIELD,
        source: PRACTICE,
        reason: 'Rod bolts at 70 to 75 % of yield: below, the joint opens at speed; above, nothing is left.',
      },
    }),
    ...(card && {
      'fasteners.stretch': {
        lower: card.value - band!,
        target: card.value,
        upper: card.value + band!,
        source: `Preset: ${card.source}`,
        reason: card.tolerance === undefined ? 'The card’s figure; its band of ± 4 % is assumed.' : 'The card’s figure and band.',
      },
    }),
    'fasteners.ofProof': { upper: MOST_OF_PROOF, source: PRACTICE, reason: '75 % of proof for a joint that comes apart, at most 90 %.' },
    'fasteners.pulledOfYield': {
      upper: 1,
      source: 'Preset: definition of yield',
      reason: 'Tension and twist together, at the low end of friction: a thread slicker than usual must not pull it past its yield.',
    },
    'fasteners.clampOverGas': {
      lower: 1,
      source: 'Preset: definition',
      reason: 'Below, the gas lifts the head at its peak; what the gasket itself wants comes on top, by its maker.',
    },
    'fasteners.engaged': {
      lower: materials.block === 'castAluminium' ? ENGAGED.aluminium : ENGAGED.iron,
      source: PRACTICE,
      reason: 'Two diameters of thread in aluminium, one and a half in iron.',
    },
    'fasteners.growth': {
      upper: inThou(GROWTH_THOU, units),
      source: PRACTICE,
      reason: 'Longer for good by more than half a thou: throw it away, unless its card allows one.',
    },
    'fasteners.bend': {
      lower: -inThou(GROWTH_THOU, units),
      upper: inThou(GROWTH_THOU, units),
      source: ASSUMED,
      reason: 'What a bolt stretches beyond its straight line stays in it as growth; less than its line is a thread that galls.',
    },
    'fasteners.slopeApart': {
      lower: -ODD_SHARE,
      upper: ODD_SHARE,
      source: PRACTICE,
      reason: 'With one gauge and one wrench a bolt is told from others like it when it is a quarter odd.',
    },
    'fasteners.stretchSpread': { upper: inThou(GROWTH_THOU, units), source: ASSUMED, reason: 'Each is pulled to its own stretch.' },
  }
}
