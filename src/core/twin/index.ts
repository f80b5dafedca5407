export { makeEngine, type Aims, type Faults, type TrueEngine } from './trueEngine'
export { numberAt } from './truth'
export { SET_BY_EYE_DEG, SimulatedGauges, type Indicated } from './simulatedGauges'
export { turnedTo, type Turning } from './turning'
