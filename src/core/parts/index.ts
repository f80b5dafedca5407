/** Parts: what is wanted, what arrives and fits, what goes together, and what is found damaged. */
export {
  CAM_MATERIALS,
  CONVERSIONS,
  FIT_CHECKS,
  GEAR_MATERIALS,
  PART_KINDS,
  type BroughtPart,
  type CamMaterial,
  type ConversionId,
  type FitCheckId,
  type GearMaterial,
  type PartKindId,
  type RatingId,
} from './kinds'
export { daysLate, isAwaited, partsOf, spentOn, type FitAnswer, type Part, type PartState } from './parts'
export { boltRecords, type BoltRecord } from './boltRecords'
export { requiredRatings, type RequiredRatings } from './asked'
export { agreedRepairs, damagesOf, repairsBack, type Damage, type DamageOption } from './damage'
export { misfitsOf, weakestParts, type Misfit, type Weakest } from './together'
