import type { Duty, Limit } from '../../document/types'
import { sharedPins } from '../../geometry/crank'
import type { Presets } from '../../bench/bench'
import { isRace, isNotStated } from '../../bench/duty'
import { inThou } from '../../bench/inThou'

const PRACTICE = 'Preset: common practice'
const ASSUMED = 'Preset: assumed'

/** Race mains and rods by the usual windows, else a thousandth of the journal, near enough: 0.001 in per inch. */
export const presets: Presets = ({ paper, duty, layout, units }) => ({
  ...(layout.mainBearings === 'plain' && {
    ...clearance('bearings.mainClearance', duty, paper.mainJournal?.value, {
      lower: inThou(2, units),
      upper: inThou(3, units),
      target: inThou(2.5, units),
      reason: 'Race mains, 0.0020 to 0.0030 in vertical.',
    }),
    'bearings.mainSpread': { upper: inThou(0.5, units), source: ASSUMED, reason: 'One half shell of difference.' },
  }),
  ...(layout.rodBearings === 'plain' && {
    ...clearance('bearings.rodClearance', duty, paper.rodJournal?.value, {
      lower: inThou(2, units),
      upper: inThou(2.8, units),
      target: inThou(2.4, units),
      reason: 'Race rods, 0.0020 to 0.0028 in vertical.',
    }),
    'bearings.rodSpread': { upper: inThou(0.5, units), source: ASSUMED, reason: 'One half shell of difference.' },
  }),
  ...((layout.mainBearings === 'plain' || layout.rodBearings === 'plain') && {
    'bearings.journalRound': { upper: inThou(0.5, units), source: ASSUMED, reason: 'The grinder’s sheet outranks it.' },
    'bearings.journalTaper': { upper: inThou(0.5, units), source: ASSUMED, reason: 'The grinder’s sheet outranks it.' },
  }),
  ...(layout.mainBearings === 'plain' && {
    'bearings.endFloat': {
      lower: inThou(3, units),
      upper: inThou(8, units),
      source: PRACTICE,
      reason: '0.003 to 0.008 in, bumped, mains at final torque.',
    },
  }),
  'bearings.runOut': {
    upper: inThou(1, units),
    source: ASSUMED,
    reason: 'At the middle main, a full turn of the dial; the crank grinder’s sheet outranks it.',
  },
  // The windows are common practice for steel rods on plain big ends; a rolling big end is set by its maker.
  ...(layout.rodBearings === 'plain' && {
    'bearings.rodSide':
      sharedPins(layout).length > 0
        ? {
            lower: inThou(10, units),
            upper: inThou(20, units),
            source: PRACTICE,
            reason: 'A pair of steel rods on one pin, 0.010 to 0.020 in.',
          }
        : { lower: inThou(6, units), upper: inThou(12, units), source: PRACTICE, reason: 'A single rod on its pin, 0.006 to 0.012 in.' },
  }),
})

/** Nothing where neither the duty nor the journal is known: a preset that cannot know does not guess. */
function clearance(key: string, duty: Duty, journalMm: number | undefined, race: Omit<Limit, 'source'>): Record<string, Limit> {
  if (isRace(duty)) return { [key]: { ...race, source: PRACTICE } }
  if (journalMm === undefined) return {}
  const target = journalMm / 1000
  const notStated = isNotStated(duty) ? ' The duty is not said: race mains and rods run looser.' : ''
  const reason = `About a thousandth of the journal (0.001 in per inch).${notStated}`
  return { [key]: { lower: round(target * 0.75), upper: round(target * 1.25), target: round(target), source: PRACTICE, reason } }
}

function round(mm: number): number {
  return Math.round(mm * 1000) / 1000
}
