export {
  trueTdcShiftDeg, pinHeightAtTdcMm, sweptLengthMm, pistonDropMm, crankTurns, cylinderVolumeCm3, type Crank,
} from './crankMotion'
export {
  bankCount, cylindersPerBank, cylinderNumbers, cylinderPlaces, usualFiringOrder,
  type EngineLayout, type LayoutKind, type Numbering, type ValveDrive, type CylinderPlace,
} from './layout'
export { firingIssues, firingIntervals, parkingAngle, type FiringIssue } from './firing'
