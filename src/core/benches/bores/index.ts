export { bores } from './bores'
export { withPistons } from './advise'
export { matchPistons, type PistonMatch } from './match'
export { pistonClearance } from './formulas'
