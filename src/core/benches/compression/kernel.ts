import type { Kernel, SearchedRanges } from '../../bench/kernel'
import { pocketCm3PerMm } from '../../shared/pocketWork'
import { bareRatio, numbersOf, type RatioNumbers } from './chain'
import { cylinderStates } from './derive'

const MM_PER_CM = 10

/** Ratio, quench and deck by cylinders whose pistons stand higher, and whose chambers and pistons hold more or less. */
export const kernel: Kernel = {
  figures: [
    { limit: 'compression.compressionRatio', output: 'compression.compressionRatio', wish: { aim: 'near', label: 'Ratio wanted' } },
    {
      limit: 'compression.ratioSpread',
      output: 'compression.ratioSpread',
      wish: { aim: 'least', label: 'Ratios alike' },
      isFaultOfParts: true,
    },
    { limit: 'compression.quench', output: 'compression.quench', wish: { aim: 'least', label: 'Least quench' } },
    { limit: 'compression.deckClearance', output: 'compression.deckClearance', isFaultOfParts: true },
  ],
  follows: [
    'deckCut',
    'headCut',
    'baseShim',
    'compressionHeight',
    'chamber',
    'pistonVolume',
    'pocket.intake',
    'pocket.exhaust',
    // These leave the swept and the clearance volume as they are.
    'advance.intake',
    'advance.exhaust',
    'intakeLash',
    'exhaustLash',
  ],
  of: (build) => {
    const cylinders = cylinderStates(build).flatMap(({ inputs }) => (inputs ? [numbersOf(inputs)] : []))
    const openAreaCm2 = build.spec.paper.chamberOpenArea?.value ?? 0
    const perMm = { intake: pocketCm3PerMm(build, 'intake') ?? 0, exhaust: pocketCm3PerMm(build, 'exhaust') ?? 0 }
    return (by) =>
      ofCylinders(cylinders, {
        higherMm: by('deckCut') + by('compressionHeight') - by('baseShim'),
        volumeCm3: by('chamber') - (openAreaCm2 * by('headCut')) / MM_PER_CM,
        pistonCm3: by('pistonVolume') + by('pocket.intake') * perMm.intake + by('pocket.exhaust') * perMm.exhaust,
      })
  },
}

interface Shift {
  readonly higherMm: number
  readonly volumeCm3: number
  readonly pistonCm3: number
}

function ofCylinders(cylinders: readonly RatioNumbers[], { higherMm, volumeCm3, pistonCm3 }: Shift): SearchedRanges {
  if (cylinders.length === 0) return {}
  const ratio = { low: Infinity, high: -Infinity }
  const quench = { low: Infinity, high: -Infinity }
  const deck = { low: Infinity, high: -Infinity }
  for (const one of cylinders) {
    const deckMm = one.deckMm - higherMm
    const is = bareRatio({ ...one, deckMm, chamberCm3: one.chamberCm3 + volumeCm3, pistonCm3: one.pistonCm3 + pistonCm3 })
    ratio.low = Math.min(ratio.low, is)
    ratio.high = Math.max(ratio.high, is)
    deck.low = Math.min(deck.low, deckMm)
    deck.high = Math.max(deck.high, deckMm)
    quench.low = Math.min(quench.low, deckMm + one.gasketThicknessMm)
    quench.high = Math.max(quench.high, deckMm + one.gasketThicknessMm)
  }
  const spread = ratio.high - ratio.low
  return {
    'compression.compressionRatio': ratio,
    'compression.quench': quench,
    'compression.deckClearance': deck,
    ...(cylinders.length > 1 && { 'compression.ratioSpread': { low: spread, high: spread } }),
  }
}
