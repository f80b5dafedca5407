export {
  KINDS,
  UNITS,
  UNIT_IDS,
  CANONICAL_UNIT,
  toCanonical,
  fromCanonical,
  differenceInUnit,
  differenceToCanonical,
  unitsOfKind,
  findUnit,
  type Kind,
  type Unit,
  type UnitId,
} from './units'
export {
  parseEntry,
  type DeadCentre,
  type EntryContext,
  type Entry,
  type EntryIssue,
  type ParsedEntry,
  type Understood,
  type WheelMarks,
} from './parseEntry'
export {
  decimalsForStep,
  decimalsForUncertainty,
  decimalsToShow,
  formatNumber,
  formatDifference,
  formatQuantity,
  formatExact,
  formatKnown,
  formatKnownSize,
  joinUnit,
} from './format'
export { likelySlip, dialTurnSlip, type Slip, type Likely } from './slips'
