export { makeEngine, VirtualHand, type Faults, type TrueEngine } from './twin'
