export { manifest as clearance } from './manifest'
export { closestModel } from './draws'
export { phasingMap, type PhasingMap } from './phasingMap'
