export { manifest as fasteners } from './manifest'
export {
  clampEstimates,
  clampMarginOf,
  isBeyondYield,
  jointRefusals,
  type ClampEstimate,
  type ClampMargin,
  type Lube,
  type Range,
} from './clamp'
export {
  boltStiffness,
  clampForce,
  clampMargin,
  combinedStress,
  gasForce,
  lengthened,
  loadByNutFactor,
  loadFromAngle,
  loadFromStretch,
  loadFromTorque,
  nutFactor,
  pitchDiameter,
  roundSection,
  shareOf,
  stressArea,
  stretchOf,
  tensileStress,
  tighteningTorque,
  torqueByNutFactor,
  warmClamp,
  type Section,
} from './formulas'
export { THREAD_PROFILE } from './profile'
export { boltRecords, type BoltRecord } from './boltRecords'
export { ledgerOf, retiredIn, type LedgerLine, type RecordInBuild } from './ledger'
export { readSections } from './sections'
export { STEEL_MODULUS } from './steelModulus'
export { isThread, readThread, type Thread } from './thread'
