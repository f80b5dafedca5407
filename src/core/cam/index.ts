/** Cams: true TDC, the card, the lift table and the lobe behind it, and what turns one. */
export {
  CARD_NUMBERS,
  CARD_RANGES,
  completeCard,
  disagreements,
  EVENT_CENTRES,
  valueOf,
  type CardNumber,
  type Combination,
  type CompletedCard,
  type Disagreement,
} from './camCard'
export { CARD_LABELS, cardFigure } from './cardFigures'
export { chainRetardDeg, filedSide, keyAngleDeg, toothDeg, type FiledKey } from './correcting'
export { liftTableFrom, type CurveTableIssue } from './curveCsv'
export { figureFromCurve } from './curveFigures'
export { checkedLobe, type CheckedLobe, type LobeSlip } from './lobeSlips'
export { eventsAt, liftAt, peakOf, type FromCurve, type LobeEvents } from './lobeEvents'
export type { LiftRow } from './curveTable'
export { stopDrop, tdcInputs, trueTdc } from './tdcFormulas'
export type { LobeCurve } from './lobeCurve'
export { stopFault, type StopFault } from './trueTdc'
