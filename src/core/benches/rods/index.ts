export { manifest as rods } from './manifest'
export { matchMasses, type MassMatch } from './match'
