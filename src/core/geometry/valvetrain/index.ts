/** Valves and what moves them: cams, true TDC, the card, the lift table and the lobe behind it, what turns one, and the gaps it leaves. */
export {
  bankOfCam,
  camKind,
  cylinderOfCam,
  degreedCylinders,
  degreedIssue,
  CAMS,
  camsOf,
  isHighProfile,
  onOneShaft,
  type Cam,
  type CamKind,
  type DegreedIssue,
} from './cams'
export {
  DRIVE_KINDS,
  DRIVE_WHEELS,
  tensionerOnSlackSide,
  type CamDrive,
  type DriveKind,
  type DriveWheel,
  type DriveWheelKind,
} from './camDrive'
export { camOfValve, camOfValveNamed, cylinderOfValve, valvePlaces, valvesOf, valvesOfKind, type Valve, type ValvePlace } from './valves'
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
