import type { Presets } from '../bench'
import { cylinderVolumeCm3 } from '../../engine'

const PRACTICE = 'Preset: common practice'
const RATIO_BAND = 0.1
const MM_PER_THOU = 0.0254

/**
 * Starting limits of a fresh build. All are common practice, all are meant to be replaced by the paperwork of the
 * gasket and piston makers and by the tuner's own numbers.
 */
export const presets: Presets = ({ paper, duty, units }) => {
  const deckMm = paper.deckClearance?.value ?? 0
  const target = duty.boostKpa > 0 ? 9 : /methanol|ethanol/i.test(duty.fuel) ? 13 : 10.5
  const chamberHalfBand = chamberBandCm3(paper.bore?.value, paper.stroke?.value, target)
  const chamber = paper.chamberVolume?.value
  // Steel rods: 0.035–0.040 in least, squish lost over about 0.060 in (common practice).
  const quench = units === 'inch' ? { lower: 35 * MM_PER_THOU, upper: 60 * MM_PER_THOU } : { lower: 0.9, upper: 1.5 }
  return {
    compressionRatio: { lower: target - RATIO_BAND, upper: target + RATIO_BAND, target, source: PRACTICE, reason: 'A start only: the fuel, the boost and the tuner decide.' },
    ratioSpread: { upper: RATIO_BAND, source: PRACTICE, reason: 'All cylinders alike before any one perfect.' },
    quench: { ...quench, source: PRACTICE, reason: 'Steel rods. Less may touch when hot, more loses the squish.' },
    deckClearance: { lower: deckMm - 0.05, upper: deckMm + 0.05, target: deckMm, source: PRACTICE, reason: 'Around the deck clearance wanted.' },
    deckSpread: { upper: 0.05, source: PRACTICE, reason: 'Pistons that stand alike keep quench and ratio alike.' },
    deckFall: { lower: -0.05, upper: 0.05, source: PRACTICE, reason: 'A deck parallel to the crank.' },
    chamberSpread: { upper: 2 * chamberHalfBand, source: PRACTICE, reason: 'Chambers that keep the ratios within 0.1: 0.1 · clearance volume ÷ (ratio − 1).' },
    ...(chamber === undefined ? {} : {
      chamberVolume: { lower: chamber - chamberHalfBand, upper: chamber + chamberHalfBand, target: chamber, source: PRACTICE, reason: 'Half the spread allowed, either side of the paper.' },
    }),
    deckCut: { upper: units === 'inch' ? 15 * MM_PER_THOU : 0.4, source: PRACTICE, reason: '0.015 to 0.018 in keeps a block strong; leave some for next time.' },
    headCut: { upper: units === 'inch' ? 10 * MM_PER_THOU : 0.25, source: PRACTICE, reason: 'Cam timing, valve clearance and intake fit move with it; leave some for next time.' },
  }
}

/** Half of the chamber spread that moves the ratio by 0.1: ½ · 0.1 · V_c/(CR − 1). */
function chamberBandCm3(boreMm = 85, strokeMm = 85, ratio = 10): number {
  const clearance = cylinderVolumeCm3(boreMm, strokeMm) / (ratio - 1)
  return Math.round((RATIO_BAND * clearance * 10) / (ratio - 1) / 2) / 10
}
