export {
  UNITS, UNIT_IDS, CANONICAL_UNIT, toCanonical, fromCanonical, differenceInUnit, differenceToCanonical, unitsOfKind, findUnit,
  type Kind, type Unit, type UnitId,
} from './units'
export { parseEntry, type EntryContext, type Entry, type EntryIssue, type ParsedEntry } from './parseEntry'
export {
  decimalsForStep, decimalsForDoubt, formatNumber, formatDifference, formatQuantity, formatExact, joinUnit,
} from './format'
export { likelySlips, dialTurnSlip, type Slip } from './slips'
