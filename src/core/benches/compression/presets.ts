import type { Limit, Spec } from '../../document/types'
import { cylinderVolumeCm3 } from '../../geometry/crank'
import { UNITS } from '../../units'
import type { Presets } from '../../bench/bench'
import { printed } from '../../numerics/printed'

const PRACTICE = 'Preset: common practice'
const RATIO_BAND = 0.1
const MM_PER_THOU = UNITS.thou.factor

/**
 * Starting limits of a fresh build. All are common practice, all are meant to be replaced by the paperwork of the gasket and
 * piston makers and by the tuner's own numbers. Nothing about the ratio until the paper says which is wanted: the fuel and the
 * tuner decide that, no table does.
 */
export const presets: Presets = ({ paper, units, materials, methods }) => {
  const wanted = paper.compressionRatio
  const deck = paper.deckClearance?.value
  return {
    ...(wanted && {
      'compression.compressionRatio': {
        lower: printed(wanted.value - RATIO_BAND),
        upper: printed(wanted.value + RATIO_BAND),
        target: wanted.value,
        source: PRACTICE,
        reason: `Around the ratio wanted (${wanted.source}).`,
      },
    }),
    'compression.ratioSpread': { upper: RATIO_BAND, source: PRACTICE, reason: 'All cylinders alike before any one perfect.' },
    ...(methods.squish === 'pad' && { 'compression.quench': quenchPreset(materials.rod, units) }),
    ...(deck !== undefined && {
      'compression.deckClearance': {
        lower: deck - 0.05,
        upper: deck + 0.05,
        target: deck,
        source: PRACTICE,
        reason: 'Around the deck clearance wanted.',
      },
    }),
    'compression.deckSpread': { upper: 0.05, source: PRACTICE, reason: 'Pistons that stand alike keep quench and ratio alike.' },
    'compression.deckFall': { lower: -0.05, upper: 0.05, source: PRACTICE, reason: 'A deck parallel to the crank.' },
    ...chamberPresets(paper),
    'compression.deckCut': {
      upper: units === 'inch' ? 15 * MM_PER_THOU : 0.4,
      source: PRACTICE,
      reason: '0.015 to 0.018 in keeps a block strong; leave some for next time.',
    },
    'compression.headCut': {
      upper: units === 'inch' ? 10 * MM_PER_THOU : 0.25,
      source: PRACTICE,
      reason: 'Cam timing, valve clearance and intake fit move with it; leave some for next time.',
    },
  }
}

/**
 * Least quench by what the rods stretch (common practice: 0.035–0.040 in with steel, 0.050–0.060 with aluminium); squish is
 * lost over about 0.060.
 */
function quenchPreset(rod: Spec['materials']['rod'], units: Spec['units']): Limit {
  const mm = (thou: number, metric: number) => (units === 'inch' ? thou * MM_PER_THOU : metric)
  if (rod === 'forgedAluminium')
    return { lower: mm(50, 1.3), upper: mm(70, 1.8), source: PRACTICE, reason: 'Aluminium rods stretch more: 0.050 to 0.060 in at least.' }
  return {
    lower: mm(35, 0.9),
    upper: mm(60, 1.5),
    source: PRACTICE,
    reason: `${rod === 'titanium' ? 'Taken as for steel rods' : 'Steel rods'}. Less may touch when hot, more loses the squish.`,
  }
}

/** Chambers within what moves the ratio by 0.1: 0.1 · V_c/(CR − 1). Nothing where the paper does not tell how large V_c is. */
function chamberPresets(paper: Spec['paper']): Record<string, Limit> {
  const { bore, stroke, compressionRatio, chamberVolume } = paper
  if (!bore || !stroke || !compressionRatio) return {}
  const clearanceCm3 = cylinderVolumeCm3(bore.value, stroke.value) / (compressionRatio.value - 1)
  const halfBand = Math.round((RATIO_BAND * clearanceCm3 * 10) / (compressionRatio.value - 1) / 2) / 10
  if (halfBand <= 0) return {}
  return {
    'compression.chamberSpread': {
      upper: 2 * halfBand,
      source: PRACTICE,
      reason: 'Chambers that keep the ratios within 0.1: 0.1 · clearance volume ÷ (ratio − 1).',
    },
    ...(chamberVolume && {
      'compression.chamberVolume': {
        lower: printed(chamberVolume.value - halfBand),
        upper: printed(chamberVolume.value + halfBand),
        target: chamberVolume.value,
        source: PRACTICE,
        reason: 'Half the spread allowed, either side of the paper.',
      },
    }),
  }
}
