export { manifest as rods } from './manifest'
export { bobweight, stackedDeck } from './formulas'
export { matchMasses, type MassMatch } from './match'
