import { cylinderVolumeCm3, sweptLengthMm } from '../../geometry/crank'
import { leftOut, type Figure } from '../../metrology'
import {
  clearanceVolume,
  compressionRatio,
  creviceVolume,
  deckVolume,
  effectiveSweptVolume,
  gasketVolume,
  quench,
  sweptLength,
  sweptVolume,
} from './formulas'

/** Everything one cylinder's ratio rests on, wherever it came from: readings, paper or a quick sum. */
export interface RatioInputs {
  readonly bore: Figure
  readonly stroke: Figure
  /** Needed for the true travel with an offset pin, and for the effective ratio. */
  readonly rod?: Figure
  readonly pinOffset?: Figure
  readonly chamber: Figure
  readonly piston: Figure
  readonly deck: Figure
  readonly gasketBore: Figure
  readonly gasketThickness: Figure
  readonly crevice?: { readonly crown: Figure; readonly landHeight: Figure }
  /** Crank degrees after the overlap TDC. */
  readonly intakeClosing?: Figure
}

export interface RatioFigures {
  readonly swept: Figure
  readonly clearance: Figure
  readonly crevice?: Figure
  readonly ratio: Figure
  readonly quench: Figure
  readonly effectiveRatio?: Figure
}

/** The whole chain from dimensions to ratio and quench, each step a sum that opens. */
export function ratioChain(inputs: RatioInputs): RatioFigures {
  const { bore, deck, gasketThickness } = inputs
  const swept = sweptVolume.of({ boreMm: bore, travelMm: travel(inputs) })
  const crevice =
    inputs.crevice && creviceVolume.of({ boreMm: bore, crownMm: inputs.crevice.crown, landHeightMm: inputs.crevice.landHeight })
  const clearance = clearanceVolume.of({
    chamberCm3: inputs.chamber,
    gasketCm3: gasketVolume.of({ gasketBoreMm: inputs.gasketBore, gasketThicknessMm: gasketThickness }),
    deckCm3: deckVolume.of({ boreMm: bore, deckMm: deck }),
    pistonCm3: inputs.piston,
    creviceCm3: crevice ?? leftOut(),
  })
  return {
    swept,
    clearance,
    crevice,
    ratio: compressionRatio.of({ sweptCm3: swept, clearanceCm3: clearance }),
    quench: quench.of({ deckMm: deck, gasketThicknessMm: gasketThickness }),
    effectiveRatio: effectiveRatio(inputs, clearance),
  }
}

/** Piston travel: the stroke itself unless the pin is offset. */
function travel({ stroke, rod, pinOffset }: RatioInputs): Figure {
  if (!rod || !pinOffset || pinOffset.value.value === 0) return stroke
  return sweptLength.of({ strokeMm: stroke, rodMm: rod, pinOffsetMm: pinOffset })
}

function effectiveRatio(inputs: RatioInputs, clearance: Figure): Figure | undefined {
  if (!inputs.rod || !inputs.intakeClosing) return undefined
  const swept = effectiveSweptVolume.of({
    boreMm: inputs.bore,
    strokeMm: inputs.stroke,
    rodMm: inputs.rod,
    pinOffsetMm: inputs.pinOffset ?? leftOut(),
    closingDeg: inputs.intakeClosing,
  })
  return compressionRatio.of({ sweptCm3: swept, clearanceCm3: clearance })
}

/** The central values of a cylinder's inputs, named as the formulas name them. */
export interface RatioNumbers {
  readonly boreMm: number
  readonly strokeMm: number
  readonly rodMm: number
  readonly pinOffsetMm: number
  readonly chamberCm3: number
  readonly pistonCm3: number
  readonly deckMm: number
  readonly gasketBoreMm: number
  readonly gasketThicknessMm: number
  readonly crownMm: number
  readonly landHeightMm: number
}

export function numbersOf(inputs: RatioInputs): RatioNumbers {
  const boreMm = inputs.bore.value.value
  return {
    boreMm,
    strokeMm: inputs.stroke.value.value,
    rodMm: inputs.rod?.value.value ?? Infinity,
    pinOffsetMm: inputs.pinOffset?.value.value ?? 0,
    chamberCm3: inputs.chamber.value.value,
    pistonCm3: inputs.piston.value.value,
    deckMm: inputs.deck.value.value,
    gasketBoreMm: inputs.gasketBore.value.value,
    gasketThicknessMm: inputs.gasketThickness.value.value,
    crownMm: inputs.crevice?.crown.value.value ?? boreMm,
    landHeightMm: inputs.crevice?.landHeight.value.value ?? 0,
  }
}

/**
 * The ratio as bare arithmetic, without uncertainty, derivation or an object made on the way: for searches and Monte Carlo, where
 * millions are wanted. The same chain as `ratioChain`; a test holds the two together.
 */
export function bareRatio(numbers: RatioNumbers): number {
  const { boreMm, strokeMm, chamberCm3, pistonCm3, deckMm, gasketBoreMm, gasketThicknessMm, crownMm, landHeightMm } = numbers
  const travelMm = numbers.pinOffsetMm === 0 ? strokeMm : sweptLengthMm(numbers)
  return ratioOf(boreMm, travelMm, chamberCm3, pistonCm3, deckMm, gasketBoreMm, gasketThicknessMm, crownMm, landHeightMm)
}

/** Volume of a bore of one millimetre, one millimetre long: `cylinderVolumeCm3` without its division, for a loop over millions. */
const CM3_PER_MM = cylinderVolumeCm3(1, 1)

/** Number by number, so that a loop over millions makes no object. */
export function ratioOf(
  boreMm: number,
  travelMm: number,
  chamberCm3: number,
  pistonCm3: number,
  deckMm: number,
  gasketBoreMm: number,
  gasketThicknessMm: number,
  crownMm: number,
  landHeightMm: number,
): number {
  const areaCm3PerMm = CM3_PER_MM * boreMm * boreMm
  const clearanceCm3 =
    chamberCm3 +
    pistonCm3 +
    areaCm3PerMm * (deckMm + landHeightMm) +
    CM3_PER_MM * (gasketBoreMm * gasketBoreMm * gasketThicknessMm - crownMm * crownMm * landHeightMm)
  return 1 + (areaCm3PerMm * travelMm) / clearanceCm3
}
