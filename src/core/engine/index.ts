export { trueTdcShiftDeg, pinHeightAtTdcMm, sweptLengthMm, pistonDropMm, crankTurns, cylinderVolumeCm3, type Crank } from './crankMotion'
export {
  bankCount,
  cylindersPerBank,
  cylinderNumbers,
  cylinderPlaces,
  boltNumbers,
  mainNumbers,
  rodOfBolt,
  usualMains,
  type EngineLayout,
  type LayoutKind,
  type Numbering,
  type ValveDrive,
  type CylinderPlace,
  type BearingKind,
  type CrankPin,
} from './layout'
export {
  BLOCK_MATERIALS,
  CRANK_MATERIALS,
  ROD_MATERIALS,
  PISTON_MATERIALS,
  RING_MATERIALS,
  EXPANSION,
  type BlockMaterial,
  type CrankMaterial,
  type RodMaterial,
  type PistonMaterial,
  type RingMaterial,
  type Expansion,
} from './materials'
export { camKind, cylinderOfCam, CAMS, camsOf, onOneShaft, type Cam, type CamKind } from './cams'
export { firingIssues, firingIntervals, parkingAngle, usualFiringOrder, type FiringIssue } from './firing'
export { crankStyles, firstBank, sharedPins, topsDeg, usualPins, type CrankStyle } from './crankPins'
