import type { Build } from '../../document/build'
import type { Limit, Materials, Spec } from '../../document/types'
import type { Presets } from '../../bench/bench'
import { UNITS } from '../../units'
import { inThou } from '../../bench/inThou'
import { isGentle, isSustained, isNotStated } from '../../bench/duty'

const PRACTICE = 'Preset: common practice'
const MM_PER_THOU = UNITS.thou.factor
const FOUR_INCH_MM = 4 * UNITS.in.factor

/** Piston to wall in thou, per four inches of bore (common practice), by the alloy the piston grows with. */
const CLEARANCE_THOU: Readonly<Record<Materials['piston'], { readonly lower: number; readonly upper: number; readonly words: string }>> = {
  forged4032: { lower: 2.5, upper: 3.5, words: 'Forged 4032' },
  forged2618: { lower: 3.5, upper: 5, words: 'Forged 2618' },
  castHypereutectic: { lower: 1, upper: 2, words: 'Cast' },
}

export const presets: Presets = ({ paper, duty, materials, units, stock, choice }) => {
  const roundness = inThou(isGentle(duty) ? 1 : 0.5, units)
  const known = isNotStated(duty) ? ' The duty is not said: the tighter of race and street.' : ''
  const clearance = clearancePreset(paper.bore?.value, materials.piston, duty.boostKpa > 0 || isSustained(duty))
  return {
    ...(clearance && { 'bores.clearance': clearance }),
    'bores.clearanceSpread': {
      upper: inThou(0.5, units),
      source: 'Preset: assumed',
      reason: 'All alike before any one perfect; a match or a hone brings them together.',
    },
    'bores.outOfRound': { upper: roundness, source: PRACTICE, reason: `Rings seal a round bore.${known}` },
    'bores.taper': { upper: roundness, source: PRACTICE, reason: `A ring that breathes up and down a taper wears and flutters.${known}` },
    'bores.boreOffPaper': {
      lower: -0.1,
      upper: 0.1,
      source: 'Preset: assumed',
      reason: 'Further off, the sheet or the oversize is not this engine’s.',
    },
    'bores.flatness': {
      upper: inThou(3, units),
      source: PRACTICE,
      reason: 'Deck and head, 0.002 to 0.003 in overall, and 0.001 in any 3.',
    },
    ...(wantsFineDeck(stock, choice) && {
      'bores.deckFinish': {
        upper: 0.5,
        source: PRACTICE,
        reason: 'Multi-layer steel gasket: at most 0.5 µm Ra (20 µin); soft gaskets want it rougher.',
      },
    }),
  }
}

/** A finish is judged only against a gasket that is known to need it: soft ones want it rougher. */
function wantsFineDeck(stock: Spec['stock'], choice: Spec['choice']): boolean {
  return stock.gaskets.find(({ id }) => id === choice.gasket)?.kind === 'multiLayerSteel'
}

const LOOSE_END = '; boost or long full throttle to the loose end'

function clearancePreset(boreMm: number | undefined, alloy: Materials['piston'], loose: boolean): Limit | undefined {
  if (boreMm === undefined) return undefined
  const { lower, upper, words } = CLEARANCE_THOU[alloy]
  const scale = (MM_PER_THOU * boreMm) / FOUR_INCH_MM
  const target = (loose ? upper : (lower + upper) / 2) * scale
  return {
    lower: round(lower * scale),
    upper: round((loose ? upper * 1.15 : upper) * scale),
    target: round(target),
    source: PRACTICE,
    reason: `${words}, for this bore${loose ? LOOSE_END : ''}. The piston maker’s card outranks it.`,
  }
}

function round(mm: number): number {
  return Math.round(mm * 1000) / 1000
}

/** The clearance aimed at: the target, or the middle of the limit. */
export function clearanceTarget({ spec }: Build): number | undefined {
  const limit = spec.limits['bores.clearance']
  if (!limit) return undefined
  return limit.target ?? ((limit.lower ?? limit.upper!) + (limit.upper ?? limit.lower!)) / 2
}
