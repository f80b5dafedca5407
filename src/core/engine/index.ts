export {
  trueTdcShiftDeg, pinHeightAtTdcMm, sweptLengthMm, pistonDropMm, crankTurns, cylinderVolumeCm3, type Crank,
} from './crankMotion'
export {
  bankCount, cylindersPerBank, cylinderNumbers, cylinderPlaces, mainNumbers, usualFiringOrder, usualMains,
  type EngineLayout, type LayoutKind, type Numbering, type ValveDrive, type CylinderPlace,
} from './layout'
export {
  BLOCK_MATERIALS, CRANK_MATERIALS, PISTON_MATERIALS, RING_MATERIALS, EXPANSION,
  type BlockMaterial, type CrankMaterial, type PistonMaterial, type RingMaterial, type Expansion,
} from './materials'
export { firingIssues, firingIntervals, parkingAngle, type FiringIssue } from './firing'
