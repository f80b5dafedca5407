/** Bolts by themselves: threads, sections, what a torque, an angle or a stretch makes of them. */
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
export { readSections } from './sections'
export { STEEL_MODULUS } from './steelModulus'
export { isThread, readThread, type Thread } from './thread'
