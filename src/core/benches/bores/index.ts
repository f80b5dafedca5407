export { bores } from './advise'
export { matchPistons, type PistonMatch } from './match'
export { pistonClearance } from './formulas'
