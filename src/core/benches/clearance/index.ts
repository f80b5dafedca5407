export { clearance } from './advise'
export { closestModel } from './draws'
export { phasingMap, type PhasingMap } from './phasingMap'
