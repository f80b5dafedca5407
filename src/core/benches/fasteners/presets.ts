import type { Presets } from '../../bench/bench'
import type { Limit, PaperNumber } from '../../document/types'
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
const EVEN_SHARE = 0.25
const GEAR_BAND_MM = 0.05
const ENGAGED = { aluminium: 2, iron: 1.5 }

/** Rod bolts by their card or by their yield. */
const boltLimits: Presets = ({ paper, units }) => {
  const card = paper.boltStretch
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
    ...(card && { 'fasteners.stretch': aroundPaper(card, CARD_BAND * card.value, 'The card’s figure; its band of ± 4 % is assumed.') }),
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
    'fasteners.stretchSpread': { upper: inThou(GROWTH_THOU, units), source: ASSUMED, reason: 'Each is torqued to its own stretch.' },
  }
}

/** Joints by what their torque makes of them. */
const jointLimits: Presets = ({ materials }) => ({
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
  'fasteners.evenness': {
    upper: EVEN_SHARE,
    source: ASSUMED,
    reason: 'A gasket seals by its weakest corner; the gasket maker’s sheet outranks it.',
  },
  'fasteners.engaged': {
    lower: materials.block === 'castAluminium' ? ENGAGED.aluminium : ENGAGED.iron,
    source: PRACTICE,
    reason: 'Two diameters of thread in aluminium, one and a half in iron.',
  },
})

function aroundPaper(
  { value, tolerance, source }: Pick<PaperNumber, 'value' | 'tolerance' | 'source'>,
  assumedBand: number,
  assumed: string,
): Limit {
  const band = tolerance ?? assumedBand
  return {
    lower: value - band,
    target: value,
    upper: value + band,
    source: `Preset: ${source}`,
    reason: tolerance === undefined ? assumed : 'The figure and its band.',
  }
}

export const presets: Presets = (spec) => {
  const gear = spec.paper.gearClearance
  return {
    ...boltLimits(spec),
    ...jointLimits(spec),
    ...(gear && { 'fasteners.gearGap': aroundPaper(gear, GEAR_BAND_MM, 'As wanted, within a shim of 0.05 mm (assumed).') }),
  }
}
