export { manifest as bores } from './manifest'
export { matchPistons, type PistonMatch } from './match'
