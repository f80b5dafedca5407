import type { Duty, Limit } from '../../document/types'
import type { Presets } from '../../bench/bench'
import { inThou } from '../../bench/inThou'
import { isAlcohol, isGentle, isSustained, isNotStated } from '../../bench/duty'

const PRACTICE = 'Preset: common practice'

interface Factor {
  readonly factor: number
  readonly words: string
}

/** Where light boost ends and heavy begins, gauge pressure. Source: none, assumed. */
const LIGHT_KPA = 70
const SERIOUS_KPA = 200

/** Top ring, gap per unit of bore (common practice), by what the engine is asked to stand. */
export function topRingFactor(duty: Duty): Factor {
  if (duty.boostKpa > SERIOUS_KPA && !isAlcohol(duty)) return { factor: 0.007, words: 'heavy boost on petrol' }
  if (duty.boostKpa > LIGHT_KPA) return { factor: 0.0065, words: 'serious boost' }
  if (duty.boostKpa > 0) return { factor: 0.0055, words: 'light boost' }
  if (isGentle(duty)) return { factor: 0.0045, words: 'street, unboosted' }
  if (isNotStated(duty)) return { factor: 0.0055, words: 'duty not said, so the widest of the unboosted' }
  return isSustained(duty) ? { factor: 0.0055, words: 'race, unboosted, long full throttle' } : { factor: 0.005, words: 'race, unboosted' }
}

/** The second ring gets this much more, so that no pressure is trapped under the top one (common practice: 0.0005 to 0.0010). */
const SECOND_MORE = 0.0005

export const presets: Presets = ({ paper, duty, units }) => {
  const boreMm = paper.bore?.value
  const { factor, words } = paper.ringFactor
    ? { factor: paper.ringFactor.value, words: `by ${paper.ringFactor.source}` }
    : topRingFactor(duty)
  // The hotter ring: what paper says and what it leaves open.
  const stated = paper.ringTemperature && paper.ringTemperature.value + (paper.ringTemperature.tolerance ?? 0)
  const running = stated ?? (duty.boostKpa > LIGHT_KPA ? 300 : 250)
  return {
    ...(boreMm !== undefined && {
      'rings.topGap': least(
        boreMm * factor,
        `Bore × ${factor.toFixed(4)}, ${words}. Too small butts and wrecks the bore, too large costs a little blow-by: ` +
          'when in doubt, wide. The ring maker’s number outranks it.',
      ),
      'rings.secondGap': least(
        boreMm * (factor + SECOND_MORE),
        `Bore × ${(factor + SECOND_MORE).toFixed(4)}: the top ring’s and a little more.`,
      ),
    }),
    'rings.secondOverTop': { lower: 0, source: PRACTICE, reason: 'A second ring tighter than the top lifts the top one.' },
    'rings.railGap': { lower: inThou(15, units), source: PRACTICE, reason: 'Oil rails: 0.015 in at least.' },
    'rings.buttingTemperature': {
      lower: running,
      source: PRACTICE,
      reason: 'The hotter ring: top rings run at about 200 to 250 °C unboosted, 300 °C under heavy boost.',
    },
  }
}

function least(mm: number, reason: string): Limit {
  const lower = Math.ceil(mm * 100) / 100
  return { lower, target: Math.round((lower + 0.02) * 100) / 100, source: PRACTICE, reason }
}
