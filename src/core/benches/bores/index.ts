export { bores } from './bores'
export { matchPistons, type PistonMatch } from './match'
export { pistonClearance } from './formulas'
