import type { Presets } from '../bench'
import { inThou } from '../inThou'
import { bankCount } from '../../engine'
import { isRace } from '../duty'

const PRACTICE = 'Preset: common practice'

/** A thousandth of the journal, near enough: 0.001 in per inch; race mains and rods by the usual windows. */
export const presets: Presets = ({ paper, duty, layout, units }) => ({
  mainClearance: isRace(duty)
    ? { lower: inThou(2, units), upper: inThou(3, units), target: inThou(2.5, units), source: PRACTICE, reason: 'Race mains, 0.0020 to 0.0030 in vertical.' }
    : byJournal(paper.mainJournal?.value),
  rodClearance: isRace(duty)
    ? { lower: inThou(2, units), upper: inThou(2.8, units), target: inThou(2.4, units), source: PRACTICE, reason: 'Race rods, 0.0020 to 0.0028 in vertical.' }
    : byJournal(paper.rodJournal?.value),
  mainSpread: { upper: inThou(0.5, units), source: 'Preset: assumed', reason: 'One half shell of difference.' },
  rodSpread: { upper: inThou(0.5, units), source: 'Preset: assumed', reason: 'One half shell of difference.' },
  journalRound: { upper: inThou(0.5, units), source: 'Preset: assumed', reason: 'The grinder’s sheet outranks it.' },
  journalTaper: { upper: inThou(0.5, units), source: 'Preset: assumed', reason: 'The grinder’s sheet outranks it.' },
  endFloat: { lower: inThou(3, units), upper: inThou(8, units), source: PRACTICE, reason: '0.003 to 0.008 in, bumped, mains at final torque.' },
  rodSide: bankCount(layout) === 2
    ? { lower: inThou(10, units), upper: inThou(20, units), source: PRACTICE, reason: 'A pair of steel rods on one pin, 0.010 to 0.020 in.' }
    : { lower: inThou(6, units), upper: inThou(12, units), source: PRACTICE, reason: 'A single rod on its pin, 0.006 to 0.012 in.' },
})

function byJournal(journalMm = 55) {
  const target = journalMm / 1000
  return { lower: round(target * 0.75), upper: round(target * 1.25), target: round(target), source: PRACTICE, reason: 'About a thousandth of the journal (0.001 in per inch).' }
}

function round(mm: number): number {
  return Math.round(mm * 1000) / 1000
}
