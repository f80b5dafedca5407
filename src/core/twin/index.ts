export { makeEngine, type Faults, type TrueEngine } from './trueEngine'
export { SimulatedGauges, type Indicated } from './simulatedGauges'
