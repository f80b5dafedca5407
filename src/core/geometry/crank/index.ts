export { trueTdcShiftDeg, pinHeightAtTdcMm, sweptLengthMm, pistonDropMm, crankTurns, cylinderVolumeCm3, type Crank } from './crankMotion'
export {
  bankCount,
  CONSTRUCTION,
  VALVE_DRIVES,
  hasCamInBlock,
  hasCamInHead,
  hasValves,
  hasValvesOverPistons,
  isHydraulic,
  cylindersPerBank,
  cylinderNumbers,
  cylinderPlaces,
  boltNumbers,
  mainNumbers,
  rodOfBolt,
  usualMains,
  type Construction,
  type EngineLayout,
  type LayoutKind,
  type Numbering,
  type ValveDrive,
  type CylinderPlace,
  type BearingKind,
  type CrankPin,
} from './layout'
export { renumbered, type Counting } from './renumbered'
export { firingIssues, firingIntervals, parkingAngle, parkingOf, phasesDeg, usualFiringOrder, type FiringIssue } from './firing'
export { crankStyles, firstBank, sharedPins, topsDeg, usualPins, withinTurn, type CrankStyle } from './crankPins'
