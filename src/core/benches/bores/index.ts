import type { Bench } from '../bench'
import { advise } from './advise'
import { definition } from './definition'
import { derive } from './derive'
import { presets } from './presets'
import { stations } from './stations'

export { withPistons } from './advise'
export { matchPistons, type PistonMatch } from './match'
export { pistonClearance } from './formulas'

export const bores: Bench = { id: 'bores', definition, stations, derive, advise, presets }
