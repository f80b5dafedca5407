export { rods } from './rods'
export { bobweight, stackedDeck } from './formulas'
export { matchMasses, type MassMatch } from './match'
