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
export { renumbered, type Counting } from './renumbered'
export { firingIssues, firingIntervals, parkingAngle, parkingOf, phasesDeg, usualFiringOrder, type FiringIssue } from './firing'
export { crankStyles, firstBank, sharedPins, topsDeg, usualPins, withinTurn, type CrankStyle } from './crankPins'
