export { makeEngine, type Faults, type TrueEngine } from './trueEngine'
export { VirtualHand, type Indicated } from './virtualHand'
