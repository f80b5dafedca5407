export { rods } from './advise'
export { bobweight, stackedDeck } from './formulas'
export { matchMasses, type MassMatch } from './match'
